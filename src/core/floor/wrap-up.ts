// Rules of wrap-up and of what is owed without one: how it begins, its limit and its one extension, and when owing too much
// keeps an agent from going ready.
import type { Agent } from '@/core/agents'
import { type Contact, queueOfPart } from '@/core/contacts'
import type { AgentId } from '@/core/ids'
import { agentSetUp, OUTCOME_OWED, queueSetUp, type SetUp } from '@/core/set-up'
import { get } from '@/core/table'
import type { AgentCommand } from './command'
import { type Draft, emit, type Ruling, refuse } from './draft'
import type { FloorState } from './state'

/** Wrap-up after a call that no queue gives times for. */
const OUTSIDE = { recommendedWrapUpMs: 30_000, overWrapUpMs: 60_000, wrapUpLimit: null }

const wrapUpRules = (setUp: SetUp, contact: Contact, agentId: AgentId) => {
  const queueId = queueOfPart(contact, agentId)
  return queueId === null ? OUTSIDE : queueSetUp(setUp, queueId)
}

/** The call is over for this agent and not coded: it is wrapped up, or only owed where they take no wrap-up. */
export function beginWrapUp(draft: Draft, causedBy: number, agentId: AgentId, contact: Contact): void {
  const { callId } = contact
  if (!agentSetUp(draft.state.setUp, agentId).takesWrapUp) {
    emit(draft, causedBy, { kind: 'outcomeOwed', agentId, callId, because: 'noWrapUp' })
    return keepOwedLimit(draft, agentId)
  }
  const { recommendedWrapUpMs, overWrapUpMs, wrapUpLimit } = wrapUpRules(draft.state.setUp, contact, agentId)
  const times = { recommendedMs: recommendedWrapUpMs, overMs: overWrapUpMs, limitMs: wrapUpLimit?.afterMs ?? null }
  emit(draft, causedBy, { kind: 'wrapUpStarted', agentId, callId, ...times })
}

/** A wrap-up over its limit: the call owes its outcome from now on, and the queue says how the agent goes on. */
export function endAtLimit(draft: Draft, agentId: AgentId, callId: Contact['callId']): void {
  const contact = get(draft.state.contacts, callId)
  if (contact === undefined) return
  emit(draft, null, { kind: 'outcomeOwed', agentId, callId, because: 'limit' })
  const andThen = wrapUpRules(draft.state.setUp, contact, agentId).wrapUpLimit?.andThen ?? 'ready'
  if (andThen === 'notReady') setNotReady(draft, agentId)
  else keepOwedLimit(draft, agentId)
}

/** More is owed by now than the centre allows. */
export const isOverOwed = ({ agents, setUp }: FloorState, agentId: AgentId): boolean => (get(agents, agentId)?.owed.length ?? 0) > setUp.mostOwed

/** Who owes more than the centre allows gets no further call until it is less. */
export function keepOwedLimit(draft: Draft, agentId: AgentId): void {
  if (isOverOwed(draft.state, agentId)) setNotReady(draft, agentId)
}

/** What an agent chose for afterwards stands: only who would be ready is set not ready. */
function setNotReady(draft: Draft, agentId: AgentId): void {
  if (get(draft.state.agents, agentId)?.availability.ready) emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId, reason: OUTCOME_OWED })
}

/** Whether going ready would leave more owed than the centre allows: within a call what is owed by now, otherwise the wrap-up as well. */
export const owesTooMuch = ({ mostOwed }: SetUp, { engagements, wrapUps, owed }: Agent): boolean =>
  owed.length + (engagements.length === 0 ? wrapUps.length : 0) > mostOwed

/** Wrap-ups that are on are left for later. */
export function leaveForLater(draft: Draft, agent: Agent): void {
  for (const { callId } of agent.wrapUps) emit(draft, null, { kind: 'outcomeOwed', agentId: agent.id, callId, because: 'leftForLater' })
}

/** Refused: notYourCall without a wrap-up of it; wrapUpHasNoLimit, alreadyExtended, whyMissing. */
export function extendWrapUp(draft: Draft, agent: Agent, contact: Contact, { why }: Extract<AgentCommand, { kind: 'extendWrapUp' }>): Ruling {
  const wrapUp = agent.wrapUps.find((w) => w.callId === contact.callId)
  if (wrapUp === undefined) return refuse({ reason: 'notYourCall' })
  const byMs = wrapUpRules(draft.state.setUp, contact, agent.id).wrapUpLimit?.extensionMs ?? 0
  if (wrapUp.limitMs === null || byMs === 0) return refuse({ reason: 'wrapUpHasNoLimit' })
  if (wrapUp.extended !== null) return refuse({ reason: 'alreadyExtended' })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  return emit(draft, null, { kind: 'wrapUpExtended', agentId: agent.id, callId: contact.callId, byMs, why: why.trim() })
}
