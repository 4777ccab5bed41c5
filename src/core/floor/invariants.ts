// What holds on every floor at every moment, whatever was asked of it: said of one row at a time, so that after a decision only what it has touched
// is asked again. Tests ask after every decision, and of whole floors; a property holds the one against the other.
import { type Agent, agentStateName } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import { type Call, carriesWork, isInternal, isKept, isOnLine, isOutsider, isPerson, takesPart, waitsIn, whoHearsWhom } from '@/core/calls'
import type { Attempt, Preview } from '@/core/campaigns'
import { presentAt } from '@/core/conferences'
import { deviceOfAgent } from '@/core/ids'
import { fitFor, routingRules } from '@/core/queues'
import { idleOf, isAwaited } from '@/core/rules/shift'
import { keptFree } from '@/core/rules/writing'
import type { QueueSetUp } from '@/core/set-up'
import { type FloorState, isMutedOn, type Journal, roomOf } from '@/core/state'
import { get, values } from '@/core/table'
import { handOf, type Thread, takesRoomAs, threadWaitsIn } from '@/core/threads'
import type { Work } from '@/core/work'
import { concerned, type Rows } from './concerned'

type Laws<T> = Readonly<Record<string, (row: T, s: FloorState) => boolean>>

const OF_AGENTS: Laws<Agent> = {
  'an agent hears at most one call that is not held': (a) => a.engagements.filter((e) => e.state === 'connected' || e.state === 'initiated').length <= 1,
  'who listens in hears nothing else, and sits beside an agent who is on that call': (a, s) =>
    a.engagements.every((e) => {
      if (!e.listens) return true
      const on = get(s.calls, e.callId)
      const mine = on?.connections.find((c) => c.deviceId === deviceOfAgent(a.id))
      const besides = mine?.beside == null || on?.connections.some((c) => c.deviceId === mine.beside && isOnLine(c))
      return besides && a.engagements.every((o) => o === e || o.state !== 'connected')
    }),
  'who asks for help is on the call they ask about': (a, s) =>
    a.help === null || (get(s.calls, a.help.callId)?.connections.some((c) => c.deviceId === deviceOfAgent(a.id)) ?? false),
  'an agent is rung by at most one call': (a) => a.engagements.filter((e) => e.state === 'alerting').length <= 1,
  'an agent’s engagements are connections of calls that exist, in the same state': (a, s) =>
    a.engagements.every((e) => get(s.calls, e.callId)?.connections.some((c) => c.deviceId === deviceOfAgent(a.id) && c.state === e.state)),
  'what an agent owes is for work that is still kept and knows of it, and is owed once': (a, s) =>
    owes(a).every((id) => get(s.work, id)?.owedBy.includes(a.id)) && new Set(owes(a)).size === owes(a).length,
  'the state shown is the state the axes amount to': (a) => a.state.name === agentStateName(a),
  'who is off shift has no call and no wrap-up': (a) => a.shift !== null || a.engagements.length + a.wrapUps.length === 0,
  'what an agent has in hand are threads that are there, and theirs': (a, s) => a.threads.every(({ threadId }) => get(s.threads, threadId)?.agentId === a.id),
  'who owes more outcomes than the centre allows is not ready': (a, s) => a.owed.length <= s.setUp.mostOwed || a.state.name !== 'ready',
  'no wrap-up is over its limit without time having said so': (a, s) =>
    a.wrapUps.every((w) => w.limitMs === null || values(s.due).some((d) => d.kind === 'wrapUp' && d.callId === w.callId && d.agentId === a.id)),
  'who asked to leave is ready, and somebody is on the way to them': (a, s) =>
    (a.shift?.leaving ?? null) === null || (a.state.name === 'ready' && isAwaited(s, a)),
  'nobody whose desk is lost is offered a call of a queue': (a) => a.shift?.deskLost == null || a.state.name !== 'ready',
  'nobody whose sound is lost is offered a call of a queue': (a) => a.shift?.soundLost == null || a.state.name !== 'ready',
}

const OF_CALLS: Laws<Call> = {
  'of a call between colleagues nobody is outside but colleagues at another telephone, and nobody is said to be at work for it': (c, s) =>
    c.connections.every(({ party, state }) => {
      if (isInternal(c) && c.consultFor === null && isOutsider(party) && state !== 'failed') return false
      const end = party.kind === 'agent' ? get(s.agents, party.agentId)?.engagements.find((e) => e.callId === c.id) : undefined
      return end === undefined || end.internal === isInternal(c)
    }),
  'an agent’s connection is an engagement of that agent': (c, s) =>
    c.connections.every(
      ({ party, state }) => party.kind !== 'agent' || state === 'failed' || get(s.agents, party.agentId)?.engagements.some((e) => e.callId === c.id),
    ),
  'a caller who waits is rung through to one agent at a time; only who is with somebody already may ring for more': (c) =>
    !isQueued(c) || attended(c) || c.connections.filter((x) => x.state === 'alerting' && x.party.kind === 'agent').length <= 1,
  'a call that exists has a party, or keeps the place of one': (c) =>
    c.connections.some((x) => isPerson(x.party) && takesPart(x) && x.state !== 'failed') || keepsPlace(c),
  'nobody is left alone on a call: somebody else is there, rings, is dialled, a queue or a slot has the caller, it is a message to be heard, or a conference that is waited in':
    (c) =>
      c.connections.filter((x) => x.state !== 'failed' && takesPart(x)).length >= 2 ||
      c.connections.some((x) => x.state === 'failed' || x.state === 'initiated') ||
      c.messageId !== null ||
      c.conferenceId !== null ||
      keepsPlace(c),
  'a caller from outside is never with nobody who could help, save in a conference: an agent, a queue, a slot, a mailbox, another outside party': (c) =>
    c.conferenceId !== null ||
    c.connections.every(
      (x) => x.party.kind !== 'outside' || x.state !== 'connected' || c.connections.some((y) => y !== x && takesPart(y) && y.state !== 'failed'),
    ),
  'no device is on a call twice': (c) => new Set(c.connections.map((x) => x.deviceId)).size === c.connections.length,
  'nobody hears a party that is held, and a held party hears nobody': (c) => {
    const held = new Set(c.connections.filter((x) => x.state === 'held').map((x) => x.deviceId))
    return whoHearsWhom(c, () => false).every((e) => e.hears !== 'voice' || (!held.has(e.listener) && !held.has(e.speaker)))
  },
  'a muted agent is heard by nobody': (c, s) => {
    const isMuted = isMutedOn(s)
    return whoHearsWhom(c, isMuted).every((e) => {
      const speaker = c.connections.find((x) => x.deviceId === e.speaker)?.party
      return e.hears !== 'voice' || speaker?.kind !== 'agent' || !isMuted(speaker.agentId)
    })
  },
  'every call has its work, save a consult, which is about another call': (c, s) => (get(s.work, c.id) !== undefined) === carriesWork(c),
  'among those who take part, who hears whom is symmetric, save for mute': (c) => {
    const ears = whoHearsWhom({ ...c, connections: c.connections.filter(takesPart).map((x) => ({ ...x, silenced: false })) }, () => false)
    const voices = new Set(ears.filter((e) => e.hears === 'voice').map((e) => `${e.listener} ${e.speaker}`))
    return ears.every((e) => e.hears !== 'voice' || voices.has(`${e.speaker} ${e.listener}`))
  },
  'a call waits in exactly its own queue while it is queued and rings nowhere, and in none otherwise': (c, s) => {
    const listed = Object.entries(c.messageId === null ? s.waiting : s.messagesWaiting).flatMap(([queueId, line]) =>
      line.filter((id) => id === c.id).map(() => queueId),
    )
    const own = waitsIn(c)
    return own === null ? listed.length === 0 : listed.length === 1 && listed[0] === own
  },
}

const OF_WORK: Laws<Work> = {
  'who owes an outcome for work owes it': (w, s) =>
    w.owedBy.every((id) => {
      const agent = get(s.agents, id)
      return agent !== undefined && owes(agent).includes(w.id)
    }),
  'work that is over is kept only while somebody owes': (w) => w.endedAtMs === null || w.owedBy.length > 0,
}

const OF_THREADS: Laws<Thread> = {
  'a thread waits in exactly its own queue’s line while it waits, and in none otherwise': (t, s) => {
    const listed = Object.entries(s.threadsWaiting).flatMap(([queueId, line]) => line.filter((id) => id === t.id).map(() => queueId))
    const own = threadWaitsIn(t)
    return own === null ? listed.length === 0 : listed.length === 1 && listed[0] === own
  },
  'a thread that is offered, or in hand, is so to one agent who is on shift': (t, s) => {
    const hand = handOf(t)
    return values(s.agents).every((a) => {
      const held = a.threads.filter((x) => x.threadId === t.id)
      return hand?.agentId === a.id ? a.shift !== null && held.length === 1 && held[0]?.state === hand.hand.state : held.length === 0
    })
  },
  'every thread has its work, and whoever has it in hand answers for it': (t, s) => {
    const work = get(s.work, t.id)
    return work !== undefined && (t.state !== 'open' || work.handledBy === t.agentId)
  },
  'an offer comes to its end by itself, and what is parked comes back': (t, s) =>
    (t.state !== 'offered' && t.state !== 'parked') || values(s.due).some((d) => d.kind === 'thread' && d.threadId === t.id),
  'nobody waits in a queue that is retired': (t, s) => t.state !== 'waiting' || s.setUp.queues.some((q) => q.id === t.queueId && !q.retired),
  'nothing waits while somebody who may be given it has room': (t, s) => {
    if (t.state !== 'waiting') return true
    const rules = routingRules(s.setUp, s.storm)
    const free = keptFree(s)
    const offers = [{ queueId: t.queueId, anyLevel: false }, ...t.alsoFor]
    const could = (a: Agent) =>
      roomOf(s, a, takesRoomAs(t)) > 0 && !free.has(a.id) && !t.passedBy.some((p) => p.agentId === a.id) && offers.some((o) => fitFor(o, a, rules) !== null)
    return !values(s.agents).some(could)
  },
}

const OF_CALLBACKS: Laws<Callback> = {
  'no callback is missed without time having said so': (c, s) =>
    (c.escalatedAtMs === null && c.dialled === null) === values(s.due).some((d) => d.kind === 'callback' && d.callbackId === c.id),
  'nobody is dialled for two callbacks at once': (c, s) =>
    c.dialled === null || values(s.callbacks).every((other) => other.id === c.id || other.dialled?.callId !== c.dialled?.callId),
}

const OF_ATTEMPTS: Laws<Attempt> = {
  'nobody is called twice at once': (a, s) =>
    values(s.attempts).every((other) => other.id === a.id || (other.record.number !== a.record.number && other.record.recordId !== a.record.recordId)),
  'whoever was reached is put through while an agent of the campaign is free': (a, s) => a.state !== 'waiting' || idleOf(s, a.campaignId).length === 0,
  'every ring, every wait and every message comes to its end by itself': (a, s) =>
    (a.dueAtMs === null) !== values(s.due).some((d) => d.kind === 'attempt' && d.attemptId === a.id) &&
    (a.dueAtMs !== null || a.state === 'detecting' || a.callId !== null),
  'an attempt with an agent on the line has its call': (a, s) => a.callId === null || get(s.calls, a.callId) !== undefined,
}

const OF_PREVIEWS: Laws<Preview> = {
  'a record is shown to somebody who is free for it, of a campaign that runs': (p, s) =>
    get(s.agents, p.agentId)?.state.name === 'ready' && get(s.campaigns, p.campaignId)?.state === 'running',
  'a promise that is shown is open, and nobody is called for it': (p, s) => p.callbackId === null || get(s.callbacks, p.callbackId)?.dialled === null,
}

const OF_QUEUES: Laws<QueueSetUp> = {
  'who waits is a call that is there': (q, s) => lineOf(s, q).every((id) => get(s.calls, id) !== undefined),
  'nobody waits in a queue that is retired': (q, s) => !q.retired || lineOf(s, q).length === 0,
  'a queue is served in the order calls entered it': (q, s) => {
    const line = lineOf(s, q)
    return line.every((id, i) => i === 0 || place(s, line[i - 1] as string) <= place(s, id))
  },
}

const OF_FLOOR: Laws<FloorState> = {
  'a message of a queue that nobody has heard waits for somebody, and one that waits is there': (s) => {
    const waiting = new Set(values(s.work).flatMap((w) => w.messageId ?? []))
    const queues = new Set<string>(s.setUp.queues.flatMap((q) => (q.retired ? [] : [q.id])))
    return values(s.messages).every((m) => m.box.kind !== 'queue' || m.heard || m.deletedAtMs !== null || !queues.has(m.box.queueId) || waiting.has(m.id))
  },
  'who is in a conference is on its call, and nobody else is': (s) =>
    values(s.conferences).every((c) => {
      const call = values(s.calls).find((x) => x.conferenceId === c.id)
      const there = presentAt(c).filter((a) => a.callId === call?.id)
      return presentAt(c).length === there.length && there.every((a) => call?.connections.some((x) => x.deviceId === a.deviceId))
    }),
  'a call is never lost: what is kept of this floor is at most what came': (s) => values(s.work).filter((w) => isOf(s, w.id)).length <= s.callCount,
}

/** The names of what does not hold on this floor; none on any floor that was only ever decided on. */
export const broken = (s: FloorState): readonly string[] =>
  named(s, {
    agents: s.agents.values(),
    calls: s.calls.values(),
    threads: s.threads.values(),
    work: s.work.values(),
    callbacks: s.callbacks.values(),
    attempts: s.attempts.values(),
    previews: s.previews.values(),
    queues: s.setUp.queues,
  })

/** The same after changes to a floor on which everything held, by looking at what they concern alone. */
export const brokenBy = (s: FloorState, journal: Journal): readonly string[] => named(s, concerned(s, journal))

function named(s: FloorState, { agents, calls, threads, work, callbacks, attempts, previews, queues }: Rows): readonly string[] {
  const names = new Set<string>()
  const ask = <T>(laws: Laws<T>, rows: Iterable<T>) => {
    for (const row of rows) for (const [name, holds] of Object.entries(laws)) if (!holds(row, s)) names.add(name)
  }
  ask(OF_AGENTS, agents)
  ask(OF_CALLS, calls)
  ask(OF_THREADS, threads)
  ask(OF_WORK, work)
  ask(OF_CALLBACKS, callbacks)
  ask(OF_ATTEMPTS, attempts)
  ask(OF_PREVIEWS, previews)
  ask(OF_QUEUES, queues)
  ask(OF_FLOOR, [s])
  return [...names]
}

const lineOf = (s: FloorState, { id }: QueueSetUp): readonly string[] => s.waiting[id] ?? []

/** Calls of earlier days have the ids of other floors. */
const isOf = ({ floorId }: FloorState, callId: string) => callId.startsWith(`call_${floorId}_`)

const owes = ({ wrapUps, owed }: Agent) => [...wrapUps, ...owed].map((w) => w.callId)

const isQueued = (call: Call): boolean => call.connections.some((c) => c.state === 'queued' && c.party.kind === 'queue')
const attended = (call: Call): boolean => call.connections.some((c) => c.party.kind === 'agent' && (isOnLine(c) || c.state === 'initiated'))
const keepsPlace = (call: Call): boolean => isKept(call) && isQueued(call)

const place = (s: FloorState, id: string): number => get(s.calls, id)?.place ?? Number.NaN
