// Opening hours, read in the centre's time zone, and doors that somebody has opened or closed by hand.
import type { QueueId } from '@/core/ids'
import type { Opening, QueueSetUp } from '@/core/set-up'
import { type EpochMs, localTime } from '@/core/time'

/** Whether a queue with these hours takes calls at this instant; always, when there are none. */
export function isOpen(hours: readonly Opening[], timeZone: string, atMs: EpochMs): boolean {
  if (hours.length === 0) return true
  const { day, minute } = localTime(timeZone, atMs)
  return hours.some((o) => o.days.includes(day) && o.fromMinute <= minute && minute < o.toMinute)
}

/** Queues that are open or closed whatever their hours say. */
export type Doors = Readonly<Record<QueueId, 'open' | 'closed'>>

/** Whether a queue takes calls at this instant: by hand where somebody has said so, otherwise by its hours. */
export function isOpenAt({ id, hours }: Pick<QueueSetUp, 'id' | 'hours'>, doors: Doors, timeZone: string, atMs: EpochMs): boolean {
  const door = doors[id]
  return door === undefined ? isOpen(hours, timeZone, atMs) : door === 'open'
}
