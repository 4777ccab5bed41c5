// What holds on every floor at every moment, whatever was asked of it. Property tests hunt for a counterexample.
import { type Agent, agentStateName } from '@/core/agents'
import { type Call, carriesWork, isOnLine, isPerson, takesPart, waitsIn, whoHearsWhom } from '@/core/calls'
import { deviceOfAgent } from '@/core/ids'
import { type FloorState, isMutedOn } from '@/core/state'
import { get, values } from '@/core/table'

export type Invariant = readonly [name: string, holds: (state: FloorState) => boolean]

const agents = (s: FloorState) => values(s.agents)
const calls = (s: FloorState) => values(s.calls)

export const INVARIANTS: readonly Invariant[] = [
  [
    'an agent hears at most one call that is not held',
    (s) => agents(s).every((a) => a.engagements.filter((e) => e.state === 'connected' || e.state === 'initiated').length <= 1),
  ],
  ['an agent is rung by at most one call', (s) => agents(s).every((a) => a.engagements.filter((e) => e.state === 'alerting').length <= 1)],
  [
    'an agent’s engagements are the connections of calls that exist, in the same state',
    (s) =>
      agents(s).every((a) =>
        a.engagements.every((e) => get(s.calls, e.callId)?.connections.some((c) => c.deviceId === deviceOfAgent(a.id) && c.state === e.state)),
      ) &&
      calls(s).every((c) =>
        c.connections.every(
          ({ party, state }) => party.kind !== 'agent' || state === 'failed' || get(s.agents, party.agentId)?.engagements.some((e) => e.callId === c.id),
        ),
      ),
  ],
  [
    'a caller who waits is rung through to one agent at a time; only who is with somebody already may ring for more',
    (s) => calls(s).every((c) => !isQueued(c) || attended(c) || c.connections.filter((x) => x.state === 'alerting' && x.party.kind === 'agent').length <= 1),
  ],
  [
    'a call that exists has a party, or keeps the place of one',
    (s) => calls(s).every((c) => c.connections.some((x) => isPerson(x.party) && takesPart(x) && x.state !== 'failed') || keepsPlace(c)),
  ],
  [
    'nobody is left alone on a call: somebody else is there, rings, is dialled, or a queue or a slot has the caller',
    (s) =>
      calls(s).every(
        (c) =>
          c.connections.filter((x) => x.state !== 'failed' && takesPart(x)).length >= 2 ||
          c.connections.some((x) => x.state === 'failed' || x.state === 'initiated') ||
          keepsPlace(c),
      ),
  ],
  [
    'a caller from outside is never with nobody who could help: an agent, a queue, a slot, a mailbox or another outside party',
    (s) =>
      calls(s).every((c) =>
        c.connections.every(
          (x) => x.party.kind !== 'outside' || x.state !== 'connected' || c.connections.some((y) => y !== x && takesPart(y) && y.state !== 'failed'),
        ),
      ),
  ],
  ['no device is on a call twice', (s) => calls(s).every((c) => new Set(c.connections.map((x) => x.deviceId)).size === c.connections.length)],
  [
    'nobody hears a party that is held, and a held party hears nobody',
    (s) =>
      calls(s).every((call) => {
        const held = new Set(call.connections.filter((c) => c.state === 'held').map((c) => c.deviceId))
        const ears = whoHearsWhom(call, () => false)
        return ears.every((e) => e.hears !== 'voice' || (!held.has(e.listener) && !held.has(e.speaker)))
      }),
  ],
  [
    'a muted agent is heard by nobody',
    (s) =>
      calls(s).every((call) => {
        const isMuted = isMutedOn(s)
        return whoHearsWhom(call, isMuted).every((e) => {
          const speaker = call.connections.find((c) => c.deviceId === e.speaker)?.party
          return e.hears !== 'voice' || speaker?.kind !== 'agent' || !isMuted(speaker.agentId)
        })
      }),
  ],
  ['every call has its work, save a consult, which is about another call', (s) => calls(s).every((c) => (get(s.work, c.id) !== undefined) === carriesWork(c))],
  [
    'among those who take part, who hears whom is symmetric, save for mute',
    (s) =>
      calls(s).every((call) => {
        const ears = whoHearsWhom({ ...call, connections: call.connections.filter(takesPart).map((c) => ({ ...c, silenced: false })) }, () => false)
        const voices = new Set(ears.filter((e) => e.hears === 'voice').map((e) => `${e.listener} ${e.speaker}`))
        return ears.every((e) => e.hears !== 'voice' || voices.has(`${e.speaker} ${e.listener}`))
      }),
  ],
  [
    'what an agent owes for work, and who owes for it, are the same thing; work that is over is kept only while somebody owes',
    (s) =>
      values(s.work).every((c) => {
        const owing = agents(s).filter((a) => owes(a).includes(c.id))
        return (
          owing.length === c.owedBy.length &&
          owing.every((a) => c.owedBy.includes(a.id)) &&
          (c.endedAtMs === null || owing.length > 0) &&
          owing.every((a) => owes(a).filter((callId) => callId === c.id).length === 1)
        )
      }),
  ],
  ['what is owed is for work that is still kept', (s) => agents(s).every((a) => owes(a).every((callId) => get(s.work, callId) !== undefined))],
  ['the state shown is the state the axes amount to', (s) => agents(s).every((a) => a.state.name === agentStateName(a))],
  [
    'a call waits in exactly its own queue while it is queued and rings nowhere, and in none otherwise',
    (s) => {
      const listed = Object.values(s.waiting).flat()
      const queued = calls(s).filter((c) => waitsIn(c) !== null)
      return listed.length === queued.length && queued.every((c) => s.waiting[waitsIn(c) as keyof typeof s.waiting]?.includes(c.id))
    },
  ],
  ['nobody waits in a queue that is retired', (s) => s.setUp.queues.every((q) => !q.retired || (s.waiting[q.id]?.length ?? 0) === 0)],
  [
    'a queue is served in the order calls entered it',
    (s) => Object.values(s.waiting).every((line) => line.every((id, i) => i === 0 || place(s, line[i - 1] as string) <= place(s, id))),
  ],
  [
    'who is off shift has no call, and owes nothing but what an earlier day left',
    (s) => agents(s).every((a) => a.shift !== null || (a.engagements.length === 0 && owes(a).every((callId) => !isOf(s, callId)))),
  ],
  ['who owes more outcomes than the centre allows is not ready', (s) => agents(s).every((a) => a.owed.length <= s.setUp.mostOwed || a.state.name !== 'ready')],
  [
    'no wrap-up is over its limit, and no callback is missed, without time having said so',
    (s) =>
      agents(s).every((a) =>
        a.wrapUps.every((w) => w.limitMs === null || values(s.due).some((d) => d.kind === 'wrapUp' && d.callId === w.callId && d.agentId === a.id)),
      ) &&
      values(s.callbacks).every(
        (c) => (c.escalatedAtMs === null && c.dialled === null) === values(s.due).some((d) => d.kind === 'callback' && d.callbackId === c.id),
      ),
  ],
  [
    'nobody is dialled for two callbacks at once',
    (s) => new Set(values(s.callbacks).flatMap((c) => c.dialled?.callId ?? [])).size === values(s.callbacks).filter((c) => c.dialled !== null).length,
  ],
  ['nobody whose sound is lost is offered a call of a queue', (s) => agents(s).every((a) => a.shift?.soundLost == null || a.state.name !== 'ready')],
  ['a call is never lost: what is kept of this floor is at most what came', (s) => values(s.work).filter((c) => isOf(s, c.id)).length <= s.callCount],
]

/** Calls of earlier days have the ids of other floors. */
const isOf = ({ floorId }: FloorState, callId: string) => callId.startsWith(`call_${floorId}_`)

const owes = ({ wrapUps, owed }: Agent) => [...wrapUps, ...owed].map((w) => w.callId)

const isQueued = (call: Call): boolean => call.connections.some((c) => c.state === 'queued' && c.party.kind === 'queue')
const attended = (call: Call): boolean => call.connections.some((c) => c.party.kind === 'agent' && (isOnLine(c) || c.state === 'initiated'))
const keepsPlace = (call: Call): boolean => call.keptFor !== null && isQueued(call)

const place = (s: FloorState, id: string): number => get(s.calls, id)?.place ?? Number.NaN
