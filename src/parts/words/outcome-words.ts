// Outcome codes and results in words.
import type { AttemptResult } from '@/core/campaigns'
import type { CallRecord, CallResult } from '@/core/ledger'
import type { OutcomeSet } from '@/core/outcomes'
import { type Behalf, behalfOfRecord } from '@/core/set-up'
import type { CentreView } from '@/services/exchange/protocol'

/** On whose business it is: a queue's, a campaign's, or nobody's. */
export function outcomeSetOf(centre: CentreView, { queueId, campaignId }: Behalf): OutcomeSet | undefined {
  const of = centre.campaigns.find((c) => c.id === campaignId) ?? [...centre.queues, ...centre.formerQueues].find((q) => q.id === queueId)
  const id = of?.outcomeSetId ?? centre.outsideOutcomeSetId
  return centre.outcomeSets.find((s) => s.id === id)
}

export const outcomeSetOfRecord = (centre: CentreView, record: Pick<CallRecord, 'queueId' | 'campaignId' | 'direction'>): OutcomeSet | undefined =>
  outcomeSetOf(centre, behalfOfRecord(centre.campaigns, record))

/** By the set of the call's queue or campaign; a queue may have had another set when the call was coded, and codes are in one of them for good. */
export function outcomeLabel(centre: CentreView, record: Pick<CallRecord, 'queueId' | 'campaignId' | 'direction' | 'outcome'>): string {
  const { outcome } = record
  if (outcome === null) return 'No outcome yet'
  const own = outcomeSetOfRecord(centre, record)?.codes ?? []
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
  abandoned: 'Abandoned',
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

/** For which queue or campaign a call was, or why it was for none. */
export const behalfWords = ({ queue, campaign, direction, result }: Pick<CallRecord, 'queue' | 'campaign' | 'direction' | 'result'>): string =>
  queue ??
  campaign ??
  (direction === 'inbound' ? (result === 'voicemail' ? 'to a mailbox' : 'to a conference') : direction === 'internal' ? 'between colleagues' : 'dialled by us')

export const resultWords = (result: CallResult): string => RESULT_WORDS[result]
