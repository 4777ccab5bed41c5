import * as fc from 'fast-check'
import { expect, test } from 'vitest'
import { opinionScore, qualityOf, ratingFactor } from './e-model'

const CLEAN = { delayMs: 0, lossRatio: 0, burstRatio: 1 }

/** The examples of the recommendations. */
test.each([
  { r: 93.2, mos: 4.41 },
  { r: 90, mos: 4.34 },
  { r: 80, mos: 4.03 },
  { r: 70, mos: 3.6 },
  { r: 60, mos: 3.1 },
  { r: 50, mos: 2.58 },
  { r: 0, mos: 1 },
  { r: 100, mos: 4.5 },
])('R = $r is a score of $mos', ({ r, mos }) => expect(opinionScore(r)).toBeCloseTo(mos, 1))

test('a line without trouble is as good as a line can be; what 25.1 % of loss by chance does is half of all there is to lose', () => {
  expect(ratingFactor(CLEAN)).toBe(93.2)
  expect(ratingFactor({ ...CLEAN, lossRatio: 0.251 })).toBeCloseTo(93.2 - 95 / 2, 6)
  expect([93.2, 85, 72, 61, 55, 20].map(qualityOf)).toEqual(['best', 'high', 'medium', 'low', 'poor', 'unfit'])
  // A tenth of a second is not noticed; four of them are.
  expect(ratingFactor({ ...CLEAN, delayMs: 100 })).toBe(93.2)
  expect(ratingFactor({ ...CLEAN, delayMs: 400 })).toBeCloseTo(69.2, 0)
})

test('more delay, more loss and longer losses never make it better', () => {
  const line = fc.record({
    delayMs: fc.integer({ min: 0, max: 2_000 }),
    lossRatio: fc.double({ min: 0, max: 1, noNaN: true }),
    burstRatio: fc.double({ min: 1, max: 4, noNaN: true }),
  })
  fc.assert(
    fc.property(line, fc.integer({ min: 0, max: 500 }), fc.double({ min: 0, max: 0.5, noNaN: true }), (l, moreMs, moreLoss) => {
      const r = ratingFactor(l)
      expect(r).toBeGreaterThanOrEqual(0)
      expect(ratingFactor({ ...l, delayMs: l.delayMs + moreMs })).toBeLessThanOrEqual(r + 1e-9)
      expect(ratingFactor({ ...l, lossRatio: Math.min(1, l.lossRatio + moreLoss) })).toBeLessThanOrEqual(r + 1e-9)
      expect(ratingFactor({ ...l, burstRatio: l.burstRatio + moreLoss })).toBeLessThanOrEqual(r + 1e-9)
    }),
  )
})
