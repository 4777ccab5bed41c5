// Days and times in the time zone of somebody else: a callback is agreed in theirs.
import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'

const HOUR = 3_600_000

/**
 * Every instant, as epoch milliseconds in order, at which clocks of a zone (IANA name) show `2026-11-26` and `10:00`: one, none in the hour that is left out
 * in spring, two in the hour that comes twice in autumn. null while day or time is missing.
 */
export function instantsOf(day: string, time: string, timeZone: string): readonly number[] | null {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day)
  const clock = /^(\d{2}):(\d{2})$/.exec(time)
  if (match === null || clock === null) return null
  const [year, month, date] = match.slice(1).map(Number) as [number, number, number]
  const [hour, minute] = clock.slice(1).map(Number) as [number, number]
  const at = new TZDate(year, month - 1, date, hour, minute, timeZone).getTime()
  if (Number.isNaN(at)) return null
  // Nowhere are clocks changed by more than an hour; at Lord Howe by half of one.
  const near = [at - HOUR, at - HOUR / 2, at, at + HOUR / 2, at + HOUR]
  return near.filter((ms) => inZone(ms, timeZone, 'yyyy-MM-dd HH:mm') === `${day} ${time}`)
}

/** The first of these instants; null while there is none. */
export const toEpochMs = (day: string, time: string, timeZone: string): number | null => instantsOf(day, time, timeZone)?.[0] ?? null

export const inZone = (atMs: number, timeZone: string, pattern: string): string => format(new TZDate(atMs, timeZone), pattern)

/** The zones of a country (ISO 3166-1), as the platform knows them; none when it does not. */
export function zonesOf(country: string | null): readonly string[] {
  if (country === null || !/^[A-Z]{2}$/.test(country)) return []
  const locale = new Intl.Locale('en', { region: country }) as Intl.Locale & { getTimeZones?: () => string[]; timeZones?: string[] }
  return locale.getTimeZones?.() ?? locale.timeZones ?? []
}

/** `Europe/London` as people read it: `London`. */
export const zoneWords = (timeZone: string): string => (timeZone.split('/').at(-1) ?? timeZone).replaceAll('_', ' ')
