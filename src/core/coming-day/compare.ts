// The same day twice, as it is and changed, played many times with the same callers: side by side, with how sure the difference is.
import type { QueueId } from '@/core/ids'
import { drawCallers, sameCallers } from './callers'
import type { ChangedDay } from './change'
import { type DaySaid, daySaid, type PlayedDay } from './figures'
import { playDay } from './play'
import { differenceOf, type Spread, spreadOf } from './spread'

/** Plays one of the days. The same seed gives the same day. */
export const playChanged = ({ day, traffic, came }: ChangedDay, seed: number): PlayedDay =>
  playDay(day, came === null ? drawCallers(traffic, seed) : sameCallers(came, traffic, seed), seed)

export const FIGURES = [
  'serviceLevel',
  'abandoned',
  'meanWaitMs',
  'occupancy',
  'offered',
  'answered',
  'turnedAway',
  'connected',
] as const satisfies readonly (keyof DaySaid)[]
export type Figure = (typeof FIGURES)[number]

export interface Pair {
  readonly first: Spread | null
  readonly second: Spread | null
  /** The second less the first, day by day. */
  readonly difference: Spread | null
}

export interface Compared {
  readonly days: number
  readonly figures: Readonly<Record<Figure, Pair>>
  readonly queues: readonly { readonly queueId: QueueId; readonly figures: Readonly<Record<Exclude<Figure, 'occupancy' | 'connected'>, Pair>> }[]
  /** Answered in time by quarter of an hour, all days taken together; null where nobody called. */
  readonly inTime: { readonly first: readonly (number | null)[]; readonly second: readonly (number | null)[] }
}

export function compared(first: readonly PlayedDay[], second: readonly PlayedDay[]): Compared {
  const pairs = (queueId: QueueId | null) => {
    const [a, b] = [first, second].map((days) => days.map((d) => daySaid(d, { queueId }))) as [DaySaid[], DaySaid[]]
    return Object.fromEntries(
      FIGURES.map((figure) => {
        const [of, than] = [a.map((d) => d[figure]), b.map((d) => d[figure])]
        return [figure, { first: spreadOf(of), second: spreadOf(than), difference: differenceOf(of, than) }]
      }),
    ) as Record<Figure, Pair>
  }
  const [day] = first
  return {
    days: Math.min(first.length, second.length),
    figures: pairs(null),
    queues: (day?.queues ?? []).map(({ queueId }) => ({ queueId, figures: pairs(queueId) })),
    inTime: { first: inTimeOf(first), second: inTimeOf(second) },
  }
}

/** By quarter of an hour: answered in time of all that were offered and did not hang up at once, over all the days. */
export function inTimeOf(days: readonly PlayedDay[]): readonly (number | null)[] {
  const quarters = days[0]?.handleMs.length ?? 0
  return Array.from({ length: quarters }, (_, q) => {
    let [inTime, base] = [0, 0]
    for (const { queues } of days)
      for (const queue of queues) {
        inTime += queue.inTime[q] ?? 0
        base += (queue.offered[q] ?? 0) - (queue.shortAbandons[q] ?? 0)
      }
    return base > 0 ? inTime / base : null
  })
}
