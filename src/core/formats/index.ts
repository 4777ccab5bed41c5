export { toCallsCsv, toNdjson } from './calls'
export { type CalendarItem, toICalendar } from './ical'
export { toWav } from './wav'
