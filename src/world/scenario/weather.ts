// When gales blow.
import { type Day, daysBetween, type Pace, weekdayOf } from '@/world'

/** Gales come every so many days. */
const GALES_EVERY = 6
const FIRST_GALE: Day = '2020-01-06'

/**
 * Stormy or not, by the seed and the date alone, whichever days are asked for. What a gale at the weekend has done is felt on Monday, when
 * there are people to call.
 */
export function paceOfDay(seed: number, day: Day): Pace {
  const blows = (back: number) => (daysBetween(FIRST_GALE, day) - back) % GALES_EVERY === seed % GALES_EVERY
  const felt = [[], [0, 1, 2], [0], [0], [0], [0], []][weekdayOf(day)] ?? []
  return felt.some(blows) ? 'storm' : 'ordinary'
}
