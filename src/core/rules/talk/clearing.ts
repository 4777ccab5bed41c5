// Ends that can be taken back: for a few seconds they cut the ear and not the call. With no grace, for a stand-in's seat, or when nobody is
// at the other end they reach the network at once, and so they do when that is asked for. A second press of the same changes nothing.
import type { Agent } from '@/core/agents'
import { agentConnection, type Call, type CallDecision, type Clearing, isOnLine, services } from '@/core/calls'
import { type AgentId, type DeviceId, deviceOfAgent } from '@/core/ids'
import { refuse } from '@/core/rules/rule'
import { type Draft, emit } from '@/core/state'
import type { Ruling } from './commands'

/** Hang Up, Remove, End for everyone, Decline: decided as if at once, so that what is refused is refused before the grace. */
export function clear(draft: Draft, agent: Agent, call: Call, what: Clearing['what'], deviceId: DeviceId): Ruling {
  const pending = call.clearing
  if (pending !== null && (pending.what !== what || pending.deviceId !== deviceId)) return refuse({ reason: 'beingCleared' })
  const decision = carriedOut(draft, call, { what, byAgentId: agent.id, deviceId })
  if (!decision.ok) return refuse(decision.refusal)
  if (pending !== null) return null
  const { takeBackMs } = draft.state.setUp
  const atOnce = draft.atOnce || takeBackMs === 0 || agent.shift?.seat === 'standIn' || nobodyThere(call, agent.id, what, deviceId)
  if (atOnce) return emit(draft, null, ...decision.events)
  return emit(draft, null, { kind: 'clearRequested', callId: call.id, deviceId, byAgentId: agent.id, what, dueAtMs: draft.atMs + takeBackMs })
}

/** The grace is over, or what was meant has been confirmed by coding the call. */
export function carryOutClearing(draft: Draft, call: Call): void {
  if (call.clearing === null) return
  const decision = carriedOut(draft, call, call.clearing)
  // What was right when it was asked for may have passed by: then there is nothing left to clear.
  const events = decision.ok ? decision.events : [{ kind: 'clearTakenBack' as const, callId: call.id, byAgentId: call.clearing.byAgentId }]
  emit(draft, null, ...events)
}

/** What is being ended is ended now. Refused: nothingToTakeBack. */
export function endNow(draft: Draft, agent: Agent, call: Call): Ruling {
  if (call.clearing?.byAgentId !== agent.id) return refuse({ reason: 'nothingToTakeBack' })
  carryOutClearing(draft, call)
  return null
}

/** Take back: the call is as it was before the press. Refused: nothingToTakeBack. */
export function takeBack(draft: Draft, agent: Agent, call: Call): Ruling {
  if (call.clearing?.byAgentId !== agent.id) return refuse({ reason: 'nothingToTakeBack' })
  return emit(draft, null, { kind: 'clearTakenBack', callId: call.id, byAgentId: agent.id })
}

function carriedOut(draft: Draft, call: Call, { what, byAgentId, deviceId }: Pick<Clearing, 'what' | 'byAgentId' | 'deviceId'>): CallDecision {
  switch (what) {
    case 'hangUp':
      return services.leave(call, byAgentId, draft.state.setUp.outsidersMayStay)
    case 'remove':
      return services.removeParty(call, byAgentId, deviceId)
    case 'endForEveryone':
      return services.endForEveryone(call, byAgentId)
    case 'decline':
      return declined(call, byAgentId)
  }
}

/** A queue or a sender takes a declined call back; whoever consults is told that it was refused. */
function declined(call: Call, agentId: AgentId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine?.state !== 'alerting') return { ok: false, refusal: { reason: 'notRinging' } }
  if (!services.isAwaited(call, mine)) return services.clearConnection(call, mine.deviceId, 'declined')
  return { ok: true, events: [{ kind: 'connectionFailed', callId: call.id, deviceId: mine.deviceId, party: mine.party, failure: 'refused' }] }
}

/** Nobody is cut off by mistake where nobody is: a number that only rings, a failed attempt, an end that hung up. */
function nobodyThere(call: Call, agentId: AgentId, what: Clearing['what'], deviceId: DeviceId): boolean {
  if (what === 'decline') return false
  if (what === 'remove') return !call.connections.some((c) => c.deviceId === deviceId && isOnLine(c))
  const mine = deviceOfAgent(agentId)
  return !call.connections.some((c) => c.deviceId !== mine && isOnLine(c))
}
