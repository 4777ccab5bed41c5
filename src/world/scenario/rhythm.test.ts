import { describe, expect, test } from 'vitest'
import { createChance } from '@/core/chance'
import { HOUR } from '@/core/time'
import { nextArrivalMs, type Pace } from '@/world'
import { DISRUPTION, SAILINGS } from './people'
import { RHYTHM } from './rhythm'

const { arrivalsPerHour, hoursOf, mostPerHour } = RHYTHM

describe.each([
  { pace: 'ordinary' as Pace, queueId: SAILINGS, weekday: 2 },
  { pace: 'ordinary' as Pace, queueId: SAILINGS, weekday: 0 },
  { pace: 'storm' as Pace, queueId: DISRUPTION, weekday: 3 },
  { pace: 'storm' as Pace, queueId: DISRUPTION, weekday: 6 },
])('$pace, $queueId, weekday $weekday', ({ pace, queueId, weekday }) => {
  const hours = hoursOf(weekday)
  const rate = (t: number) => arrivalsPerHour(pace, queueId, t, hours)
  const arrived: number[] = []
  const SEEDS = 12
  for (let seed = 1; seed <= SEEDS; seed++) {
    const chance = createChance(seed)
    for (let at = nextArrivalMs(chance, rate, mostPerHour, 0); at !== null; at = nextArrivalMs(chance, rate, mostPerHour, at)) arrived.push(at)
  }

  test('no rate is above the highest there may be', () => {
    for (let minute = 0; minute < 24 * 60; minute++) expect(rate((minute * HOUR) / 60)).toBeLessThanOrEqual(mostPerHour)
  })

  test('as many calls come as the rates say, and none while it is closed', () => {
    let expected = 0
    for (let minute = 0; minute < 24 * 60; minute++) expected += (rate((minute * HOUR) / 60) / 60) * SEEDS
    // A Poisson count lies within four standard deviations of its mean, save once in sixteen thousand.
    expect(Math.abs(arrived.length - expected)).toBeLessThan(4 * Math.sqrt(expected))
    expect(arrived.filter((at) => at < hours.opensMs || at > hours.closesMs)).toEqual([])
  })
})

test('a weekend is quieter and shorter than a weekday', () => {
  const daily = (weekday: number) => {
    const hours = hoursOf(weekday)
    return Array.from({ length: 24 }, (_, h) => arrivalsPerHour('ordinary', SAILINGS, h * HOUR, hours)).reduce((a, b) => a + b, 0)
  }
  expect(daily(6)).toBeLessThan(0.6 * daily(2))
  expect(daily(0)).toBeLessThan(0.6 * daily(6))
})
