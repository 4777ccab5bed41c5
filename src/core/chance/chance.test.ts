import { describe, expect, test } from 'vitest'
import { createChance, seedFor } from '@/core/chance'

const SIZE = 40_000
const sample = (draw: (chance: ReturnType<typeof createChance>) => number) => {
  const chance = createChance(20261124)
  return Array.from({ length: SIZE }, () => draw(chance)).sort((a, b) => a - b)
}
const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length

describe('seeded chance', () => {
  test('the same seed draws the same, and a name gives another seed', () => {
    const draw = (seed: number) => Array.from({ length: 8 }, createChance(seed).next)
    expect(draw(5)).toEqual(draw(5))
    expect(draw(5)).not.toEqual(draw(6))
    expect(seedFor(5, 'a')).not.toBe(seedFor(5, 'b'))
  })

  test('uniform draws fill [0, 1) evenly', () => {
    const values = sample((c) => c.next())
    // Kolmogorov-Smirnov: the largest gap to the uniform distribution stays under its 0.1 % critical value.
    const gap = Math.max(...values.map((v, i) => Math.abs((i + 0.5) / SIZE - v)))
    expect(gap).toBeLessThan(1.95 / Math.sqrt(SIZE))
    expect(values[0]).toBeGreaterThanOrEqual(0)
    expect(values.at(-1)).toBeLessThan(1)
  })

  test('exponential and log-normal draws have their mean and median', () => {
    expect(Math.abs(mean(sample((c) => c.exponential(300))) - 300)).toBeLessThan(4 * (300 / Math.sqrt(SIZE)))
    const middle = sample((c) => c.logNormal(240, 0.55))[SIZE / 2] ?? 0
    expect(Math.abs(Math.log(middle / 240))).toBeLessThan(4 * 1.2533 * (0.55 / Math.sqrt(SIZE)))
  })

  test('weights decide how often, an empty list is a bug', () => {
    const share = mean(
      sample((c) =>
        c.weighted([
          { weight: 3, item: 1 },
          { weight: 1, item: 0 },
        ]),
      ),
    )
    expect(Math.abs(share - 0.75)).toBeLessThan(4 * Math.sqrt((0.75 * 0.25) / SIZE))
    expect(() => createChance(1).pick([])).toThrow('empty list')
  })
})
