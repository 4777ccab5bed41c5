// What many days of one kind have in common: means, how sure they are, and how much one day differs from another.
import { mean, quantileSorted } from 'd3-array'
import { createChance } from '@/core/chance'

export interface Spread {
  readonly mean: number
  /** Where the mean of ever more such days would lie, with 95 in 100. */
  readonly meanFrom: number
  readonly meanTo: number
  /** Nine of ten days lie between. */
  readonly low: number
  readonly high: number
  readonly days: number
}

const DRAWS = 1_000

/**
 * Of a figure of many days; null where no day has it. The interval of the mean is a percentile bootstrap (B. Efron, "Bootstrap methods: another look at the jackknife",
 * Annals of Statistics 7, 1979) from a seed that is always the same, so that the same days have the same interval.
 */
export function spreadOf(values: readonly (number | null)[]): Spread | null {
  const known = values.filter((v) => v !== null)
  const days = known.length
  const middle = mean(known)
  if (middle === undefined) return null
  const chance = createChance(days)
  const means = Array.from({ length: DRAWS }, () => {
    let sum = 0
    for (let n = 0; n < days; n++) sum += known[Math.floor(chance.next() * days)] as number
    return sum / days
  }).sort((a, b) => a - b)
  const sorted = known.toSorted((a, b) => a - b)
  const at = (of: number[], share: number) => quantileSorted(of, share) as number
  return { mean: middle, meanFrom: at(means, 0.025), meanTo: at(means, 0.975), low: at(sorted, 0.05), high: at(sorted, 0.95), days }
}

/** How much more the second is, day by day: the callers of each day are the same in both. Days on which either has no figure are left out. */
export const differenceOf = (first: readonly (number | null)[], second: readonly (number | null)[]): Spread | null =>
  spreadOf(
    first.map((a, day) => {
      const b = second[day] ?? null
      return a === null || b === null ? null : b - a
    }),
  )
