// How often people answer, by hour and weekday as the clock stands at their place: learnt as attempts end, on top of what is the same everywhere.
import { type EpochMs, localTime } from '@/core/time'

export interface AnswerRates {
  note(zone: string, atMs: EpochMs, answered: boolean): void
  /** The chance that somebody of these zones answers now, 0 to 1. */
  at(zone: string, atMs: EpochMs): number
  /** By weekday (1 Monday to 7 Sunday) and hour: attempts and how many a person answered. */
  byHour(): readonly { readonly day: number; readonly hour: number; readonly attempts: number; readonly answered: number }[]
}

/** So many attempts at the rate of all weigh as much as what was seen of one hour. */
const PRIOR = 30
const FIRST_GUESS = 0.3

export function createAnswerRates(): AnswerRates {
  const attempts = new Float64Array(7 * 24)
  const answers = new Float64Array(7 * 24)
  let [all, answeredInAll] = [0, 0]
  const slot = (zone: string, atMs: EpochMs) => {
    const { day, minute } = localTime(zone.split(' ')[0] ?? 'UTC', atMs)
    return (day - 1) * 24 + Math.floor(minute / 60)
  }
  return {
    note(zone, atMs, answered) {
      const at = slot(zone, atMs)
      attempts[at] = (attempts[at] as number) + 1
      all++
      if (!answered) return
      answers[at] = (answers[at] as number) + 1
      answeredInAll++
    },
    at(zone, atMs) {
      const of = slot(zone, atMs)
      const usual = (answeredInAll + FIRST_GUESS * PRIOR) / (all + PRIOR)
      return ((answers[of] as number) + usual * PRIOR) / ((attempts[of] as number) + PRIOR)
    },
    byHour: () =>
      Array.from(attempts, (n, i) => ({ day: Math.floor(i / 24) + 1, hour: i % 24, attempts: n, answered: answers[i] as number })).filter(
        (h) => h.attempts > 0,
      ),
  }
}
