// The days a supervisor looks at, kept in the address so that a view can be sent to somebody.
import { addDays, format, isValid, parseISO, startOfDay } from 'date-fns'
import { DAY, HOUR } from '@/core/time'
import type { Span } from '@/services/history/client'

export interface Days {
  /** Local calendar days, both included: `2026-11-24`. */
  readonly from: string
  readonly to: string
}

export type ParsedDays = { readonly ok: true; readonly days: Days } | { readonly ok: false; readonly says: string }

const toDay = (date: Date): string => format(date, 'yyyy-MM-dd')

export const PRESETS: readonly { readonly label: string; readonly days: (now: Date) => Days }[] = [
  { label: 'Today', days: (now) => ({ from: toDay(now), to: toDay(now) }) },
  { label: 'Yesterday', days: (now) => ({ from: toDay(addDays(now, -1)), to: toDay(addDays(now, -1)) }) },
  { label: 'Last 7 days', days: (now) => ({ from: toDay(addDays(now, -6)), to: toDay(now) }) },
]

export const lastSevenDays = (now: Date): Days => ({ from: toDay(addDays(now, -6)), to: toDay(now) })

/** Both days must be days, in order, and at most a year apart. */
export function parseDays(from: string, to: string): ParsedDays {
  const [first, last] = [parseISO(from), parseISO(to)]
  if (!isValid(first) || from === '') return { ok: false, says: 'The first day is not a date. Choose one, or press Today.' }
  if (!isValid(last) || to === '') return { ok: false, says: 'The last day is not a date. Choose one, or press Today.' }
  if (first > last) return { ok: false, says: 'The first day comes after the last. Swap them.' }
  if (last.getTime() - first.getTime() > 366 * DAY) return { ok: false, says: 'That is more than a year. Choose a shorter span.' }
  return { ok: true, days: { from, to } }
}

export const toSpan = ({ from, to }: Days): Span => ({ fromMs: startOfDay(parseISO(from)).getTime(), toMs: startOfDay(addDays(parseISO(to), 1)).getTime() })

/** One day is drawn by the hour, more by the calendar day: on the days the clocks change that is 23 or 25 hours. */
export function stepsOf(days: Days): readonly number[] {
  const { fromMs, toMs } = toSpan(days)
  const steps: number[] = []
  if (days.from === days.to) for (let at = fromMs; at < toMs; at += HOUR) steps.push(at)
  else for (let day = new Date(fromMs); day.getTime() < toMs; day = startOfDay(addDays(day, 1))) steps.push(day.getTime())
  return steps
}

/** `02`. Where clocks are put back an hour comes twice: the second is called so. */
export const hourName = (ms: number): string => format(ms, 'HH') + (new Date(ms - HOUR).getHours() === new Date(ms).getHours() ? ' again' : '')

/** `Sunday 25 October, 25 hours`: how long it is stands with a day on which the clocks change. */
export function dayName(ms: number): string {
  const hours = Math.round((startOfDay(addDays(ms, 1)).getTime() - ms) / HOUR)
  return format(ms, 'EEEE d MMMM') + (hours === 24 ? '' : `, ${hours} hours`)
}
