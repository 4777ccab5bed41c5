import { TZDate } from '@date-fns/tz'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { instantAt, localDay, localTime, zoneAheadMs } from './local'

// Half hours, quarters, a change of half an hour, a day left out, and changes on both sides of midnight.
const ZONES = [
  ...['Europe/London', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Pacific/Apia', 'America/Santiago', 'UTC'],
  ...['Asia/Beirut', 'America/St_Johns', 'Africa/Cairo'],
]

test('the clock at a place is what the platform says it is, at any instant and in the minutes around every change of it', () => {
  const is = (zone: string, atMs: number) => {
    const date = new TZDate(atMs, zone)
    const two = (n: number) => String(n).padStart(2, '0')
    expect(localTime(zone, atMs), `${zone} ${atMs}`).toEqual({ day: date.getDay() === 0 ? 7 : date.getDay(), minute: date.getHours() * 60 + date.getMinutes() })
    expect(localDay(zone, atMs)).toBe(`${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`)
  }
  fc.assert(fc.property(fc.constantFrom(...ZONES), fc.integer({ min: Date.UTC(1975, 0), max: Date.UTC(2037, 0) }), is), { numRuns: 2_000 })
  for (const zone of ZONES)
    for (let atMs = Date.UTC(2026, 0); atMs < Date.UTC(2027, 0); atMs += 6 * 3_600_000) {
      const hour = (ms: number) => new TZDate(ms, zone).getTimezoneOffset()
      if (hour(atMs) !== hour(atMs + 6 * 3_600_000)) for (let k = 0; k <= 24; k++) is(zone, atMs + k * 900_000)
    }
  expect(() => localTime('Nowhere/Land', 0)).toThrow(RangeError)
})

test('what a clock shows is an instant again: the same, the other of two, or the end of a gap', () => {
  fc.assert(
    fc.property(fc.constantFrom(...ZONES), fc.integer({ min: Date.UTC(1975, 0), max: Date.UTC(2037, 0) }), (zone, atMs) => {
      const localMs = atMs + zoneAheadMs(zone, atMs)
      const back = instantAt(zone, localMs)
      expect(back + zoneAheadMs(zone, back), `${zone} ${atMs}`).toBe(localMs)
    }),
    { numRuns: 2_000 },
  )
  // 29 March 2026, 01:00 to 02:00 is left out in London; in Cairo it is midnight of 24 April.
  expect(instantAt('Europe/London', Date.UTC(2026, 2, 29, 1, 30))).toBe(Date.UTC(2026, 2, 29, 1, 30))
  expect(localTime('Africa/Cairo', instantAt('Africa/Cairo', Date.UTC(2026, 3, 24)))).toMatchObject({ minute: 60 })
})
