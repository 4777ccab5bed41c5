import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { createChance } from '@/core/chance'
import { erlangA, erlangC } from './erlang'
import { type DayCounts, forecastDay, forecastError, poissonDeviation, QUARTERS } from './forecast'
import { agentsNeeded, serviceLevelA } from './service-level'

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)
/** Days one after the other, of a rate for each quarter. */
function days(count: number, rateOf: (weekday: number, quarter: number) => number, draw: (rate: number) => number = (r) => r): DayCounts[] {
  return Array.from({ length: count }, (_, i) => {
    const date = new Date(Date.UTC(2026, 8, 1 + i))
    const weekday = date.getUTCDay()
    return { day: date.toISOString().slice(0, 10), weekday, offered: Array.from({ length: QUARTERS }, (_, q) => draw(rateOf(weekday, q))) }
  })
}
/** Open from 8 to 18, busiest in the middle. */
const shape = (q: number) => (q < 32 || q >= 72 ? 0 : 10 + 8 * Math.sin(((q - 32) / 40) * Math.PI))
const WEEK = [0.4, 1.4, 1.1, 1, 1, 0.9, 0.6]
/** By counting exponential steps: slow and right. */
function poisson(rate: number, next: () => number): number {
  let [n, at] = [0, -Math.log(1 - next())]
  while (at < rate) [n, at] = [n + 1, at - Math.log(1 - next())]
  return n
}

describe('the forecast', () => {
  test('of days that are all alike is that day: its level exactly, its shape but for the smoothing, nothing before the door opens', () => {
    const { offered } = forecastDay(
      days(10, (_, q) => shape(q)),
      3,
    )
    expect(sum(offered)).toBeCloseTo(sum(Array.from({ length: QUARTERS }, (_, q) => shape(q))), 6)
    for (const [q, f] of offered.entries()) expect(Math.abs(f - shape(q))).toBeLessThan(shape(q) === 0 ? 1e-9 : 1.5)
  })

  test('learns the weekday with the weeks, from not at all to nearly all of it', () => {
    const monday = (weeks: number) =>
      sum(
        forecastDay(
          days(7 * weeks, (w, q) => (WEEK[w] ?? 1) * shape(q)),
          1,
        ).offered,
      )
    const truth = 1.4 * sum(Array.from({ length: QUARTERS }, (_, q) => shape(q)))
    const errors = [1, 4, 12].map((weeks) => Math.abs(monday(weeks) - truth) / truth)
    expect(errors[0]).toBeGreaterThan(errors[1] as number)
    expect(errors[1]).toBeGreaterThan(errors[2] as number)
    expect(errors[2]).toBeLessThan(0.12)
  })

  test('is scaled by what the planner knows, and is nothing where nothing is known', () => {
    const known = days(14, (_, q) => shape(q))
    expect(sum(forecastDay(known, 2, 1.5).offered)).toBeCloseTo(1.5 * sum(forecastDay(known, 2).offered), 6)
    expect(forecastDay([], 2)).toMatchObject({ days: 0, sameWeekday: 0 })
    expect(
      sum(
        forecastDay(
          days(5, () => 0),
          2,
        ).offered,
      ),
    ).toBe(0)
  })

  test('on Poisson days it is off by hardly more than chance, and says how much that is', () => {
    const chance = createChance(11)
    const known = days(
      28,
      (_, q) => shape(q),
      (rate) => poisson(rate, () => chance.next()),
    )
    const { byQuarter, byChance, byDay, days: held } = forecastError(known)
    expect(held).toBe(14)
    expect(byQuarter as number).toBeLessThan(1.25 * (byChance as number))
    expect(byQuarter as number).toBeGreaterThan(0.8 * (byChance as number))
    expect(byDay as number).toBeLessThan(0.06)
  })

  test('the mean absolute deviation of a Poisson count is that of its distribution', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 60, noNaN: true }), (mean) => {
        let [p, expected] = [Math.exp(-mean), 0]
        for (let k = 0; k < 400; k++) {
          expected += p * Math.abs(k - mean)
          p *= mean / (k + 1)
        }
        expect(poissonDeviation(mean)).toBeCloseTo(expected, 6)
      }),
    ))
})

describe('the service level where callers give up', () => {
  const queue = fc.record({
    arrivalRate: fc.double({ min: 0.05, max: 8, noNaN: true }),
    agents: fc.integer({ min: 1, max: 40 }),
    patienceRate: fc.double({ min: 0.05, max: 3, noNaN: true }),
  })

  test('given all the time there is, it is everybody who does not give up; given none, who finds an agent free', () =>
    fc.assert(
      fc.property(queue, (q) => {
        const staffed = { ...q, serviceRate: 0.25 }
        const { shareAbandoned, shareWaiting } = erlangA(staffed)
        expect(serviceLevelA(staffed, 1e6)).toBeCloseTo(1 - shareAbandoned, 4)
        expect(serviceLevelA(staffed, 0)).toBeCloseTo(1 - shareWaiting, 9)
      }),
      { numRuns: 200 },
    ))

  test('with patience without end it is Erlang C’s closed form', () => {
    for (const [arrivalRate, agents, within] of [
      [1, 5, 0.5],
      [3, 14, 0.33],
      [0.4, 2, 2],
    ] as const) {
      const staffed = { arrivalRate, agents, serviceRate: 0.25 }
      const closed = 1 - erlangC(staffed).shareWaiting * Math.exp(-(agents * 0.25 - arrivalRate) * within)
      expect(serviceLevelA({ ...staffed, patienceRate: 1e-5 }, within)).toBeCloseTo(closed, 3)
    }
  })

  test('never falls with an agent or a second more; the fewest agents meet the aim, one fewer does not', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 120, noNaN: true }),
        fc.integer({ min: 60_000, max: 600_000 }),
        fc.double({ min: 0.5, max: 0.95, noNaN: true }),
        (offered, handleMs, share) => {
          const load = { offered, handleMs, patienceMs: 120_000 }
          const aim = { share, withinMs: 20_000 }
          const agents = agentsNeeded(load, aim)
          const rates = { arrivalRate: offered / 900_000, serviceRate: 1 / handleMs, patienceRate: 1 / 120_000 }
          expect(serviceLevelA({ ...rates, agents }, 20_000)).toBeGreaterThanOrEqual(share)
          if (agents > 1) expect(serviceLevelA({ ...rates, agents: agents - 1 }, 20_000)).toBeLessThan(share)
          expect(serviceLevelA({ ...rates, agents }, 30_000)).toBeGreaterThanOrEqual(serviceLevelA({ ...rates, agents }, 20_000) - 1e-9)
          expect(agentsNeeded({ ...load, offered: 0 }, aim)).toBe(0)
        },
      ),
      { numRuns: 60 },
    ))
})
