// What a campaign has met: how many of those it called answered, how long they were talked with.
import { useCallback, useMemo } from 'react'
import { quantilesOf } from '@/core/coming-day'
import { CampaignIdSchema } from '@/core/ids'
import { DAY, MINUTE, SECOND } from '@/core/time'
import { floorNow } from '@/services/exchange/floor-time'
import { useHistory } from '@/services/history/react'
import { useAskedLists } from '@/services/lists/react'
import type { Met } from './what-if-form'

const LOOKS_BACK_MS = 30 * DAY
/** What is usual where little was met, and as how many attempts it weighs. */
const USUAL = { answers: 0.3, weighs: 30, talkMs: [2 * MINUTE], wrapUpMs: [30 * SECOND] }

/** Of the campaign with this id; null while it is read, and of none. */
export function useMet(campaign: string): Met | null {
  const id = CampaignIdSchema.safeParse(campaign)
  const campaignId = id.success && campaign !== '' ? id.data : null
  const { value: lists } = useAskedLists(useCallback(async (api) => (campaignId === null ? null : await api.met(campaignId)), [campaignId]))
  const { value: handling } = useHistory(
    useCallback(
      async (api) => {
        const nowMs = floorNow()
        return campaignId === null ? null : api.handling({ span: { fromMs: nowMs - LOOKS_BACK_MS, toMs: nowMs + DAY }, nowMs, campaignId })
      },
      [campaignId],
    ),
  )
  return useMemo(() => {
    if (lists === null || handling === null) return null
    const [ended, live] = lists.byHour.reduce(([e, l], h) => [e + h.ended, l + h.live], [0, 0] as readonly [number, number])
    const talks = quantilesOf([...handling.talks.right, ...handling.talks.other])
    const wraps = quantilesOf(handling.wraps)
    return {
      answers: (live + USUAL.answers * USUAL.weighs) / (ended + USUAL.weighs),
      talkMs: talks.length > 0 ? talks : USUAL.talkMs,
      wrapUpMs: wraps.length > 0 ? wraps : USUAL.wrapUpMs,
    }
  }, [lists, handling])
}
