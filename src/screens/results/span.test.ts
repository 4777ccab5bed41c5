// The tests run in the zone they set: one whose clocks go back on 25 October 2026.
import { format } from 'date-fns'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { dayName, hourName, stepsOf, toSpan } from './span'

const before = process.env.TZ
beforeAll(() => {
  process.env.TZ = 'Europe/London'
})
afterAll(() => {
  process.env.TZ = before
})

describe('days on which the clocks change', () => {
  test('each calendar day stands once, under its own name', () => {
    const steps = stepsOf({ from: '2026-10-23', to: '2026-10-27' })
    expect(steps.map((at) => format(at, 'yyyy-MM-dd HH:mm'))).toEqual(['23', '24', '25', '26', '27'].map((d) => `2026-10-${d} 00:00`))
  })

  test('the hour that comes twice is told from itself, and the day says how long it is', () => {
    const steps = stepsOf({ from: '2026-10-25', to: '2026-10-25' })
    expect(steps.slice(0, 4).map(hourName)).toEqual(['00', '01', '01 again', '02'])
    expect(new Set(steps.map(hourName)).size).toBe(25)
    expect(['2026-10-24', '2026-10-25', '2026-03-29'].map((day) => dayName(toSpan({ from: day, to: day }).fromMs))).toEqual([
      'Saturday 24 October',
      'Sunday 25 October, 25 hours',
      'Sunday 29 March, 23 hours',
    ])
  })

  test.each([
    { day: '2026-10-25', hours: 25 },
    { day: '2026-03-29', hours: 23 },
    { day: '2026-11-24', hours: 24 },
  ])('$day has $hours hours', ({ day, hours }) => {
    const days = { from: day, to: day }
    expect(stepsOf(days)).toHaveLength(hours)
    const { fromMs, toMs } = toSpan(days)
    expect(toMs - fromMs).toBe(hours * 3_600_000)
  })
})
