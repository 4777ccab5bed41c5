// Rules of wrap-up: how it begins, its limit and its one extension.
import type { Agent } from '@/core/agents'
import type { AgentId, WorkId } from '@/core/ids'
import { refuse } from '@/core/rules/rule'
import { keepOwedLimit, setNotReady } from '@/core/rules/shift'
import { agentSetUp, rulesOfBehalf, type SetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import { behalfOfPart, type Work } from '@/core/work'
import type { Of, Ruling } from './commands'

/** Wrap-up after a call that no queue gives times for. */
const OUTSIDE = { recommendedWrapUpMs: 30_000, overWrapUpMs: 60_000, wrapUpLimit: null }

const wrapUpRules = (setUp: SetUp, work: Work, agentId: AgentId) => rulesOfBehalf(setUp, behalfOfPart(work, agentId)) ?? OUTSIDE

/** The call is over for this agent and not coded: it is wrapped up, or only owed where they take no wrap-up. */
export function beginWrapUp(draft: Draft, causedBy: number, agentId: AgentId, work: Work): void {
  const { id: callId } = work
  if (!agentSetUp(draft.state.setUp, agentId).takesWrapUp) {
    emit(draft, causedBy, { kind: 'outcomeOwed', agentId, callId, because: 'noWrapUp' })
    return keepOwedLimit(draft, agentId)
  }
  const { recommendedWrapUpMs, overWrapUpMs, wrapUpLimit } = wrapUpRules(draft.state.setUp, work, agentId)
  const times = { recommendedMs: recommendedWrapUpMs, overMs: overWrapUpMs, limitMs: wrapUpLimit?.afterMs ?? null }
  emit(draft, causedBy, { kind: 'wrapUpStarted', agentId, callId, ...times })
}

/** A wrap-up over its limit: the call owes its outcome from now on, and the queue says how the agent goes on. */
export function endAtLimit(draft: Draft, agentId: AgentId, callId: WorkId): void {
  const work = get(draft.state.work, callId)
  if (work === undefined) return
  emit(draft, null, { kind: 'outcomeOwed', agentId, callId, because: 'limit' })
  const andThen = wrapUpRules(draft.state.setUp, work, agentId).wrapUpLimit?.andThen ?? 'ready'
  if (andThen === 'notReady') setNotReady(draft, agentId)
  else keepOwedLimit(draft, agentId)
}

/** Refused: notYourCall without a wrap-up of it; wrapUpHasNoLimit, alreadyExtended, whyMissing. */
export function extendWrapUp(draft: Draft, agent: Agent, work: Work, { why }: Of<'extendWrapUp'>): Ruling {
  const wrapUp = agent.wrapUps.find((w) => w.callId === work.id)
  if (wrapUp === undefined) return refuse({ reason: 'notYourCall' })
  const byMs = wrapUpRules(draft.state.setUp, work, agent.id).wrapUpLimit?.extensionMs ?? 0
  if (wrapUp.limitMs === null || byMs === 0) return refuse({ reason: 'wrapUpHasNoLimit' })
  if (wrapUp.extended !== null) return refuse({ reason: 'alreadyExtended' })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  return emit(draft, null, { kind: 'wrapUpExtended', agentId: agent.id, callId: work.id, byMs, why: why.trim() })
}
