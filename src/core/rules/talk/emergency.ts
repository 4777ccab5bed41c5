// The emergency services are called whatever else stands in the way of a call, and whoever answers for the floor is told at once.
import type { Agent } from '@/core/agents'
import type { Party, Target } from '@/core/calls'
import { isEmergency, readDialled } from '@/core/directory'
import type { AgentId, CallId } from '@/core/ids'
import { openAccount } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { busyOnCall, leaveForLater } from '@/core/rules/shift'
import { agentName } from '@/core/set-up'
import { type Draft, emit, type FloorState, nextCallId } from '@/core/state'
import { get, must } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Neither an entitlement, nor the do-not-call list, nor an outcome that is owed is asked for. Refused: callUnderWay, callRings. */
export function dialEmergency(draft: Draft, agent: Agent, number: string): Ruling {
  const refused = busyOnCall(draft.state, agent)
  if (refused !== null) return refused
  leaveForLater(draft, agent)
  const callId = nextCallId(draft.state)
  const whom = { number, customer: null, queueId: null, extension: null, ofCampaign: false } as const
  emit(draft, null, { kind: 'callOriginated', callId, agentId: agent.id, ...whom })
  return tellFloor(draft, agent.id, callId)
}

/**
 * From a page without a shift: one without queues begins, or the one that is at another desk goes on here. Refused: noSuchAccount, notEmergencyNumber, and as
 * dialling is.
 */
export function callEmergency(draft: Draft, { agentId, typed }: Of<'callEmergency'>): Ruling {
  const { setUp, agents } = draft.state
  if (openAccount(setUp, agentId) === undefined) return refuse({ reason: 'noSuchAccount' })
  const number = emergencyIn(typed, setUp.homeCountry)
  if (number === null) return refuse({ reason: 'notEmergencyNumber', typed })
  const shift = get(agents, agentId)?.shift
  if (shift?.seat === 'standIn') return refuse({ reason: 'seatTaken', name: agentName(setUp, agentId), seat: shift.seat })
  if (shift == null) emit(draft, null, { kind: 'shiftStarted', agentId, queueIds: [], campaignId: null, seat: 'desk', soundPath: 'computer' })
  return dialEmergency(draft, must(draft.state.agents, agentId), number)
}

/** Help with that call is asked for in the agent's name, where it is with the emergency services. */
export const tellOfEmergency = (draft: Draft, agentId: AgentId, callId: CallId, party: Party): null =>
  party.kind === 'outside' && party.number !== null && isEmergency(party.number, draft.state.setUp.homeCountry) ? tellFloor(draft, agentId, callId) : null

function tellFloor(draft: Draft, agentId: AgentId, callId: CallId): null {
  if (must(draft.state.agents, agentId).help?.callId !== callId) emit(draft, null, { kind: 'helpAsked', agentId, callId })
  return null
}

export const isUrgent = ({ setUp }: Pick<FloorState, 'setUp'>, target: Target): boolean =>
  target.kind === 'number' && emergencyIn(target.typed, setUp.homeCountry) !== null

/** The number of the emergency services that was typed, as it is dialled; null where it is none. */
export function emergencyIn(typed: string, homeCountry: string): string | null {
  const reading = readDialled(typed, homeCountry)
  return reading.ok && reading.number.kind === 'emergency' ? reading.number.e164 : null
}
