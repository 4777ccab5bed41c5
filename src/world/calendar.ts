// Days of the centre, in its own time zone, and where one begins.
import { DAY, HOUR, instantAt, localDay, utcDay } from '@/core/time'

/** A day of the centre as `2026-11-26`. */
export type Day = string

export const dayAt = (atMs: number, timeZone: string): Day => localDay(timeZone, atMs)

export const dayAfter = (day: Day, days = 1): Day => utcDay(Date.parse(day) + days * DAY)

/** Sunday 0, as `Date.getDay` counts. */
export const weekdayOf = (day: Day): number => new Date(Date.parse(day)).getUTCDay()

/** How many days `to` is after `from`. */
export const daysBetween = (from: Day, to: Day): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY)

/**
 * The instant from which times of a day count. On a day when clocks change it is an hour off midnight, so that working hours are
 * where the clock on the wall has them.
 */
export const startOfDayMs = (day: Day, timeZone: string): number => instantAt(timeZone, Date.parse(day) + 8 * HOUR) - 8 * HOUR
