import { expect, test } from 'vitest'
import { inZone, toEpochMs, zonesOf, zoneWords } from './zoned'

test.each([
  { says: 'winter', day: '2026-11-26', time: '10:00', zone: 'Europe/London', iso: '2026-11-26T10:00:00.000Z' },
  { says: 'summer time', day: '2026-07-01', time: '10:00', zone: 'Europe/London', iso: '2026-07-01T09:00:00.000Z' },
  { says: 'the other side of the world, where it is tomorrow', day: '2026-11-26', time: '09:30', zone: 'Australia/Sydney', iso: '2026-11-25T22:30:00.000Z' },
])('$says: the time of a zone is that instant, and is read back', ({ day, time, zone, iso }) => {
  const atMs = toEpochMs(day, time, zone)
  expect(new Date(atMs ?? Number.NaN).toISOString()).toBe(iso)
  expect(inZone(atMs ?? Number.NaN, zone, 'yyyy-MM-dd HH:mm')).toBe(`${day} ${time}`)
})

test('what is not a whole day and time is no instant', () => {
  for (const [day, time] of [
    ['', '10:00'],
    ['2026-11-26', ''],
    ['26.11.2026', '10:00'],
  ] as const)
    expect(toEpochMs(day, time, 'UTC')).toBeNull()
})

test('a country knows its zones', () => {
  expect(zonesOf('GB')).toContain('Europe/London')
  expect(zonesOf('US').length).toBeGreaterThan(5)
  expect(zonesOf('+44')).toEqual([])
  expect(zoneWords('America/New_York')).toBe('New York')
})
