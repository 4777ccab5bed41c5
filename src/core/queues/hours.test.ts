import { expect, test } from 'vitest'
import { isOpen } from './hours'

const WEEKDAYS = [{ days: [1, 2, 3, 4, 5], fromMinute: 8 * 60, toMinute: 18 * 60 }]
const NIGHT = [
  { days: [5], fromMinute: 22 * 60, toMinute: 24 * 60 },
  { days: [6], fromMinute: 0, toMinute: 6 * 60 },
]

// 24 November 2026 is a Tuesday. London is an hour ahead of UTC until 25 October, Auckland thirteen hours in November.
test.each([
  { says: 'no hours are always open', hours: [], zone: 'UTC', at: '2026-11-22T03:00Z', open: true },
  { says: 'within', hours: WEEKDAYS, zone: 'UTC', at: '2026-11-24T08:00Z', open: true },
  { says: 'a minute before', hours: WEEKDAYS, zone: 'UTC', at: '2026-11-24T07:59Z', open: false },
  { says: 'the closing minute itself', hours: WEEKDAYS, zone: 'UTC', at: '2026-11-24T18:00Z', open: false },
  { says: 'a Sunday', hours: WEEKDAYS, zone: 'UTC', at: '2026-11-22T10:00Z', open: false },
  { says: 'summer time, by the clock on the wall', hours: WEEKDAYS, zone: 'Europe/London', at: '2026-07-14T07:30Z', open: true },
  { says: 'the same instant in winter', hours: WEEKDAYS, zone: 'Europe/London', at: '2026-12-15T07:30Z', open: false },
  { says: 'far away it is tomorrow already', hours: WEEKDAYS, zone: 'Pacific/Auckland', at: '2026-11-22T20:00Z', open: true },
  { says: 'a night in two rows, before midnight', hours: NIGHT, zone: 'UTC', at: '2026-11-27T23:59Z', open: true },
  { says: 'a night in two rows, after it', hours: NIGHT, zone: 'UTC', at: '2026-11-28T00:00Z', open: true },
])('$says', ({ hours, zone, at, open }) => {
  expect(isOpen(hours, zone, Date.parse(at.replace('Z', ':00Z')))).toBe(open)
})
