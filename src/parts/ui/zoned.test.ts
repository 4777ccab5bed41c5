import { expect, test } from 'vitest'
import { instantsOf, inZone, toEpochMs, zonesOf, zoneWords } from './zoned'

test.each([
  { says: 'winter', day: '2026-11-26', time: '10:00', zone: 'Europe/London', iso: '2026-11-26T10:00:00.000Z' },
  { says: 'summer time', day: '2026-07-01', time: '10:00', zone: 'Europe/London', iso: '2026-07-01T09:00:00.000Z' },
  { says: 'the other side of the world, where it is tomorrow', day: '2026-11-26', time: '09:30', zone: 'Australia/Sydney', iso: '2026-11-25T22:30:00.000Z' },
])('$says: the time of a zone is that instant, and is read back', ({ day, time, zone, iso }) => {
  const atMs = toEpochMs(day, time, zone)
  expect(new Date(atMs ?? Number.NaN).toISOString()).toBe(iso)
  expect(inZone(atMs ?? Number.NaN, zone, 'yyyy-MM-dd HH:mm')).toBe(`${day} ${time}`)
})

test.each([
  { says: 'the hour London leaves out', day: '2027-03-28', time: '01:30', zone: 'Europe/London', instants: [] },
  {
    says: 'the hour London has twice',
    day: '2026-10-25',
    time: '01:30',
    zone: 'Europe/London',
    instants: ['2026-10-25T00:30:00.000Z', '2026-10-25T01:30:00.000Z'],
  },
  { says: 'the minute after it', day: '2026-10-25', time: '02:00', zone: 'Europe/London', instants: ['2026-10-25T02:00:00.000Z'] },
  {
    says: 'half an hour twice',
    day: '2026-04-05',
    time: '01:45',
    zone: 'Australia/Lord_Howe',
    instants: ['2026-04-04T14:45:00.000Z', '2026-04-04T15:15:00.000Z'],
  },
  { says: 'a midnight that does not come', day: '2026-09-06', time: '00:30', zone: 'America/Santiago', instants: [] },
])('$says', ({ day, time, zone, instants }) => {
  expect(instantsOf(day, time, zone)?.map((ms) => new Date(ms).toISOString())).toEqual(instants)
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
