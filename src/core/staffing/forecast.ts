// What a day will bring, quarter of an hour by quarter of an hour, from the days there are: a level for the day times a shape within it. The level is a
// recency-weighted mean times a factor for the weekday that is drawn towards 1 as long as few such days are known (shrinkage after W. James and C. Stein,
// "Estimation with quadratic loss", 1961); the shape is the mean share of each quarter, smoothed over its neighbours. With some weeks of one centre nothing
// that needs more data does better; how far it is off on days held back is said beside it.

export const QUARTERS = 96

/** One day of a queue: calls offered in each quarter of an hour from local midnight. A day of the clock change has 92 or 100 of them. */
export interface DayCounts {
  /** `2026-11-24`. */
  readonly day: string
  /** 0 is Sunday. */
  readonly weekday: number
  readonly offered: readonly number[]
}

export interface Forecast {
  /** Calls expected in each quarter of an hour; all 0 without a day to learn from. */
  readonly offered: readonly number[]
  /** How many days it was learnt from, and how many of them are of this weekday. */
  readonly days: number
  readonly sameWeekday: number
}

export interface ForecastError {
  /** Days that were held back, each forecast from the others. */
  readonly days: number
  /** Weighted absolute percentage error: sum of absolute differences ÷ sum of calls, by quarter of an hour and by whole day; null without a call. */
  readonly byQuarter: number | null
  readonly byDay: number | null
  /** What `byQuarter` would be of a forecast that knew every rate: calls come by chance (mean absolute deviation of Poisson counts). */
  readonly byChance: number | null
}

/** A day older than another by one counts this much of it. */
const RECENCY = 0.95
/** So many days of a weekday are needed until they count as much as all days together. */
const SHRINK = 1
const KERNEL = [1, 2, 1] as const

/**
 * `known` in any order; days without a call are days on which the queue was closed and are left out. `times`: what the planner says about this day besides
 * (a holiday, an event), 1 for nothing.
 */
export function forecastDay(known: readonly DayCounts[], weekday: number, times = 1): Forecast {
  const days = known.filter((d) => total(d.offered) > 0).toSorted((a, b) => (a.day < b.day ? 1 : -1))
  const sameWeekday = days.filter((d) => d.weekday === weekday).length
  if (days.length === 0) return { offered: Array.from({ length: QUARTERS }, () => 0), days: 0, sameWeekday: 0 }
  const weights = days.map((_, age) => RECENCY ** age)
  const mean = weighted(
    days.map((d) => total(d.offered)),
    weights,
  )
  const own = days.flatMap((d, i) => (d.weekday === weekday ? [{ ratio: total(d.offered) / mean, weight: weights[i] as number }] : []))
  const ownWeight = own.reduce((sum, o) => sum + o.weight, 0)
  const factor = (own.reduce((sum, o) => sum + o.ratio * o.weight, 0) + SHRINK) / (ownWeight + SHRINK)
  const shape = smooth(
    Array.from({ length: QUARTERS }, (_, q) =>
      weighted(
        days.map((d) => (d.offered[q] ?? 0) / total(d.offered)),
        weights,
      ),
    ),
  )
  const whole = total(shape)
  return { offered: shape.map((share) => (whole === 0 ? 0 : (mean * factor * times * share) / whole)), days: days.length, sameWeekday }
}

/** Each of the latest `atMost` days is forecast from all the others and held against what came. */
export function forecastError(known: readonly DayCounts[], atMost = 14): ForecastError {
  const days = known.filter((d) => total(d.offered) > 0).toSorted((a, b) => (a.day < b.day ? 1 : -1))
  const held = days.length < 3 ? [] : days.slice(0, atMost)
  let [differs, differsByDay, calls, chance] = [0, 0, 0, 0]
  for (const day of held) {
    const { offered } = forecastDay(
      days.filter((d) => d !== day),
      day.weekday,
    )
    differs += offered.reduce((sum, f, q) => sum + Math.abs((day.offered[q] ?? 0) - f), 0)
    differsByDay += Math.abs(total(day.offered) - total(offered))
    calls += total(day.offered)
    chance += offered.reduce((sum, f) => sum + poissonDeviation(f), 0)
  }
  const of = (part: number) => (calls === 0 ? null : part / calls)
  return { days: held.length, byQuarter: of(differs), byDay: of(differsByDay), byChance: of(chance) }
}

/** Mean absolute deviation of a Poisson count from its mean: 2 e^-m m^(k+1) / k! with k the whole part of m (L. Crow, Biometrika 45, 1958). */
export function poissonDeviation(mean: number): number {
  if (mean <= 0) return 0
  const k = Math.floor(mean)
  let log = Math.log(2) - mean + (k + 1) * Math.log(mean)
  for (let i = 2; i <= k; i++) log -= Math.log(i)
  return Math.exp(log)
}

const total = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0)

function weighted(values: readonly number[], weights: readonly number[]): number {
  const sum = total(weights)
  return sum === 0 ? 0 : values.reduce((at, v, i) => at + v * (weights[i] as number), 0) / sum
}

/** Beyond the first and the last quarter with a call nothing is spread: a door that opens at eight opens at eight. */
function smooth(shape: readonly number[]): readonly number[] {
  const first = shape.findIndex((s) => s > 0)
  const last = shape.findLastIndex((s) => s > 0)
  return shape.map((_, q) => {
    if (q < first || q > last) return 0
    let [sum, weights] = [0, 0]
    for (const [i, weight] of KERNEL.entries()) {
      const at = q + i - 1
      if (at < first || at > last) continue
      sum += weight * (shape[at] as number)
      weights += weight
    }
    return sum / weights
  })
}
