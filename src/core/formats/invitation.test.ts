import ical from 'node-ical'
import { expect, test } from 'vitest'
import { type Invitation, toInvitation } from './invitation'

const INVITATION: Invitation = {
  uid: 'conference_1@loyal-switchboard.example',
  sequence: 2,
  isCancelled: false,
  title: 'Winter boats; all, “of us”',
  place: '+44 1632 960980, code 123456',
  startsAtMs: Date.UTC(2026, 10, 27, 16),
  endsAtMs: Date.UTC(2026, 10, 27, 16, 45),
  text: 'At 16:00 in London.\nDial +44 1632 960980, key 123456.',
  organizer: { name: 'Eluned Tarnow', address: 'tel:+441632960970' },
  attendees: [
    { name: 'Port office, "Arnmoor"', address: 'mailto:port@example.com' },
    { name: 'Jørun Strandby', address: 'tel:+441632960140' },
  ],
}

test('another library reads back what was written: when, what, who is asked and how they are reached', () => {
  const text = toInvitation(INVITATION, Date.UTC(2026, 10, 25))
  expect(text.split('\r\n').every((line) => new TextEncoder().encode(line).length <= 75)).toBe(true)
  const read = Object.values(ical.sync.parseICS(text)).find((part) => part?.type === 'VEVENT')
  if (read?.type !== 'VEVENT') throw new Error('no event')
  expect(read).toMatchObject({ uid: INVITATION.uid, summary: INVITATION.title, description: INVITATION.text, location: INVITATION.place, status: 'CONFIRMED' })
  expect([read.start.getTime(), read.end?.getTime(), Number(read.sequence)]).toEqual([INVITATION.startsAtMs, INVITATION.endsAtMs, 2])
  expect(read.organizer).toMatchObject({ val: 'tel:+441632960970', params: { CN: 'Eluned Tarnow' } })
  expect(read.attendee).toMatchObject([
    { val: 'mailto:port@example.com', params: { CN: 'Port office, ’Arnmoor’', PARTSTAT: 'NEEDS-ACTION', RSVP: true } },
    { val: 'tel:+441632960140', params: { CN: 'Jørun Strandby' } },
  ])
  expect(text).toContain('METHOD:REQUEST')
})

test('called off, it takes itself out of the calendars it is in', () => {
  const text = toInvitation({ ...INVITATION, isCancelled: true, sequence: 3 }, 0)
  expect(text).toMatch(/METHOD:CANCEL\r\n[\s\S]*SEQUENCE:3\r\n[\s\S]*STATUS:CANCELLED/)
})
