// How busy the world is: arrivals per queue as a rate that varies over the day. Rates are calls per hour and set
// so that fourteen seats are comfortably busy on an ordinary day and not on a storm day.
import type { Chance } from '@/core/chance'
import type { QueueId } from '@/core/ids'
import { HOUR, MINUTE } from '@/core/time'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from '@/world/scenario'
import type { Pace } from './paces'

export const OPENS_MS = 8 * HOUR
export const CLOSES_MS = 18 * HOUR
/** A gale closes two routes at this time of a storm day. */
export const GALE_MS = 11 * HOUR

/** Calls an hour for each opening hour from 08:00. */
const ORDINARY_BY_HOUR = [62, 104, 110, 96, 76, 82, 94, 88, 70, 44]
const SHARES: readonly (readonly [QueueId, number])[] = [
  [SAILINGS, 0.56],
  [FREIGHT, 0.18],
  [DISRUPTION, 0.14],
  [ASSISTANCE, 0.12],
]
const GALE_PEAK_PER_HOUR = 230
const GALE_DECAY_MS = 2.5 * HOUR

/** Calls an hour that enter a queue at a time of day; zero outside opening hours and in a quiet world. */
export function arrivalsPerHour(pace: Pace, queueId: QueueId, timeOfDayMs: number): number {
  if (pace === 'quiet' || timeOfDayMs < OPENS_MS || timeOfDayMs >= CLOSES_MS) return 0
  const hour = ORDINARY_BY_HOUR[Math.floor((timeOfDayMs - OPENS_MS) / HOUR)] ?? 0
  const share = SHARES.find(([id]) => id === queueId)?.[1] ?? 0
  const gale =
    pace === 'storm' && queueId === DISRUPTION && timeOfDayMs >= GALE_MS ? GALE_PEAK_PER_HOUR * Math.exp(-(timeOfDayMs - GALE_MS) / GALE_DECAY_MS) : 0
  return hour * share + gale
}

const MAX_PER_HOUR = 400

/**
 * The next arrival of a non-homogeneous Poisson process, by thinning (Lewis and Shedler 1979): candidates at the
 * highest rate, each kept with the ratio of the rate at its time. Gives up after a day without one.
 */
export function nextArrivalMs(chance: Chance, rate: (timeOfDayMs: number) => number, fromMs: number): number | null {
  let at = fromMs
  while (at < fromMs + 24 * HOUR) {
    at += chance.exponential(HOUR / MAX_PER_HOUR)
    if (chance.next() < rate(at) / MAX_PER_HOUR) return Math.ceil(at)
  }
  return null
}

/** Where the live world's day begins when somebody chooses a pace: mid-morning, or just before the gale. */
export const liveStartOfDayMs = (pace: Pace): number => (pace === 'storm' ? GALE_MS - MINUTE : 9 * HOUR + 30 * MINUTE)
