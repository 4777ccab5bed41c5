// Having somebody forgotten (GDPR, Art. 17), and what is older than it may be (Art. 5, 1 e). What is kept apart from the ledger is dropped by whoever keeps it.
import { keyOf } from '@/core/do-not-call'
import type { CallbackId, MessageId, TaskId } from '@/core/ids'
import { barred, type RightsRefusal } from '@/core/rules/rights'
import { type AnyRefusal, type Rules, type Ruling as RulingFor, refuse } from '@/core/rules/rule'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import type { EpochMs } from '@/core/time'
import type { Message } from '@/core/voicemail'
import type { PrivacyCommand, RetentionCommand } from './commands'
import type { PrivacyRefusal } from './refusals'

type Ruling = RulingFor<PrivacyRefusal | RightsRefusal | AnyRefusal>

/** Ids of what the ledger speaks of; what else something may be about is a number or a name itself. */
const IS_ID = /^(call|thread|message|callback|task|record|conference)_/

/**
 * Whatever is open about them is closed, and the event says which pieces name nobody any more. Whole or not at all. Refused: noSuchAccount, notEntitled,
 * nothingToForget, underWayWithThem.
 */
export function forgetPerson(draft: Draft, { agentId, about, listed }: PrivacyCommand): Ruling {
  const refused = barred(draft.state, agentId, 'forgetting')
  if (refused !== null) return refused
  const ids = [...new Set(about)].filter((id) => IS_ID.test(id))
  const entries = listed.filter((whom) => get(draft.state.doNotCall, keyOf(whom)) !== undefined)
  if (ids.length + entries.length === 0) return refuse({ reason: 'nothingToForget' })
  const what = underWay(draft.state, new Set(ids))
  if (what !== null) return refuse({ reason: 'underWayWithThem', what })
  for (const id of ids) {
    if (get(draft.state.callbacks, id as CallbackId) !== undefined)
      emit(draft, null, { kind: 'callbackClosed', callbackId: id as CallbackId, byAgentId: agentId, because: 'dropped', why: '' })
    if (get(draft.state.tasks, id as TaskId) !== undefined)
      emit(draft, null, { kind: 'taskClosed', taskId: id as TaskId, byAgentId: agentId, because: 'recoded' })
    if (get(draft.state.messages, id as MessageId) !== undefined) emit(draft, null, { kind: 'messagePurged', messageId: id as MessageId })
  }
  for (const whom of entries) emit(draft, null, { kind: 'doNotCallRemoved', whom, byAgentId: agentId, why: '', callId: null })
  return emit(draft, null, { kind: 'personForgotten', byAgentId: agentId, about: ids })
}

function underWay(state: FloorState, ids: ReadonlySet<string>): 'call' | 'written' | 'attempt' | null {
  for (const { id } of values(state.threads)) if (ids.has(id)) return 'written'
  for (const { id } of values(state.calls)) if (ids.has(id)) return 'call'
  for (const { id } of values(state.work)) if (ids.has(id)) return 'call'
  const called = [...values(state.attempts), ...values(state.previews)]
  return called.some(({ record }) => ids.has(record.recordId)) ? 'attempt' : null
}

/** Left before an instant, and no longer waiting to be called back: those that are purged once they are older than they may be. */
export const messagesBefore = ({ messages, work }: Pick<FloorState, 'messages' | 'work'>, beforeMs: EpochMs): readonly Message[] =>
  values(messages).filter((m) => m.beganAtMs < beforeMs && get(work, m.callId) === undefined)

/** Messages that were left before are purged; what else there is of that time is dropped by whoever keeps it. */
export function forgetDetails(draft: Draft, { what, beforeMs }: RetentionCommand): null {
  if (what === 'messages') for (const { id } of messagesBefore(draft.state, beforeMs)) emit(draft, null, { kind: 'messagePurged', messageId: id })
  return emit(draft, null, { kind: 'detailsForgotten', what, beforeMs })
}

export const PRIVACY_RULES: Rules<PrivacyCommand | RetentionCommand, PrivacyRefusal | RightsRefusal | AnyRefusal> = { forgetPerson, forgetDetails }
