// The chance that a sum of independent chances, some for and some against, is not above nothing.
import { normalCdf } from './hazard'

/** Sums of chances: how many are expected, and the second and third central moments. */
export interface Moments {
  mean: number
  variance: number
  third: number
}

/** Adds `count` independent chances of `p` each, for (+1) or against (-1). */
export function add(to: Moments, p: number, count: number, sign: 1 | -1): void {
  const spread = p * (1 - p)
  to.mean += sign * p * count
  to.variance += spread * count
  to.third += sign * spread * (1 - 2 * p) * count
}

/** P(sum <= 0) by the normal with a term for skewness (Edgeworth), and half a step for whole numbers. */
export function normalTail({ mean, variance, third }: Moments): number {
  if (variance < 1e-9) return mean < 0.5 ? 1 : 0
  const sd = Math.sqrt(variance)
  const z = (0.5 - mean) / sd
  const density = Math.exp((-z * z) / 2) * 0.3989422804014327
  return Math.min(1, Math.max(0, normalCdf(z) - (third / (6 * variance * sd)) * (z * z - 1) * density))
}

/** The distribution of a sum of chances, one after another: exact, for few of them. */
export class Convolution {
  /** `of[k]` is the chance of `k - against`. */
  private of = new Float64Array(256)
  private length = 1
  /** What stands for a sum of nothing. */
  private zero = 0

  reset(certain: number): this {
    this.of[0] = 1
    this.length = 1
    this.zero = -certain
    return this
  }

  /** One more chance for it. */
  plus(p: number): this {
    this.grow()
    const { of } = this
    for (let k = this.length; k > 0; k--) of[k] = (of[k] as number) * (1 - p) + (of[k - 1] as number) * p
    of[0] = (of[0] as number) * (1 - p)
    this.length++
    return this
  }

  /** One more chance against it: the sum falls by one, or stays. */
  minus(p: number): this {
    this.zero++
    return this.plus(1 - p)
  }

  /** P(sum <= 0). */
  notAboveNothing(): number {
    let sum = 0
    for (let k = 0; k <= Math.min(this.zero, this.length - 1); k++) sum += this.of[k] as number
    return this.zero < 0 ? 0 : Math.min(1, sum)
  }

  private grow(): void {
    if (this.length + 1 < this.of.length) {
      this.of[this.length] = 0
      return
    }
    const larger = new Float64Array(this.of.length * 2)
    larger.set(this.of)
    this.of = larger
    this.of[this.length] = 0
  }
}
