// How long something lasts, learnt from what has ended and what has not: a hazard that is constant within each stretch of age, stretches that grow with age
// (so that smoothing does), and a prior that weighs as much as some observations. What is still going on counts with the time it has been at risk
// (right censoring), so that the short ones, which end first, do not pass for all of them.

/** Ages are on a grid of half a second. */
export const BIN_MS = 500

export interface Hazard {
  /** One that has ended after so long. */
  ended(ms: number): void
  /** The chance to have ended by each bin of age: `cdf[k]` at `k * BIN_MS`. Those that go on are counted with their age. */
  cdf(goingOn: readonly { readonly elapsedMs: number }[]): Float64Array
}

interface Prior {
  /** Median and sigma of the logarithm. */
  readonly medianMs: number
  readonly sigma: number
  /** As many observations. */
  readonly weight: number
  readonly longestMs: number
}

/** Stretches grow by this. */
const GROWTH = 1.12
const SHORTEST_MS = 1_000

export function createHazard({ medianMs, sigma, weight, longestMs }: Prior): Hazard {
  const edges = [0]
  for (let width = SHORTEST_MS, at = width; (edges.at(-1) as number) < longestMs; at += width) {
    edges.push(Math.min(at, longestMs))
    width = Math.max(SHORTEST_MS, at * (GROWTH - 1))
  }
  const count = edges.length - 1
  const exposure = new Float64Array(count)
  const ends = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const [from, to] = [edges[i] as number, edges[i + 1] as number]
    const [before, after] = [logNormalCdf(from, medianMs, sigma), logNormalCdf(to, medianMs, sigma)]
    ends[i] = weight * (after - before)
    exposure[i] = weight * (to - from) * (1 - (before + after) / 2)
  }
  const stretchOf = (ms: number) => {
    let [low, high] = [0, count - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if ((edges[middle] as number) <= ms) low = middle
      else high = middle - 1
    }
    return low
  }
  const expose = (to: Float64Array, ms: number) => {
    const last = stretchOf(Math.min(ms, longestMs - 1))
    for (let i = 0; i < last; i++) to[i] = (to[i] as number) + (edges[i + 1] as number) - (edges[i] as number)
    to[last] = (to[last] as number) + Math.min(ms, longestMs) - (edges[last] as number)
    return last
  }
  const bins = Math.ceil(longestMs / BIN_MS)
  const cdf = new Float64Array(bins + 1)
  const atRisk = new Float64Array(count)
  return {
    ended(ms) {
      const last = expose(exposure, Math.max(0, ms))
      ends[last] = (ends[last] as number) + 1
    },
    cdf(goingOn) {
      atRisk.set(exposure)
      for (const { elapsedMs } of goingOn) expose(atRisk, Math.max(0, elapsedMs))
      let survives = 1
      let i = 0
      for (let k = 1; k <= bins; k++) {
        const ms = (k - 1) * BIN_MS
        while (i < count - 1 && (edges[i + 1] as number) <= ms) i++
        survives *= Math.exp(-((ends[i] as number) / Math.max(1, atRisk[i] as number)) * BIN_MS)
        cdf[k] = 1 - survives
      }
      return cdf
    },
  }
}

export function logNormalCdf(x: number, median: number, sigma: number): number {
  return x <= 0 ? 0 : normalCdf(Math.log(x / median) / sigma)
}

/** Abramowitz and Stegun 26.2.17: absolute error under 7.5e-8. */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail = Math.exp((-z * z) / 2) * 0.3989422804014327 * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z > 0 ? 1 - tail : tail
}
