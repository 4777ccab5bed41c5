// An outcome taken back at once, and another code for a call that is coded: by the agent within the shift, by a supervisor at any time. Both codes stay in the
// ledger. What followed from the earlier code stands: it has lists of its own, in which it is changed.
import type { Agent } from '@/core/agents'
import { codesFor } from '@/core/outcomes'
import { noAccount, unentitled } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { keepOwedLimit } from '@/core/rules/shift'
import { behalfOfRecord, outcomeSetFor } from '@/core/set-up'
import { codedBySomebody, codedKey, type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'
import { withdraw } from './consequences'
import { beginWrapUp } from './wrap-up'

/**
 * An outcome pressed by mistake, within the grace: the call owes it again, with what was written, and what followed is withdrawn. Refused:
 * outcomeStands when the grace is over, or another call has begun.
 */
export function takeBackOutcome(draft: Draft, agent: Agent, { callId }: Of<'takeBackOutcome'>): Ruling {
  const last = get(draft.state.lately, agent.id)
  const over = last === undefined || last.work.id !== callId || draft.atMs - last.savedAtMs > draft.state.setUp.takeBackMs
  if (over || agent.engagements.length > 0) return refuse({ reason: 'outcomeStands' })
  emit(draft, null, { kind: 'outcomeTakenBack', callId, agentId: agent.id })
  withdraw(draft, agent, last.work, draft.state.seq)
  if (last.inWrapUp) beginWrapUp(draft, draft.state.seq, agent.id, last.work)
  else emit(draft, draft.state.seq, { kind: 'outcomeOwed', agentId: agent.id, callId, because: 'leftForLater' })
  keepOwedLimit(draft, agent.id)
  return null
}

/**
 * A call of this shift is known to the floor; of an earlier one the command says which queue and code it had. Refused:
 * noSuchAccount, notYoursToCorrect, unknownCode, codeUnchanged, whyMissing.
 */
export function correctOutcome(draft: Draft, command: Of<'correctOutcome'>): Ruling {
  const { agentId, callId, why } = command
  const known = get(draft.state.coded, codedKey(callId, agentId)) ?? codedBySomebody(draft.state, callId)
  const refused = noAccount(draft.state, agentId)
  if (refused !== null) return refused
  if (known?.agentId !== agentId && unentitled(draft.state, agentId, 'supervision') !== null) return refuse({ reason: 'notYoursToCorrect' })
  const { campaigns } = draft.state.setUp
  const { queueId, campaignId, was, dialled } =
    known === undefined
      ? {
          ...behalfOfRecord(campaigns, { ...command, campaignId: command.campaignId ?? null }),
          was: command.was,
          dialled: command.direction !== 'inbound',
        }
      : { ...known, was: known.code }
  if (queueId !== null && !draft.state.setUp.queues.some((q) => q.id === queueId)) return refuse({ reason: 'targetUnknown' })
  const campaignHere = campaigns.some((c) => c.id === campaignId) ? campaignId : null
  const code = codesFor(outcomeSetFor(draft.state.setUp, { queueId, campaignId: campaignHere }), dialled).find((c) => c.code === command.code)
  if (code === undefined) return refuse({ reason: 'unknownCode', code: command.code })
  if (was === code.code) return refuse({ reason: 'codeUnchanged' })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  return emit(draft, null, { kind: 'outcomeCorrected', callId, byAgentId: agentId, queueId, code: code.code, was, why: why.trim() })
}
