// How long calls of a campaign take: talks with the right person, all other talks, and what is done after them.
import type { CampaignId } from '@/core/ids'
import { isHandling } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import { type CallsBlock, listWords, placeAt, recordAt } from './columns'
import { rowsIn } from './tally'

export interface Handling {
  /** Milliseconds, of the latest calls. */
  readonly talks: { readonly right: readonly number[]; readonly other: readonly number[] }
  readonly wraps: readonly number[]
}

/** More say nothing more of how long calls are. */
const MOST = 2_000

export function handlingOf(
  blocks: readonly CallsBlock[],
  span: { readonly fromMs: number; readonly toMs: number },
  campaignId: CampaignId,
  setUp: SetUp,
): Handling {
  const setId = setUp.campaigns.find((c) => c.id === campaignId)?.outcomeSetId
  const rightParty = new Set((setUp.outcomeSets.find((s) => s.id === setId)?.codes ?? []).flatMap((c) => (c.counts.rightParty ? [c.code] : [])))
  const [right, other, wraps]: [number[], number[], number[]] = [[], [], []]
  for (const block of blocks.toReversed()) {
    if (block.campaignId === undefined) continue
    const place = listWords(block.campaignId).indexOf(campaignId)
    if (place < 0) continue
    const [from, to] = rowsIn(block, span)
    for (let row = to - 1; row >= from && wraps.length < MOST; row--) {
      if (placeAt(block.campaignId, row) !== place) continue
      const { result, outcome, agents } = recordAt(block, row)
      const leg = agents.find(isHandling)
      if (result !== 'handled' || leg === undefined || outcome === null) continue
      const to = rightParty.has(outcome) ? right : other
      to.push(leg.talkMs + leg.holdMs)
      wraps.push(leg.wrapUpMs)
    }
  }
  return { talks: { right, other }, wraps }
}
