// What is owed, and when owing too much keeps an agent from going ready.
import type { Agent } from '@/core/agents'
import type { AgentId } from '@/core/ids'
import { OUTCOME_OWED, type SetUp } from '@/core/set-up'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get } from '@/core/table'

/** More is owed by now than the centre allows. */
export const isOverOwed = ({ agents, setUp }: FloorState, agentId: AgentId): boolean => (get(agents, agentId)?.owed.length ?? 0) > setUp.mostOwed

/** Who owes more than the centre allows gets no further call until it is less. */
export function keepOwedLimit(draft: Draft, agentId: AgentId): void {
  if (isOverOwed(draft.state, agentId)) setNotReady(draft, agentId)
}

/** What an agent chose for afterwards stands: only who would be ready is set not ready. */
export function setNotReady(draft: Draft, agentId: AgentId): void {
  if (get(draft.state.agents, agentId)?.availability.ready) emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId, reason: OUTCOME_OWED })
}

/** Whether going ready would leave more owed than the centre allows: within a call what is owed by now, otherwise the wrap-up as well. */
export const owesTooMuch = ({ mostOwed }: SetUp, { engagements, wrapUps, owed }: Agent): boolean =>
  owed.length + (engagements.length === 0 ? wrapUps.length : 0) > mostOwed

/** Wrap-ups that are on are left for later. */
export function leaveForLater(draft: Draft, agent: Agent): void {
  for (const { callId } of agent.wrapUps) emit(draft, null, { kind: 'outcomeOwed', agentId: agent.id, callId, because: 'leftForLater' })
}
