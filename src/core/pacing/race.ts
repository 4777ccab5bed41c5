// Which of two ends comes first and when, learnt by age: an attempt that rings is answered or fails, somebody who picked up is taken live or for a machine.
// The shape is learnt over the whole shift; how likely the first end is at all drifts, so its level is learnt from lately alone, against what the shape
// expected of attempts of these ages. What is still going on counts as far as it has come.
import { BIN_MS, logNormalCdf } from './hazard'

export interface Race {
  /** The first end, after so long; the other one, after so long. */
  won(ms: number): void
  lost(ms: number): void
  /** Reckons anew, with the ages of what is going on; the level is from now on that of so many that ended last. */
  learn(goingOn: readonly { readonly elapsedMs: number }[], forgetsOver?: number): void
  /** The chance of the first end by each bin of age, from the beginning; the last is that of ever. */
  readonly wins: Float64Array
  /** The chance to be still going on at each bin of age. */
  readonly survives: Float64Array
  readonly bins: number
}

interface Prior {
  readonly longestMs: number
  readonly medianMs: number
  readonly sigma: number
  /** The share that ends the first way. */
  readonly share: number
  readonly weight: number
}

export function createRace({ longestMs, medianMs, sigma, share, weight }: Prior): Race {
  const bins = Math.ceil(longestMs / BIN_MS)
  const wonAt = new Float64Array(bins)
  const lostAt = new Float64Array(bins)
  const atRisk = new Float64Array(bins)
  const hazard = new Float64Array(bins)
  const expected = new Float64Array(bins + 1)
  const wins = new Float64Array(bins + 1)
  const survives = new Float64Array(bins + 1)
  // The prior, as if so many had been seen: the first end by a log-normal, the others evenly over the time.
  for (let k = 0, alive = weight; k < bins; k++) {
    const won = weight * share * (logNormalCdf((k + 1) * BIN_MS, medianMs, sigma) - logNormalCdf(k * BIN_MS, medianMs, sigma))
    const lost = Math.min(alive - won, (weight * (1 - share)) / bins)
    wonAt[k] = won
    lostAt[k] = lost
    atRisk[k] = alive
    alive = Math.max(1e-9, alive - won - lost)
  }
  let [seen, foreseen] = [0, 0]
  let keeps = 1
  const binOf = (ms: number) => Math.min(bins - 1, Math.max(0, Math.floor(ms / BIN_MS)))
  const ended = (ms: number, won: boolean) => {
    const last = binOf(ms)
    seen = seen * keeps + (won ? 1 : 0)
    foreseen = foreseen * keeps + (expected[last + 1] as number)
    for (let k = 0; k <= last; k++) atRisk[k] = (atRisk[k] as number) + 1
    const at = won ? wonAt : lostAt
    at[last] = (at[last] as number) + 1
  }
  const race: Race = {
    bins,
    wins,
    survives,
    won: (ms) => ended(ms, true),
    lost: (ms) => ended(ms, false),
    learn(goingOn, forgetsOver) {
      if (forgetsOver !== undefined) keeps = 1 - 1 / forgetsOver
      for (let k = 0; k < bins; k++) {
        // Smoothed over neighbours of age.
        let [of, over] = [0, 0]
        const reach = 1 + (k >> 3)
        for (let j = Math.max(0, k - reach); j <= Math.min(bins - 1, k + reach); j++) {
          of += wonAt[j] as number
          over += atRisk[j] as number
        }
        hazard[k] = Math.min(0.9, of / Math.max(1e-9, over))
        expected[k + 1] = (expected[k] as number) + (hazard[k] as number)
      }
      let soFar = 0
      for (const { elapsedMs } of goingOn) soFar += expected[binOf(elapsedMs)] as number
      const level = (seen + PRIOR_LEVEL) / (foreseen + soFar + PRIOR_LEVEL)
      survives[0] = 1
      for (let k = 0; k < bins; k++) {
        const alive = survives[k] as number
        const win = Math.min(0.95, (hazard[k] as number) * level)
        const loss = Math.min(0.95, (lostAt[k] as number) / Math.max(1e-9, atRisk[k] as number))
        wins[k + 1] = (wins[k] as number) + alive * win
        survives[k + 1] = alive * Math.max(0, 1 - win - loss)
      }
    },
  }
  race.learn([])
  return race
}

/** So many answers weigh what is believed before any was seen. */
const PRIOR_LEVEL = 8
