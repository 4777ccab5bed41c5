// Calls offered, answered and abandoned by quarter of an hour: every time zone's hours and days begin with one, so that charts of any of them are
// added up from these.
import { bisectRight } from 'd3-array'
import { QUARTER_MS } from '@/core/time'
import { type CallsBlock, isNullAt, listWords, placeAt, valueAt } from './columns'
import { type Asked, rowsIn } from './tally'

export interface Quarter {
  readonly fromMs: number
  answered: number
  abandoned: number
}

/** Of inbound calls; quarters without any are left out. */
export function quartersOf(block: CallsBlock, asked: Asked, isMeant: (row: number) => boolean = () => true): readonly Quarter[] {
  const [directions, results] = [listWords(block.direction), listWords(block.result)]
  const quarters: Quarter[] = []
  const [from, to] = rowsIn(block, asked)
  for (let row = from; row < to; row++) {
    if (directions[placeAt(block.direction, row) ?? 0] !== 'inbound' || placeAt(block.queueId, row) === null || !isMeant(row)) continue
    const fromMs = Math.floor(valueAt(block.offeredAtMs, row) / QUARTER_MS) * QUARTER_MS
    let quarter = quarters.at(-1)
    if (quarter?.fromMs !== fromMs) {
      quarter = { fromMs, answered: 0, abandoned: 0 }
      quarters.push(quarter)
    }
    if (!isNullAt(block.answeredAtMs, row)) quarter.answered++
    else if (results[placeAt(block.result, row) ?? 0] === 'abandoned') quarter.abandoned++
  }
  return quarters
}

export interface SeriesPoint {
  readonly fromMs: number
  readonly answered: number
  readonly abandoned: number
}

/** By steps that begin with a quarter, ascending: an hour or a calendar day, which is not always 24 of them. */
export function toSeries(quarters: Iterable<Quarter>, steps: readonly number[]): readonly SeriesPoint[] {
  const points = steps.map((fromMs) => ({ fromMs, answered: 0, abandoned: 0 }))
  for (const { fromMs, answered, abandoned } of quarters) {
    const point = points[bisectRight(steps, fromMs) - 1]
    if (point === undefined) continue
    point.answered += answered
    point.abandoned += abandoned
  }
  return points
}
