// The tests run in the zone they set: one whose clocks go back on 25 October 2026.
import { format } from 'date-fns'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { stepsOf, toSpan } from './span'

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
