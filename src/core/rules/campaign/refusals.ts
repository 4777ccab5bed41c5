// Why campaigns refuse, and what is said of it.
import type { CampaignState } from '@/core/campaigns'
import type { WordsOf } from '@/core/refusal'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'
import type { ShiftRefusal } from '@/core/rules/shift'

export type CampaignRefusal =
  | { readonly reason: 'campaignStateUnchanged'; readonly state: CampaignState }
  | { readonly reason: 'campaignUnsound'; readonly says: string; readonly cure: string }
  | { readonly reason: 'campaignNotRunning'; readonly name: string }
  | { readonly reason: 'noLineFree'; readonly lines: number }
  /** As people write it: pages that say it do not know every country's way. */
  | { readonly reason: 'numberBusy'; readonly number: string }
  | { readonly reason: 'outsideHours'; readonly number: string }
  | { readonly reason: 'agentNotFree' }
  | { readonly reason: 'nothingShown' }
  | { readonly reason: 'nothingNamed' }
  | { readonly reason: 'noSuchAttempt' }
  | { readonly reason: 'notInThatState' }

export type RulingRefusal = CampaignRefusal | RightsRefusal | AnyRefusal | ShiftRefusal

const STATE_WORDS: Readonly<Record<CampaignState, string>> = { draft: 'a draft', running: 'running', paused: 'paused', finished: 'finished' }

export const CAMPAIGN_WORDS: WordsOf<CampaignRefusal> = {
  campaignStateUnchanged: ({ state }) => ({ says: `The campaign is ${STATE_WORDS[state]} already.`, next: 'Look at its line for what may be done now.' }),
  campaignUnsound: ({ says, cure }) => ({ says, next: cure }),
  campaignNotRunning: ({ name }) => ({ says: `${name} is not running.`, next: 'A supervisor can start it under Campaigns.' }),
  noLineFree: ({ lines }) => ({ says: `All ${lines} lines of the campaign are in use.`, next: 'Wait until one is free.' }),
  numberBusy: ({ number }) => ({ says: `${number} is on a call of ours already.`, next: 'Wait until that call is over.' }),
  outsideHours: ({ number }) => ({
    says: `It is not an hour at which ${number} may be called.`,
    next: 'Skip; the record comes again in its hours.',
  }),
  agentNotFree: () => ({ says: 'That agent is not free for a record.', next: 'Wait until they are ready.' }),
  nothingShown: () => ({ says: 'No record is waiting for your decision any more.', next: 'Wait for the next one.' }),
  nothingNamed: () => ({ says: 'Nothing says which records are meant.', next: 'Choose a result, an outcome, a number of tries or an age.' }),
  noSuchAttempt: () => ({ says: 'That attempt is over.', next: 'Nothing needs to be done.' }),
  notInThatState: () => ({ says: 'That attempt is in another state by now.', next: 'Nothing needs to be done.' }),
}
