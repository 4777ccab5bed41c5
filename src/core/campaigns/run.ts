// A campaign as it runs: its state, and the counts that the cap of abandoned calls and the target are held against. They outlast the day.
import * as z from 'zod'
import { AgentIdSchema, type CampaignId, CampaignIdSchema } from '@/core/ids'
import { type EpochMs, InstantSchema, utcDay } from '@/core/time'
import type { AttemptResult } from './attempt'

export const CAMPAIGN_STATES = ['draft', 'running', 'paused', 'finished'] as const
export type CampaignState = (typeof CAMPAIGN_STATES)[number]

export const CampaignEventSchema = z
  .object({
    kind: z.literal('campaignStateChanged'),
    campaignId: CampaignIdSchema,
    to: z.enum(CAMPAIGN_STATES),
    /** null for the floor itself: the target is reached, or the list has nobody left. */
    byAgentId: AgentIdSchema.nullable(),
    because: z.enum(['asked', 'target', 'listDone', 'lastDay']),
  })
  .readonly()
export type CampaignEvent = z.infer<typeof CampaignEventSchema>

/** Of one day (UTC). */
const DayCountSchema = z
  .object({
    day: z.string(),
    attempts: z.number().int(),
    /** People who answered, whether an agent was there or not. */
    live: z.number().int(),
    abandoned: z.number().int(),
    conversions: z.number().int(),
  })
  .readonly()
export type DayCount = z.infer<typeof DayCountSchema>

export const CampaignRunSchema = z
  .object({
    id: CampaignIdSchema,
    state: z.enum(CAMPAIGN_STATES),
    sinceMs: InstantSchema,
    conversions: z.number().int(),
    /** The latest first; as many as the longest window of a cap may need. */
    days: z.array(DayCountSchema).readonly(),
    /** When somebody was reached last; null before the first. */
    lastLiveAtMs: InstantSchema.nullable(),
  })
  .readonly()
export type CampaignRun = z.infer<typeof CampaignRunSchema>

const DAYS_KEPT = 31

export const createRun = (id: CampaignId): CampaignRun => ({ id, state: 'draft', sinceMs: 0, conversions: 0, days: [], lastLiveAtMs: null })

export const inState = (run: CampaignRun, state: CampaignState, atMs: EpochMs): CampaignRun => ({ ...run, state, sinceMs: atMs })

/** One more attempt that is over. */
export function countResult(run: CampaignRun, result: AttemptResult, atMs: EpochMs): CampaignRun {
  const isLive = result === 'live' || result === 'abandoned'
  const counted = counting(run, atMs, { attempts: 1, live: isLive ? 1 : 0, abandoned: result === 'abandoned' ? 1 : 0 })
  return isLive ? { ...counted, lastLiveAtMs: atMs } : counted
}

/** `by`: 1 for a conversion, -1 for one that was taken back. */
export const countConversion = (run: CampaignRun, by: 1 | -1, atMs: EpochMs): CampaignRun => ({
  ...counting(run, atMs, { conversions: by }),
  conversions: run.conversions + by,
})

/** With what it had come to on days before: its own state stands where it has one. */
export function withBefore(own: CampaignRun, before: CampaignRun): CampaignRun {
  const sums = new Map(own.days.map((day) => [day.day, day]))
  for (const day of before.days) {
    const same = sums.get(day.day)
    sums.set(day.day, same === undefined ? day : added(same, day))
  }
  return {
    ...own,
    ...(own.state === 'draft' ? { state: before.state, sinceMs: before.sinceMs } : {}),
    conversions: own.conversions + before.conversions,
    days: [...sums.values()].toSorted((a, b) => (a.day < b.day ? 1 : -1)).slice(0, DAYS_KEPT),
    lastLiveAtMs: own.lastLiveAtMs ?? before.lastLiveAtMs,
  }
}

const added = (a: DayCount, b: DayCount): DayCount => ({
  day: a.day,
  attempts: a.attempts + b.attempts,
  live: a.live + b.live,
  abandoned: a.abandoned + b.abandoned,
  conversions: a.conversions + b.conversions,
})

function counting(run: CampaignRun, atMs: EpochMs, more: Partial<Omit<DayCount, 'day'>>): CampaignRun {
  const day = utcDay(atMs)
  const today = run.days.find((d) => d.day === day) ?? { day, attempts: 0, live: 0, abandoned: 0, conversions: 0 }
  const others = run.days.filter((d) => d.day !== day)
  const sum: DayCount = {
    day,
    attempts: today.attempts + (more.attempts ?? 0),
    live: today.live + (more.live ?? 0),
    abandoned: today.abandoned + (more.abandoned ?? 0),
    conversions: today.conversions + (more.conversions ?? 0),
  }
  return { ...run, days: [sum, ...others].slice(0, DAYS_KEPT) }
}

/** Sums of the last days, this one included. */
export function countsOver({ days }: CampaignRun, overDays: number, atMs: EpochMs): Omit<DayCount, 'day'> {
  const from = utcDay(atMs - (overDays - 1) * 86_400_000)
  const sums = { attempts: 0, live: 0, abandoned: 0, conversions: 0 }
  for (const d of days)
    if (d.day >= from) {
      sums.attempts += d.attempts
      sums.live += d.live
      sums.abandoned += d.abandoned
      sums.conversions += d.conversions
    }
  return sums
}
