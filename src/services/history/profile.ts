// What a queue's days were like, for forecasts: calls offered by quarter of an hour from local midnight, how long calls took, how long callers were patient.
import { sum } from 'd3-array'
import { quantilesOf } from '@/core/coming-day'
import type { QueueId } from '@/core/ids'
import type { DayCounts } from '@/core/staffing'
import { QUARTER_MS } from '@/core/time'
import { type CallsBlock, isNullAt, listWords, placeAt, valueAt } from './columns'
import { openBlock, queuedRows } from './tally'

export interface QueueProfile {
  readonly queueId: QueueId
  readonly days: readonly DayCounts[]
  /** Mean handle time of handled legs; null without one. */
  readonly handleMs: number | null
  /** From the answer to the end, holds included, and wrap-ups: evenly spaced quantiles of handled legs, from the shortest to the longest; none without one. */
  readonly talkMs: readonly number[]
  readonly wrapUpMs: readonly number[]
  /**
   * Mean patience: waiting time of all callers ÷ how many of them gave up (the maximum-likelihood estimate for exponential patience, the waits of those who
   * were answered cut short by the answer); null where nobody gave up.
   */
  readonly patienceMs: number | null
}

export interface DayAsked {
  readonly day: string
  readonly weekday: number
  readonly fromMs: number
  /** Excluded. */
  readonly toMs: number
}

/** A day that is not over should not be among them: it would count as one with few calls. */
export function profilesOf(blocks: readonly CallsBlock[], days: readonly DayAsked[]): readonly QueueProfile[] {
  const sums = new Map<QueueId, { days: Map<string, number[]>; talks: number[]; wrapUps: number[]; waitMs: number; gaveUp: number }>()
  for (const block of blocks) {
    const open = openBlock(block)
    const results = listWords(block.result)
    for (const { day, fromMs, toMs } of days) {
      for (const [row, queueId] of queuedRows(block, open, { fromMs, toMs })) {
        const of = sums.get(queueId) ?? { days: new Map<string, number[]>(), talks: [], wrapUps: [], waitMs: 0, gaveUp: 0 }
        sums.set(queueId, of)
        const counts = of.days.get(day) ?? []
        of.days.set(day, counts)
        const quarter = Math.floor((valueAt(block.offeredAtMs, row) - fromMs) / QUARTER_MS)
        counts[quarter] = (counts[quarter] ?? 0) + 1
        const isAnswered = !isNullAt(block.answeredAtMs, row)
        of.waitMs += (isAnswered ? valueAt(block.answeredAtMs, row) : valueAt(block.endedAtMs, row)) - valueAt(block.offeredAtMs, row)
        if (!isAnswered && results[placeAt(block.result, row) ?? 0] === 'abandoned') of.gaveUp++
        for (let at = block.legs.starts[row] as number; at < (block.legs.starts[row + 1] as number); at++) {
          if (!open.isHandling(at)) continue
          of.talks.push(valueAt(block.legs.talkMs, at) + valueAt(block.legs.holdMs, at))
          of.wrapUps.push(valueAt(block.legs.wrapUpMs, at))
        }
      }
    }
  }
  return [...sums].map(([queueId, { days: counts, talks, wrapUps, waitMs, gaveUp }]) => ({
    queueId,
    days: days.map(({ day, weekday, fromMs, toMs }) => ({
      day,
      weekday,
      offered: Array.from({ length: Math.round((toMs - fromMs) / QUARTER_MS) }, (_, q) => counts.get(day)?.[q] ?? 0),
    })),
    handleMs: talks.length === 0 ? null : (sum(talks) + sum(wrapUps)) / talks.length,
    talkMs: quantilesOf(talks),
    wrapUpMs: quantilesOf(wrapUps),
    patienceMs: gaveUp === 0 ? null : waitMs / gaveUp,
  }))
}
