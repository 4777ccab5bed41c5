// Days of the centre, in its own time zone, and where one begins.
import { TZDate } from '@date-fns/tz'
import { addDays, differenceInCalendarDays, format } from 'date-fns'
import { HOUR } from '@/core/time'

/** A day of the centre as `2026-11-26`. */
export type Day = string

export const dayAt = (atMs: number, timeZone: string): Day => format(new TZDate(atMs, timeZone), 'yyyy-MM-dd')

export const dayAfter = (day: Day, days = 1): Day => format(addDays(utc(day), days), 'yyyy-MM-dd')

/** Sunday 0, as `Date.getDay` counts. */
export const weekdayOf = (day: Day): number => utc(day).getDay()

/** How many days `to` is after `from`. */
export const daysBetween = (from: Day, to: Day): number => differenceInCalendarDays(utc(to), utc(from))

/**
 * The instant from which times of a day count. On a day when clocks change it is an hour off midnight, so that working hours are
 * where the clock on the wall has them.
 */
export function startOfDayMs(day: Day, timeZone: string): number {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number]
  return new TZDate(year, month - 1, date, 8, timeZone).getTime() - 8 * HOUR
}

const utc = (day: Day): TZDate => new TZDate(`${day}T00:00:00Z`, 'UTC')
