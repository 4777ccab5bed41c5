// Campaigns in words: their states and manners, and what becomes of a record.
import type { CampaignState, RecordState } from '@/core/campaigns'
import type { OutcomeCode } from '@/core/outcomes'
import type { Manner } from '@/core/set-up'
import { type OfCampaign, triesOf } from '@/core/work'
import type { CampaignView } from '@/services/exchange/protocol'

export const CAMPAIGN_STATE_WORDS: Readonly<Record<CampaignState, string>> = { draft: 'Draft', running: 'Running', paused: 'Paused', finished: 'Finished' }

export const MANNER_WORDS: Readonly<Record<Manner, string>> = { preview: 'Preview', progressive: 'Progressive', predictive: 'Predictive' }

/** What the manner means for whoever works it. */
export const MANNER_MEANS: Readonly<Record<Manner, string>> = {
  preview: 'you see each record before it is called',
  progressive: 'one person is called for each agent who is free',
  predictive: 'people are called ahead of agents becoming free',
}

export const RECORD_STATE_WORDS: Readonly<Record<RecordState, string>> = {
  fresh: 'Not tried yet',
  inProgress: 'Under way',
  again: 'To be tried again',
  callback: 'Callback promised',
  final: 'Done',
  never: 'Never to be called',
  invalid: 'No number in use',
  waitingForHours: 'Waiting for its hours',
}

/** How many may still be called; null while the lists have not been heard of. */
export const leftIn = ({ left }: Pick<CampaignView, 'left'>): number | null =>
  left === null ? null : left.states.fresh + left.states.again + left.states.waitingForHours

export const percent = (share: number): string => `${(Math.round(share * 1000) / 10).toLocaleString('en-GB')} %`

/** What saving a code will do to the record, as the rules stand. */
export function becomesWords({ follows, counts }: Pick<OutcomeCode, 'follows' | 'counts'>, campaign: Pick<OfCampaign, 'record' | 'attemptId'>): string {
  const tries = triesOf(campaign)
  switch (follows.kind) {
    case 'retry':
      return tries >= follows.atMost
        ? `This was try ${tries} of ${follows.atMost}: the record is done.`
        : `The dialer tries again in ${spanWords(follows.afterMs)} at the earliest. ${campaign.attemptId === null ? `They were called ${tries === 1 ? 'once' : `${tries} times`} so far.` : `This was try ${tries} of ${follows.atMost}.`}`
    case 'callback':
      return 'The dialer leaves the record alone until the callback has been made.'
    case 'neverCall':
      return 'The record is never called again.'
    case 'wrongNumber':
      return 'This number is struck from the record. If it has another one, that is tried next.'
    default:
      return counts.final ? 'The record is done: the campaign does not call it again.' : 'The campaign’s own rules say when it is tried again.'
  }
}

const spanWords = (ms: number): string => (ms >= 3_600_000 ? `${Math.round((ms / 3_600_000) * 10) / 10} h` : `${Math.round(ms / 60_000)} min`)
