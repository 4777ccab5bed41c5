import { expect, test } from 'vitest'
import { dayAfter, weekdayOf } from '@/world'
import { paceOfDay } from './weather'

const DAYS = Array.from({ length: 400 }, (_, i) => dayAfter('2026-01-01', i))

test.each([0, 1, 2, 3, 4, 5, 7, 1_234_567])('with seed %i every eight days have a gale, on a working day, and never two in a row', (seed) => {
  const stormy = DAYS.map((day) => paceOfDay(seed, day) === 'storm')
  for (const [i, day] of DAYS.entries()) {
    if (stormy[i]) expect([1, 2, 3, 4, 5]).toContain(weekdayOf(day))
    if (i >= 7) expect(stormy.slice(i - 7, i + 1)).toContain(true)
    expect([stormy[i], stormy[i + 1]]).not.toEqual([true, true])
  }
})
