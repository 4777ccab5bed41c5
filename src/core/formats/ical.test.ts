import ICAL from 'ical.js'
import { expect, test } from 'vitest'
import { toICalendar } from './ical'

const ITEMS = [
  {
    uid: 'callback_1@example.com',
    atMs: Date.UTC(2026, 10, 26, 10),
    durationMs: 600_000,
    title: 'Call Ottoline Fjelding',
    text: 'On +44 1632 960102; she asked, twice,\nabout the lift',
  },
  { uid: 'callback_2@example.com', atMs: Date.UTC(2026, 6, 1, 22, 30), durationMs: 600_000, title: 'Rückruf · Jørun; Strandby', text: '' },
]

test('a common library reads back what was written: times, texts with commas and line breaks, alarms', () => {
  const calendar = new ICAL.Component(ICAL.parse(toICalendar('Callbacks', ITEMS, Date.UTC(2026, 10, 25))))
  expect(calendar.getFirstPropertyValue('version')).toBe('2.0')
  const events = calendar.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
  expect(
    events.map((event) => ({
      uid: event.uid,
      atMs: event.startDate.toJSDate().getTime(),
      durationMs: event.duration.toSeconds() * 1000,
      title: event.summary,
      text: event.description ?? '',
    })),
  ).toEqual(ITEMS)
  for (const event of events) expect(event.component.getAllSubcomponents('valarm')).toHaveLength(1)
})

test('a list of none is a calendar all the same', () => {
  expect(new ICAL.Component(ICAL.parse(toICalendar('Callbacks', [], 0))).getAllSubcomponents('vevent')).toEqual([])
})
