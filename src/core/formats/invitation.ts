// The invitation to a conference as iCalendar (RFC 5545), for people to answer in their own calendar: METHOD:REQUEST, or CANCEL when it is called off (RFC 5546).
// Whoever has no e-mail address is invited by their telephone (RFC 3966). Times are UTC; the zone it was arranged in stands in words.
import ICAL from 'ical.js'

export interface Invitation {
  /** Unique and lasting: a calendar that reads a later one changes what it has. */
  readonly uid: string
  readonly sequence: number
  readonly isCancelled: boolean
  readonly startsAtMs: number
  readonly endsAtMs: number
  readonly title: string
  readonly text: string
  /** Where it is: how one dials in. */
  readonly place: string
  readonly organizer: Attendee
  readonly attendees: readonly Attendee[]
}

export interface Attendee {
  readonly name: string
  /** A URI: `mailto:…`, `tel:…` or `urn:…`. */
  readonly address: string
}

export function toInvitation(invitation: Invitation, nowMs: number): string {
  const { uid, sequence, isCancelled, startsAtMs, endsAtMs, title, text, place, organizer, attendees } = invitation
  const calendar = new ICAL.Component('vcalendar')
  calendar.updatePropertyWithValue('version', '2.0')
  calendar.updatePropertyWithValue('prodid', '-//Loyal Switchboard//Conferences//EN')
  calendar.updatePropertyWithValue('method', isCancelled ? 'CANCEL' : 'REQUEST')
  const event = new ICAL.Component('vevent')
  event.updatePropertyWithValue('uid', uid)
  event.updatePropertyWithValue('sequence', sequence)
  event.updatePropertyWithValue('dtstamp', utc(nowMs))
  event.updatePropertyWithValue('dtstart', utc(startsAtMs))
  event.updatePropertyWithValue('dtend', utc(endsAtMs))
  event.updatePropertyWithValue('status', isCancelled ? 'CANCELLED' : 'CONFIRMED')
  event.updatePropertyWithValue('summary', title)
  event.updatePropertyWithValue('description', text)
  event.updatePropertyWithValue('location', place)
  event.addProperty(person('organizer', organizer, {}))
  for (const attendee of attendees) event.addProperty(person('attendee', attendee, { role: 'REQ-PARTICIPANT', partstat: 'NEEDS-ACTION', rsvp: 'TRUE' }))
  calendar.addSubcomponent(event)
  return `${calendar.toString()}\r\n`
}

const utc = (atMs: number): ICAL.Time => ICAL.Time.fromJSDate(new Date(atMs), true)

function person(name: 'organizer' | 'attendee', { name: cn, address }: Attendee, parameters: Readonly<Record<string, string>>): ICAL.Property {
  const property = new ICAL.Property(name)
  // A quotation mark cannot be written in a parameter.
  for (const [key, value] of Object.entries({ cn: cn.replaceAll('"', '’'), ...parameters })) property.setParameter(key, value)
  property.setValue(address)
  return property
}
