// When the next call comes.
import type { Chance } from '@/core/chance'
import { HOUR } from '@/core/time'

/**
 * The next arrival of a non-homogeneous Poisson process, by thinning (Lewis and Shedler 1979): candidates at the
 * highest rate, each kept with the ratio of the rate at its time. `rate` and `mostPerHour` are arrivals an hour, `rate` never above it.
 * Gives up after a day without one: null.
 */
export function nextArrivalMs(chance: Chance, rate: (timeOfDayMs: number) => number, mostPerHour: number, fromMs: number): number | null {
  let at = fromMs
  while (at < fromMs + 24 * HOUR) {
    at += chance.exponential(HOUR / mostPerHour)
    if (chance.next() < rate(at) / mostPerHour) return Math.ceil(at)
  }
  return null
}
