// How busy the world is: arrivals per queue as a rate that varies over the day and the week. Rates are calls per hour, set
// so that fourteen seats are comfortably busy on an ordinary day and not on a storm day.
import type { Chance } from '@/core/chance'
import type { QueueId } from '@/core/ids'
import { HOUR, MINUTE } from '@/core/time'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from '@/world/scenario'
import type { Pace } from './paces'

/** When the centre answers, as time of its own day, how many calls come compared with a weekday, and how many are on shift. */
export interface Hours {
  readonly opensMs: number
  readonly closesMs: number
  readonly load: number
  /** Seats that are staffed; null for all. */
  readonly seats: number | null
}

const WEEKDAY: Hours = { opensMs: 8 * HOUR, closesMs: 18 * HOUR, load: 1, seats: null }
const BY_WEEKDAY: readonly Hours[] = [
  { opensMs: 10 * HOUR, closesMs: 15 * HOUR, load: 0.36, seats: 9 },
  // What was left over the weekend comes on Monday.
  { ...WEEKDAY, load: 1.04 },
  WEEKDAY,
  WEEKDAY,
  WEEKDAY,
  { ...WEEKDAY, load: 1.02 },
  { opensMs: 9 * HOUR, closesMs: 16 * HOUR, load: 0.6, seats: 11 },
]

/** `weekday` as `Date.getDay` counts them, Sunday 0; null for a day that is none of the week, as the live one. */
export const hoursOf = (weekday: number | null): Hours => (weekday === null ? WEEKDAY : (BY_WEEKDAY[weekday] ?? WEEKDAY))

/** A gale closes two routes at this time of a storm day. */
export const GALE_MS = 11 * HOUR

/** Calls an hour for each hour of a weekday from 08:00. */
const ORDINARY_BY_HOUR = [51, 88, 94, 84, 64, 72, 82, 76, 58, 35]
const SHARES: readonly (readonly [QueueId, number])[] = [
  [SAILINGS, 0.62],
  [FREIGHT, 0.14],
  [DISRUPTION, 0.14],
  [ASSISTANCE, 0.1],
]
const GALE_PEAK_PER_HOUR = 190
const GALE_DECAY_MS = 2.5 * HOUR

/** Calls an hour that enter a queue at a time of day; zero outside opening hours and in a quiet world. */
export function arrivalsPerHour(pace: Pace, queueId: QueueId, timeOfDayMs: number, { opensMs, closesMs, load } = WEEKDAY): number {
  if (pace === 'quiet' || timeOfDayMs < opensMs || timeOfDayMs >= closesMs) return 0
  const hour = ORDINARY_BY_HOUR[Math.floor((timeOfDayMs - WEEKDAY.opensMs) / HOUR)] ?? 0
  const share = SHARES.find(([id]) => id === queueId)?.[1] ?? 0
  const gale =
    pace === 'storm' && queueId === DISRUPTION && timeOfDayMs >= GALE_MS ? GALE_PEAK_PER_HOUR * Math.exp(-(timeOfDayMs - GALE_MS) / GALE_DECAY_MS) : 0
  return (hour * share + gale) * load
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
