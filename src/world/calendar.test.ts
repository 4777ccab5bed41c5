import { expect, test } from 'vitest'
import { HOUR, utcDay } from '@/core/time'
import { dayAfter, dayAt, daysBetween, startOfDayMs, weekdayOf } from './calendar'

const ZONES = ['Europe/London', 'America/New_York', 'Australia/Sydney', 'Pacific/Auckland', 'UTC']
/** A year and more, with the days on which clocks change in each of these zones. */
const DAYS = Array.from({ length: 400 }, (_, i) => dayAfter('2026-01-01', i))

test.each(ZONES)('in %s each day begins where a clock on the wall stands at eight, eight hours later', (zone) => {
  for (const day of DAYS) {
    const eight = startOfDayMs(day, zone) + 8 * HOUR
    expect(new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(eight)).toBe('08:00')
    expect(dayAt(eight, zone)).toBe(day)
  }
})

test('days follow each other, and are counted', () => {
  for (const [i, day] of DAYS.entries()) {
    expect(day).toBe(utcDay(Date.UTC(2026, 0, 1 + i)))
    expect(weekdayOf(day)).toBe(new Date(Date.UTC(2026, 0, 1 + i)).getUTCDay())
    expect(daysBetween('2026-01-01', day)).toBe(i)
  }
  expect(dayAfter('2026-03-01', -1)).toBe('2026-02-28')
})
