// A second line about the first: consulting, going to and fro, and joining the two (ECMA-269, 17.1: Consultation Call,
// Alternate Call, Reconnect Call, Conference Call, Transfer Call, Single Step Conference Call).
import type { Agent } from '@/core/agents'
import { agentConnection, type Call, isOnLine, services, takesPart } from '@/core/calls'
import { type CallId, deviceOfAgent } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { type Draft, emit, nextCallId, partyName, partyOfCall } from '@/core/state'
import { get, must } from '@/core/table'
import type { Of, Ruling } from './commands'
import { isUrgent, tellOfEmergency } from './emergency'
import { reach } from './reach'

/**
 * Consultation Call: the first party is put on hold and a second call is opened to the target. A target that cannot be had
 * is shown on that second call as failed, the first party untouched; a new try takes the place of the failed one. Refused:
 * notOnCall, consultUnderWay, nobodyToConsultAbout, and what reaching the target refuses.
 */
export function consult(draft: Draft, agent: Agent, call: Call, { target }: Of<'consult'>): Ruling {
  const mine = services.ownEnd(call, agent.id)
  if (mine === undefined) return refuse({ reason: 'notOnCall' })
  if (call.consultFor !== null) return refuse({ reason: 'consultUnderWay' })
  if (!call.connections.some((c) => c !== mine && isOnLine(c))) return refuse({ reason: 'nobodyToConsultAbout' })
  if (target.kind === 'voicemail' || target.kind === 'queueVoicemail') return refuse({ reason: 'targetNotForThis', what: target.kind })
  const former = consultOf(draft, agent, call.id)
  if (former !== undefined && !hasFailed(former)) return refuse({ reason: 'consultUnderWay' })
  const heard = heardBesides(draft, agent, [call.id, ...(former === undefined ? [] : [former.id])])
  if (heard !== null) return heard
  const callId = nextCallId(draft.state)
  const reaching = reach(draft, agent.id, { id: callId, outsideCount: 0, connections: call.connections }, target, 'talk')
  if (!reaching.ok) return refuse(reaching.refusal)
  if (mine.state === 'connected') {
    const held = services.hold(call, agent.id)
    if (!held.ok) return refuse(held.refusal)
    emit(draft, null, ...held.events)
  }
  if (former !== undefined) clearOwn(draft, agent, former)
  emit(draft, null, { kind: 'consultationOriginated', callId, agentId: agent.id, consultFor: call.id }, ...reaching.reached.events(callId))
  return tellOfEmergency(draft, agent.id, callId, reaching.reached.party)
}

/** Alternate Call: to this held call, the one that is heard now being held instead. With none heard it is a retrieve. */
export function alternate(draft: Draft, agent: Agent, call: Call): Ruling {
  const back = services.retrieve(call, agent.id)
  if (!back.ok) return refuse(back.refusal)
  const heard = heardCall(draft, agent)
  if (heard !== undefined) {
    const held = services.hold(heard, agent.id)
    if (held.ok) emit(draft, null, ...held.events)
    // Nobody is there yet to be held: that attempt ends instead, as when a telephone is put down on ringing.
    else clearOwn(draft, agent, heard)
  }
  return emit(draft, null, ...back.events)
}

/** Reconnect Call: the second call ends and the first party is retrieved. Refused: notAConsult, notOnCall. */
export function endConsult(draft: Draft, agent: Agent, call: Call): Ruling {
  if (call.consultFor === null) return refuse({ reason: 'notAConsult' })
  if (agentConnection(call, agent.id) === undefined) return refuse({ reason: 'notOnCall' })
  clearOwn(draft, agent, call)
  const first = get(draft.state.calls, call.consultFor)
  if (first === undefined) return null
  const back = services.retrieve(first, agent.id)
  return back.ok ? emit(draft, null, ...back.events) : null
}

/** Conference Call: both lines become one; the agent stays. Refused: notEntitled, notAConsult, consultNotAnswered, callerIsGone. */
export function conference(draft: Draft, agent: Agent, call: Call): Ruling {
  const missing = unentitled(draft.state, agent.id, 'conference')
  if (missing !== null) return missing
  const first = firstOf(draft, agent, call)
  if (!first.ok) return first
  return emit(draft, null, { kind: 'callsJoined', callId: first.call.id, fromCallId: call.id, byAgentId: agent.id })
}

/** Transfer Call: both lines become one and the agent leaves it. Refused as conference is. */
export function completeTransfer(draft: Draft, agent: Agent, call: Call): Ruling {
  const first = firstOf(draft, agent, call)
  if (!first.ok) return first
  const mine = deviceOfAgent(agent.id)
  const to = call.connections.find((c) => c.deviceId !== mine && c.state === 'connected' && takesPart(c))
  if (to === undefined) return refuse({ reason: 'consultNotAnswered' })
  const { id: callId } = first.call
  return emit(
    draft,
    null,
    { kind: 'callsJoined', callId, fromCallId: call.id, byAgentId: agent.id },
    { kind: 'callTransferred', callId, how: 'attended', byAgentId: agent.id, toDeviceId: to.deviceId, to: to.party },
    { kind: 'connectionCleared', callId, deviceId: mine, cause: 'transferred' },
  )
}

/** Single Step Conference Call: the target is called into this call, which goes on meanwhile. Refused: notEntitled, and as reaching is. */
export function addParty(draft: Draft, agent: Agent, call: Call, { target }: Of<'addParty'>): Ruling {
  const missing = isUrgent(draft.state, target) ? null : unentitled(draft.state, agent.id, 'conference')
  if (missing !== null) return missing
  const mine = services.ownEnd(call, agent.id)
  if (mine === undefined) return refuse({ reason: 'notOnCall' })
  if (target.kind === 'queue' || target.kind === 'voicemail' || target.kind === 'queueVoicemail')
    return refuse({ reason: 'targetNotForThis', what: target.kind })
  const reaching = reach(draft, agent.id, call, target, 'talk')
  if (!reaching.ok) return refuse(reaching.refusal)
  const { party } = reaching.reached
  if (party.kind === 'queue') return refuse({ reason: 'targetNotForThis', what: party.kind })
  // Somebody who is there, or whose telephone rings already, is not called a second time.
  if (party.kind === 'outside' && call.connections.some((c) => c.party.kind === 'outside' && c.party.number === party.number && c.state !== 'failed'))
    return refuse({ reason: 'targetAlreadyThere', name: partyName(draft.state, party) })
  emit(draft, null, ...reaching.reached.events(call.id))
  return tellOfEmergency(draft, agent.id, call.id, party)
}

/** The call of an agent's that they hear now; listening in ends by itself when they take up a call of their own. */
function heardCall(draft: Draft, agent: Agent): Call | undefined {
  const heard = agent.engagements.find((e) => (e.state === 'connected' || e.state === 'initiated') && !e.listens)
  return heard && get(draft.state.calls, heard.callId)
}

/** An agent hears one call at a time: what would let another one be heard beside the allowed ones is refused. */
export function heardBesides(draft: Draft, agent: Agent, allowed: readonly CallId[]): Exclude<Ruling, null> | null {
  const heard = heardCall(draft, agent)
  if (heard === undefined || allowed.includes(heard.id)) return null
  return refuse({ reason: 'hearsAnotherCall', with: partyOfCall(draft.state, heard.id, agent.id) })
}

function consultOf(draft: Draft, agent: Agent, callId: CallId): Call | undefined {
  for (const engagement of agent.engagements) {
    const call = must(draft.state.calls, engagement.callId)
    if (call.consultFor === callId) return call
  }
  return undefined
}

const hasFailed = (call: Call): boolean => call.connections.some((c) => c.state === 'failed')

function firstOf(draft: Draft, agent: Agent, call: Call): { readonly ok: true; readonly call: Call } | Exclude<Ruling, null> {
  const mine = agentConnection(call, agent.id)
  if (call.consultFor === null) return refuse({ reason: 'notAConsult' })
  if (mine === undefined) return refuse({ reason: 'notOnCall' })
  if (!call.connections.some((c) => c !== mine && isOnLine(c))) return refuse({ reason: 'consultNotAnswered' })
  const first = get(draft.state.calls, call.consultFor)
  const there = first && agentConnection(first, agent.id)
  if (first === undefined || there === undefined || !isOnLine(there)) return refuse({ reason: 'callerIsGone' })
  return heardBesides(draft, agent, [call.id, first.id]) ?? { ok: true, call: first }
}

function clearOwn(draft: Draft, agent: Agent, call: Call): void {
  const cleared = services.clearConnection(call, deviceOfAgent(agent.id), 'hungUp')
  if (cleared.ok) emit(draft, null, ...cleared.events)
}
