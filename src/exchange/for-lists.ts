// What the floor tells the lists, over a port that a tab has brought.
import type { DoNotCallEntry } from '@/core/do-not-call'
import type { CampaignId } from '@/core/ids'
import type { CampaignSetUp } from '@/core/set-up'
import type { FloorForHistory } from './for-history'
import type { Left } from './list-feed'

export interface FloorForLists extends FloorForHistory {
  campaigns(): readonly CampaignSetUp[]
  nowMs(): number
  homeCountry(): string
  running(): readonly CampaignId[]
  /** The do-not-call list as it is now. */
  doNotCall(): readonly DoNotCallEntry[]
  /** How many stand where, as often as that changes. */
  figuresAre(figures: readonly (Left & { readonly campaignId: CampaignId })[]): void
}
