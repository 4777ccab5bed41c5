// Seeded randomness, so that the same seed gives the same day. The generator is mulberry32 (32-bit state,
// period 2^32: ample for one day of stand-ins, not for cryptography). Distributions by inversion or Box-Muller.

export interface Chance {
  /** Uniform in [0, 1). */
  next(): number
  /** A mean-`mean` exponential: the gaps of a Poisson process, and patience. */
  exponential(mean: number): number
  /** Log-normal with the given median and sigma of the logarithm: talk and wrap-up times. */
  logNormal(median: number, sigma: number): number
  /** One of the items; throws on an empty list. */
  pick<T>(items: readonly T[]): T
  /** One of the items, with chance proportional to its weight. */
  weighted<T>(items: readonly { readonly weight: number; readonly item: T }[]): T
  /** A seed from which another generator goes on as this one would: what to store of it. */
  seed(): number
}

export function createChance(seed: number): Chance {
  let state = seed >>> 0
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
  const pick = <T>(items: readonly T[]): T => {
    if (items.length === 0) throw new Error('cannot pick from an empty list')
    return items[Math.floor(next() * items.length)] as T
  }
  return {
    next,
    pick,
    seed: () => state,
    exponential: (mean) => -mean * Math.log(1 - next()),
    logNormal: (median, sigma) => {
      const normal = Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
      return median * Math.exp(sigma * normal)
    },
    weighted: (items) => {
      let left = next() * items.reduce((sum, { weight }) => sum + weight, 0)
      for (const { weight, item } of items) {
        left -= weight
        if (left < 0) return item
      }
      return pick(items).item
    },
  }
}

/** A seed for one thing (a call, a queue's day) out of the day's seed and its name: FNV-1a over the name. */
export function seedFor(seed: number, name: string): number {
  let hash = (0x811c9dc5 ^ seed) >>> 0
  for (let i = 0; i < name.length; i++) hash = Math.imul(hash ^ name.charCodeAt(i), 0x01000193)
  return hash >>> 0
}
