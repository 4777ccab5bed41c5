// Opening hours, read in the centre's time zone.
import type { Opening } from '@/core/set-up'
import { type EpochMs, localTime } from '@/core/time'

/** Whether a queue with these hours takes calls at this instant; always, when there are none. */
export function isOpen(hours: readonly Opening[], timeZone: string, atMs: EpochMs): boolean {
  if (hours.length === 0) return true
  const { day, minute } = localTime(timeZone, atMs)
  return hours.some((o) => o.days.includes(day) && o.fromMinute <= minute && minute < o.toMinute)
}
