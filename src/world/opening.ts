// What time of the centre's day it is.
import { startOfDayMs, weekdayOf } from './calendar'
import type { Memory } from './memory'
import type { Hours, Stage } from './stage'

export const hoursToday = ({ rhythm }: Stage, { day }: Pick<Memory, 'day'>): Hours => rhythm.hoursOf(day.kind === 'calendar' ? weekdayOf(day.day) : null)

/** The instant from which times of this day count. */
export const startOfThisDayMs = ({ rhythm }: Stage, { day, pace }: Pick<Memory, 'day' | 'pace'>, timeZone: string, atMs: number): number =>
  day.kind === 'calendar' ? startOfDayMs(day.day, timeZone) : atMs - rhythm.liveStartOfDayMs(pace)

/** A live day has no night: after closing time the same hours come round again. */
export function timeOfDayMs({ opensMs, closesMs }: Hours, { day, startsMs }: Pick<Memory, 'day' | 'startsMs'>, atMs: number): number {
  const open = closesMs - opensMs
  const since = atMs - startsMs - opensMs
  return opensMs + (day.kind === 'live' ? ((since % open) + open) % open : since)
}
