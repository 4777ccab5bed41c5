export { toCallsCsv, toNdjson } from './calls'
export { type CalendarItem, toICalendar } from './ical'
export { type Attendee, type Invitation, toInvitation } from './invitation'
export { toWav } from './wav'
