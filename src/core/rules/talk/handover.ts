// Handing a call over without talking first: blind transfer, diverting while it rings, parking and picking up (ECMA-269,
// 17.1: Single Step Transfer Call, Deflect Call, Park Call, Directed and Group Pickup Call), and the way back when the
// other end fails.
import type { Agent } from '@/core/agents'
import {
  agentConnection,
  boxOf,
  type Call,
  type CallEvent,
  connectionOf,
  type Failure,
  isInternal,
  isKept,
  isOnLine,
  onLine,
  services,
  type Target,
  takesPart,
} from '@/core/calls'
import { type AgentId, deviceOfAgent, type QueueId } from '@/core/ids'
import { routingRules } from '@/core/queues'
import { refuse } from '@/core/rules/rule'
import { mayOpenLine } from '@/core/rules/shift'
import { type Draft, emit, partyName } from '@/core/state'
import { get, must, values } from '@/core/table'
import type { Of, Ruling } from './commands'
import { type Reaching, reach } from './reach'

/**
 * Single Step Transfer: the agent leaves at once, the others wait for the target; what fails comes back. Where the target is
 * a queue, or a queue has the caller besides, whoever was being brought in no longer rings. A colleague who is on a call is refused beforehand. Refused: notOnCall, nobodyToConsultAbout, targetOnCall, and as reaching does.
 */
export function transfer(draft: Draft, agent: Agent, call: Call, { target }: Of<'transfer'>): Ruling {
  const mine = services.ownEnd(call, agent.id)
  if (mine === undefined) return refuse({ reason: 'notOnCall' })
  if (call.consultFor !== null) return refuse({ reason: 'consultUnderWay' })
  if (!call.connections.some((c) => c !== mine && isOnLine(c))) return refuse({ reason: 'nobodyToConsultAbout' })
  const reaching = reachFree(draft, agent, call, target)
  if (!reaching.ok) return refuse(reaching.refusal)
  const { party, deviceId, events } = reaching.reached
  // Whom the sender was bringing in would come to a caller who waits for an agent of the queue.
  const waits = party.kind === 'queue' || call.connections.some((c) => c.state === 'queued')
  const attended = !waits || call.connections.some((c) => c !== mine && c.party.kind === 'agent' && isOnLine(c))
  const invited = attended ? [] : call.connections.filter((c) => c !== mine && (c.state === 'alerting' || c.state === 'initiated'))
  return emit(
    draft,
    null,
    ...invited.map((c) => ({ kind: 'connectionCleared', callId: call.id, deviceId: c.deviceId, cause: 'removed' }) as const),
    { kind: 'callTransferred', callId: call.id, how: 'blind', byAgentId: agent.id, toDeviceId: deviceId, to: party },
    ...events(call.id),
    { kind: 'connectionCleared', callId: call.id, deviceId: mine.deviceId, cause: 'transferred' },
  )
}

/** Deflect Call: a call that rings here goes on to the target instead. Refused: notRinging, nobodyToConsultAbout, and as reaching does. */
export function divert(draft: Draft, agent: Agent, call: Call, { target }: Of<'divert'>): Ruling {
  const mine = agentConnection(call, agent.id)
  if (mine?.state !== 'alerting') return refuse({ reason: 'notRinging' })
  if (isKept(call) && target.kind !== 'queue') return refuse({ reason: 'callerNotOnLine' })
  // It rings at two colleagues who were both free: as long as neither has answered there is nobody to send on.
  if (isInternal(call) && onLine(call).length === 0) return refuse({ reason: 'nobodyToConsultAbout' })
  const reaching = reachFree(draft, agent, call, target)
  if (!reaching.ok) return refuse(reaching.refusal)
  const { party, deviceId, events } = reaching.reached
  const queued = call.connections.find((c) => c.state === 'queued')
  emit(
    draft,
    null,
    { kind: 'callDiverted', callId: call.id, byAgentId: agent.id, toDeviceId: deviceId, to: party },
    { kind: 'connectionCleared', callId: call.id, deviceId: mine.deviceId, cause: 'diverted' },
  )
  // The place in the queue is kept until somebody answers, save when it is exchanged for a place in another one.
  if (party.kind === 'queue' && queued !== undefined && queued.deviceId !== deviceId)
    emit(draft, null, { kind: 'connectionCleared', callId: call.id, deviceId: queued.deviceId, cause: 'diverted' })
  return emit(draft, null, ...events(call.id))
}

/** As `reach`, and nobody is sent to a colleague who is on a call. */
function reachFree(draft: Draft, agent: Agent, call: Call, target: Target): Reaching {
  const reaching = reach(draft, agent.id, call, target, 'send')
  if (!reaching.ok || reaching.reached.failure === null) return reaching
  return { ok: false, refusal: { reason: 'targetOnCall', name: partyName(draft.state, reaching.reached.party) } }
}

/** Park Call: the one other party waits with music in the first free slot. Refused: notOnCall, parkOnlyOne. */
export function park(draft: Draft, agent: Agent, call: Call): Ruling {
  const mine = services.ownEnd(call, agent.id)
  if (mine === undefined) return refuse({ reason: 'notOnCall' })
  // Of a conference the others may only have gone for a moment.
  if (call.consultFor !== null || call.conferenceId !== null || call.connections.filter(takesPart).length !== 2 || onLine(call).length !== 2)
    return refuse({ reason: 'parkOnlyOne' })
  const taken = new Set(values(draft.state.calls).flatMap((c) => c.connections.map((x) => (x.party.kind === 'park' ? x.party.slot : 0))))
  let slot = 1
  while (taken.has(slot)) slot++
  return emit(
    draft,
    null,
    { kind: 'callParked', callId: call.id, byAgentId: agent.id, slot, limitMs: draft.state.setUp.parkLimitMs },
    { kind: 'connectionCleared', callId: call.id, deviceId: mine.deviceId, cause: 'parked' },
  )
}

/**
 * Directed Pickup (a parked call) and Group Pickup (a call that rings at a colleague of the same queue, or was sent to
 * them). A call between two colleagues is theirs. Refused: callUnderWay while another call is heard, notParkedOrRinging, betweenColleagues, notInGroup.
 */
export function pickUp(draft: Draft, agent: Agent, call: Call): Ruling {
  const refused = mayOpenLine(draft.state, agent)
  if (refused !== null) return refused
  const parked = call.connections.find((c) => c.party.kind === 'park')
  const ringing = call.connections.find((c) => c.party.kind === 'agent' && c.state === 'alerting')
  if (parked === undefined && ringing === undefined) return refuse({ reason: 'notParkedOrRinging' })
  if (ringing?.deviceId === deviceOfAgent(agent.id)) {
    const answered = services.answer(call, agent.id)
    return answered.ok ? emit(draft, null, ...answered.events) : refuse(answered.refusal)
  }
  if (parked === undefined && (isInternal(call) || call.consultFor !== null)) return refuse({ reason: 'betweenColleagues' })
  if (parked === undefined && call.queueId !== null && !agent.shift?.queueIds.includes(call.queueId)) return refuse({ reason: 'notInGroup' })
  const at = { callId: call.id, deviceId: deviceOfAgent(agent.id) }
  if (ringing !== undefined) emit(draft, null, { kind: 'connectionCleared', callId: call.id, deviceId: ringing.deviceId, cause: 'answeredElsewhere' })
  return emit(draft, null, { kind: 'connectionDelivered', ...at, party: { kind: 'agent', agentId: agent.id } }, { kind: 'connectionEstablished', ...at })
}

/**
 * A handover came to nothing: the call goes back to the agent it came from when they can be rung, otherwise to the head of
 * its queue. `failure` says why, and stands on the board with the call.
 */
export function returnCall(draft: Draft, call: Call, failure: Failure, causedBy: number | null): void {
  const { handover } = call
  if (handover === null) return
  const from = connectionOf(call, handover.toDeviceId)
  const fromParty = from?.party ?? ({ kind: 'agent', agentId: handover.byAgentId } as const)
  if (from !== undefined) emit(draft, causedBy, { kind: 'connectionCleared', callId: call.id, deviceId: from.deviceId, cause: 'failed' })
  emit(draft, causedBy, { kind: 'callReturned', callId: call.id, from: fromParty, failure })
  // A call diverted while it waited still has its place in the queue.
  if (must(draft.state.calls, call.id).connections.some((c) => c.state === 'queued')) return
  if (!ringBack(draft, call, handover.byAgentId, causedBy)) toHead(draft, call, causedBy)
}

function ringBack(draft: Draft, call: Call, agentId: AgentId, causedBy: number | null): boolean {
  const sender = get(draft.state.agents, agentId)
  if (sender?.shift == null || sender.engagements.length > 0) return false
  emit(draft, causedBy, { kind: 'connectionDelivered', callId: call.id, deviceId: deviceOfAgent(agentId), party: { kind: 'agent', agentId } })
  return true
}

/** What an end that failed, refused or let it ring meant for a call that was sent there. */
export function handoverFailed(draft: Draft, seq: number, event: Extract<CallEvent, { kind: 'connectionCleared' | 'connectionFailed' }>): void {
  const failure = event.kind === 'connectionFailed' ? event.failure : event.cause === 'declined' ? 'refused' : event.cause === 'noAnswer' ? 'noAnswer' : null
  const call = get(draft.state.calls, event.callId)
  if (failure !== null && call?.handover?.toDeviceId === event.deviceId) returnCall(draft, call, failure, seq)
}

/** A party on the line with nobody there, nobody ringing and no queue: the head of the queue takes care of them. A colleague or a mailbox alone has nobody to wait for. */
export function rescueStranded(draft: Draft, causedBy: number, { callId }: Pick<CallEvent, 'callId'>): void {
  const call = get(draft.state.calls, callId)
  if (call === undefined) return
  if (call.conferenceId !== null) return letGo(draft, call, causedBy)
  if (isInternal(call)) return endStranded(draft, call, causedBy)
  const others = call.connections.filter((c) => c.state !== 'failed' && takesPart(c))
  const [only] = others
  const stranded = others.length === 1 && only?.party.kind === 'outside' && only.state === 'connected'
  if (stranded) toHead(draft, call, causedBy)
  // Whoever has a message, or is about to have a caller who kept their place dialled, is not alone by mistake.
  else if (only !== undefined && others.length === 1 && ((only.party.kind === 'agent' && !isKept(call)) || boxOf(only.party) !== null))
    endStranded(draft, call, causedBy)
}

/** A colleague who is alone in a conference waits for the others; somebody from outside whom they have left is let go. */
function letGo(draft: Draft, call: Call, causedBy: number): void {
  const [only, more] = call.connections.filter((c) => c.state !== 'failed' && takesPart(c))
  if (only?.party.kind === 'outside' && more === undefined) endStranded(draft, call, causedBy)
}

/** Whoever dialled sees what became of it, and hangs up; nobody else waits for anything. */
function endStranded(draft: Draft, call: Call, causedBy: number | null): void {
  const [only, more] = call.connections.filter(takesPart)
  if (only === undefined || more !== undefined || only.state === 'initiated') return
  const cleared = services.clearConnection(call, only.deviceId, 'lastParty')
  if (cleared.ok) emit(draft, causedBy, ...cleared.events)
}

/** Whoever is alone on a line of the queue's waits for the next one, before all others. */
export function toHead(draft: Draft, call: Call, causedBy: number | null): void {
  if (isInternal(call)) return endStranded(draft, call, causedBy)

  for (const c of call.connections)
    if (c.state === 'failed' && connectionOf(must(draft.state.calls, call.id), c.deviceId))
      emit(draft, causedBy, { kind: 'connectionCleared', callId: call.id, deviceId: c.deviceId, cause: 'failed' })
  emit(draft, causedBy, { kind: 'connectionQueued', callId: call.id, queueId: queueFor(draft, call), place: 'head' })
}

/** A call that came through no queue is caught by the one that is served first. */
function queueFor({ state }: Draft, call: Call): QueueId {
  if (call.queueId !== null) return call.queueId
  let first: QueueId | null = null
  let headStartMs = -1
  for (const [id, rules] of routingRules(state.setUp, state.storm).queues)
    if (rules.headStartMs > headStartMs) {
      first = id
      headStartMs = rules.headStartMs
    }
  if (first === null) throw new Error('a set-up has at least one queue')
  return first
}
