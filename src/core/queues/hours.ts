// Opening hours, read in the centre's time zone.
import type { Opening } from '@/core/set-up'
import type { EpochMs } from '@/core/time'

const formats = new Map<string, Intl.DateTimeFormat>()
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** Whether a queue with these hours takes calls at this instant; always, when there are none. */
export function isOpen(hours: readonly Opening[], timeZone: string, atMs: EpochMs): boolean {
  if (hours.length === 0) return true
  const { day, minute } = localTime(timeZone, atMs)
  return hours.some((o) => o.days.includes(day) && o.fromMinute <= minute && minute < o.toMinute)
}

/** Day of the week (1 Monday to 7 Sunday) and minute of the day. */
export function localTime(timeZone: string, atMs: EpochMs): { readonly day: number; readonly minute: number } {
  let format = formats.get(timeZone)
  if (format === undefined) {
    format = new Intl.DateTimeFormat('en-GB', { timeZone, weekday: 'short', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
    formats.set(timeZone, format)
  }
  const parts = new Map(format.formatToParts(atMs).map((p) => [p.type, p.value]))
  return { day: DAYS.indexOf(parts.get('weekday') ?? '') + 1, minute: Number(parts.get('hour')) * 60 + Number(parts.get('minute')) }
}
