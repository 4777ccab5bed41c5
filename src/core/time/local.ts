// The clock at a place. What a zone is ahead of UTC changes twice a year at most: it is asked of the platform once for each day, and reckoned with from then on.
import { tzOffset } from '@date-fns/tz'
import { DAY, type EpochMs, MINUTE } from './time'

/** By zone and day (UTC): minutes ahead of UTC; null on a day on which that changes. */
const known = new Map<string, Map<number, number | null>>()
const MOST_DAYS = 4_000

/** How far a zone of the IANA database is ahead of UTC at an instant, ms. Throws a RangeError on a zone that is none. */
export function zoneAheadMs(zone: string, atMs: EpochMs): number {
  let days = known.get(zone)
  if (days === undefined || days.size > MOST_DAYS) {
    days = new Map()
    known.set(zone, days)
  }
  const day = Math.floor(atMs / DAY)
  let ahead = days.get(day)
  if (ahead === undefined) {
    const [first, last] = [tzOffset(zone, new Date(day * DAY)), tzOffset(zone, new Date((day + 1) * DAY))]
    if (Number.isNaN(first)) throw new RangeError(`${zone} is no time zone`)
    ahead = first === last ? first : null
    days.set(day, ahead)
  }
  return (ahead ?? tzOffset(zone, new Date(atMs))) * MINUTE
}

/** Day of the week (1 Monday to 7 Sunday) and minute of the day at a place. */
export function localTime(zone: string, atMs: EpochMs): { readonly day: number; readonly minute: number } {
  const localMs = atMs + zoneAheadMs(zone, atMs)
  const days = Math.floor(localMs / DAY)
  // The first of January 1970 was a Thursday.
  return { day: ((((days + 3) % 7) + 7) % 7) + 1, minute: Math.floor((localMs - days * DAY) / MINUTE) }
}

/** The calendar day at a place, `2026-11-26`. */
export const localDay = (zone: string, atMs: EpochMs): string => new Date(atMs + zoneAheadMs(zone, atMs)).toISOString().slice(0, 10)

/**
 * The instant at which the clock at a place shows so many milliseconds since the first of January 1970: one of the two where it does so twice, and the end of
 * the gap where it never does.
 */
export function instantAt(zone: string, localMs: number): EpochMs {
  const one = localMs - zoneAheadMs(zone, localMs - zoneAheadMs(zone, localMs))
  if (one + zoneAheadMs(zone, one) === localMs) return one
  const other = localMs - zoneAheadMs(zone, one)
  return other + zoneAheadMs(zone, other) === localMs ? other : Math.max(one, other)
}

/** Midnight at a place, as its clock counts, some days after the day of an instant. */
export const localMidnight = (zone: string, atMs: EpochMs, daysAfter = 0): number => (Math.floor((atMs + zoneAheadMs(zone, atMs)) / DAY) + daysAfter) * DAY
