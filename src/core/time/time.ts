// Instants and durations. Instants are UTC epoch milliseconds and end in `AtMs`; durations end in `Ms`.
// Nothing here reads a clock: time comes in with the command.

export type EpochMs = number

export const SECOND = 1_000
export const MINUTE = 60_000
/** By which days are counted, forecast and staffed. */
export const QUARTER_MS = 15 * MINUTE
export const HOUR = 3_600_000
export const DAY = 86_400_000
/** The furthest anything is agreed for. */
export const A_YEAR_MS = 366 * DAY

/** The last instant a `Date` can name (ECMA-262, 21.4.1.1). */
export const LAST_INSTANT_MS = 8.64e15

/**
 * What was measured or drawn, as the whole milliseconds everything here is counted in. What comes from outside (the world, a measurement, a quotient)
 * goes through here once; sums and differences of whole ones are whole.
 */
export const wholeMs = (ms: number): number => Math.round(ms)

/** A duration as an agent reads it: `0:07`, `12:40`, `1:02:33`. Negative durations read as `0:00`. */
export function formatClock(durationMs: number): string {
  const seconds = Math.max(0, Math.floor(durationMs / SECOND))
  const two = (n: number) => String(n).padStart(2, '0')
  const hours = Math.floor(seconds / 3600)
  const minutes = Math.floor(seconds / 60) % 60
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`
}

/** A minute of the day as its clock time: `09:15`, `24:00` at its end. */
export const minuteClock = (minute: number): string => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`

/** The calendar day of an instant in UTC, `2026-11-24`: names the chunk a past day is kept under. */
export const utcDay = (atMs: EpochMs): string => new Date(atMs).toISOString().slice(0, 10)

const zones = new Map<string, boolean>()

/** Whether a name stands for a time zone of the IANA database, as the platform knows it. */
export function isTimeZone(name: string): boolean {
  const known = zones.get(name)
  if (known !== undefined) return known
  let is = true
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    is = false
  }
  // Names come from a list of some hundred; whatever else is typed must not fill the memory.
  if (zones.size < 1_000) zones.set(name, is)
  return is
}
