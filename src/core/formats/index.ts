export { toCallsCsv, toNdjson } from './calls'
export { bareCell, type CsvRow, readCsv, safeCell, toCsv } from './csv'
export { type CalendarItem, toICalendar } from './ical'
export { toWav } from './wav'
