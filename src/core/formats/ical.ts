// Callbacks and tasks, and sessions, as iCalendar (RFC 5545), through a well-kept library: a callback is an event with an alarm at its time, a task is
// a to-do written as an event of its due day's hour, because many calendars open events only. Times are UTC.
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator'
import { MINUTE } from '@/core/time'

export interface CalendarItem {
  /** Unique and lasting: a calendar that reads the file again updates the item. */
  readonly uid: string
  readonly atMs: number
  readonly durationMs: number
  readonly title: string
  readonly text: string
  /** Whether the calendar reminds of it; it does unless said otherwise. */
  readonly alarm?: boolean
}

export function toICalendar(name: string, items: readonly CalendarItem[], nowMs: number): string {
  const calendar = ical({ name, prodId: { company: 'Loyal Switchboard', product: 'Calendar', language: 'EN' }, method: ICalCalendarMethod.PUBLISH })
  for (const { uid, atMs, durationMs, title, text, alarm = true } of items) {
    const event = calendar.createEvent({
      id: uid,
      start: new Date(atMs),
      end: new Date(atMs + durationMs),
      stamp: new Date(nowMs),
      summary: title,
      description: text,
    })
    if (alarm) event.createAlarm({ type: ICalAlarmType.display, triggerBefore: ALARM_BEFORE_S, description: title })
  }
  return calendar.toString()
}

const ALARM_BEFORE_S = (5 * MINUTE) / 1000
