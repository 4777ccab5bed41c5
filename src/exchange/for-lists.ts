// What the floor tells the lists, over a port that a tab has brought.
import type { CampaignId } from '@/core/ids'
import type { CampaignSetUp } from '@/core/set-up'
import type { FloorForHistory } from './for-history'
import type { Left } from './list-feed'

export interface FloorForLists extends FloorForHistory {
  campaigns(): readonly CampaignSetUp[]
  nowMs(): number
  homeCountry(): string
  running(): readonly CampaignId[]
  /** Of each of these, whether they are on the do-not-call list, by name or by any of their numbers. */
  listed(people: readonly { readonly person: string; readonly numbers: readonly string[] }[]): readonly boolean[]
  /** How many stand where, as often as that changes. */
  figuresAre(figures: readonly (Left & { readonly campaignId: CampaignId })[]): void
}
