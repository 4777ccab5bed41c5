// What the floor tells the lists, over a port that a tab has brought.
import type { DoNotCallEntry } from '@/core/do-not-call'
import type { CampaignId } from '@/core/ids'
import type { CodeCounts } from '@/core/reports'
import type { CampaignSetUp, SetUp } from '@/core/set-up'
import { type FloorForHistory, FOR_HISTORY } from './for-history'
import type { Left } from './list-feed'

export interface FloorForLists extends FloorForHistory {
  campaigns(): readonly CampaignSetUp[]
  nowMs(): number
  homeCountry(): string
  running(): readonly CampaignId[]
  /** The do-not-call list as it is now. */
  doNotCall(): readonly DoNotCallEntry[]
  /** Codes of each campaign, and what they count as. */
  counts(): Readonly<Record<string, Readonly<Record<string, CodeCounts>>>>
  /** How many stand where, as often as that changes. */
  figuresAre(figures: readonly (Left & { readonly campaignId: CampaignId })[]): void
}

/** What is answered over the port. */
export const FOR_LISTS = [
  ...FOR_HISTORY,
  'campaigns',
  'nowMs',
  'homeCountry',
  'running',
  'doNotCall',
  'counts',
  'figuresAre',
] as const satisfies readonly (keyof FloorForLists)[]

export const countsOfCampaigns = (setUp: SetUp): ReturnType<FloorForLists['counts']> =>
  Object.fromEntries(
    setUp.campaigns.map((campaign) => {
      const codes = setUp.outcomeSets.find((set) => set.id === campaign.outcomeSetId)?.codes ?? []
      return [campaign.id, Object.fromEntries(codes.map(({ code, counts: { rightParty, conversion } }) => [code, { rightParty, conversion }]))]
    }),
  )
