// Outcome codes and results in words.
import type { CallRecord, CallResult } from '@/core/ledger'
import type { OutcomeSet } from '@/core/outcomes'
import type { CentreView } from '@/exchange/protocol'

export function outcomeSetOf(centre: CentreView, queueName: string | null): OutcomeSet | undefined {
  const id = centre.queues.find((q) => q.name === queueName)?.outcomeSetId ?? centre.outsideOutcomeSetId
  return centre.outcomeSets.find((s) => s.id === id)
}

export const outcomeLabel = (centre: CentreView, record: Pick<CallRecord, 'queue' | 'outcome'>): string =>
  outcomeSetOf(centre, record.queue)?.codes.find((c) => c.code === record.outcome)?.label ?? record.outcome ?? 'No outcome yet'

const RESULT_WORDS: Record<CallResult, string> = {
  handled: 'Handled',
  abandoned: 'Gave up waiting',
  voicemail: 'Voicemail',
  diverted: 'Diverted',
  busy: 'Busy',
  noAnswer: 'No answer',
  machine: 'Answering machine',
  invalid: 'Not in use',
  refused: 'Refused',
}

export const resultWords = (result: CallResult): string => RESULT_WORDS[result]
