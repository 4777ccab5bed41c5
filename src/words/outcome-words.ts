// Outcome codes and results in words.
import type { AttemptResult } from '@/core/campaigns'
import type { CallRecord, CallResult } from '@/core/ledger'
import type { OutcomeSet } from '@/core/outcomes'
import type { CentreView } from '@/exchange/protocol'

/** Of a call of a queue, of a campaign, or of neither. */
export function outcomeSetOf(
  centre: CentreView,
  { queueId, campaignId }: { readonly queueId: string | null; readonly campaignId: string | null },
): OutcomeSet | undefined {
  const of = centre.campaigns.find((c) => c.id === campaignId) ?? [...centre.queues, ...centre.formerQueues].find((q) => q.id === queueId)
  const id = of?.outcomeSetId ?? centre.outsideOutcomeSetId
  return centre.outcomeSets.find((s) => s.id === id)
}

/** By the set of the call's queue; a queue may have had another set when the call was coded, and codes are in one of them for good. */
export function outcomeLabel(centre: CentreView, { queueId, campaignId, outcome }: Pick<CallRecord, 'queueId' | 'campaignId' | 'outcome'>): string {
  if (outcome === null) return 'No outcome yet'
  const own = outcomeSetOf(centre, { queueId, campaignId })?.codes ?? []
  const all = centre.outcomeSets.flatMap((s) => s.codes)
  return [...own, ...all].find((c) => c.code === outcome)?.label ?? outcome
}

export const ATTEMPT_WORDS: Readonly<Record<AttemptResult, string>> = {
  live: 'a person, put through',
  machine: 'a machine',
  busy: 'busy',
  noAnswer: 'no answer',
  invalid: 'no number in use',
  refused: 'refused',
  abandoned: 'a person, whom nobody could take in time',
  cancelled: 'given up before anything came of it',
}

export const RESULT_WORDS: Record<CallResult, string> = {
  underWay: 'Under way',
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

/** What every code is called, by code: codes are in one set for good. */
export const outcomeLabels = (centre: CentreView): Readonly<Record<string, string>> =>
  Object.fromEntries(centre.outcomeSets.flatMap((s) => s.codes.map((c) => [c.code, c.label])))

export const resultWords = (result: CallResult): string => RESULT_WORDS[result]
