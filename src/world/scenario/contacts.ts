// The shared people of the centre's book as it begins: whom agents call besides customers. All invented; numbers reserved for fiction.
import { toContactId } from '@/core/ids'
import { type Contact, ContactSchema } from '@/core/people'
import { PLACES } from './places'

const GROUPS: Readonly<Record<string, readonly (readonly [name: string, company: string, note?: string])[]>> = {
  Ports: [
    ['Harbour master, Fennholm', 'Fennholm Harbour', 'Knows at once which berth is free.'],
    ['Harbour master, Little Tarn', 'Little Tarn Quay'],
    ['Ticket hall, Oskerry', 'Fennholm Line'],
    ['Ticket hall, Great Hythe', 'Fennholm Line', 'Closed from 13:00 to 14:00.'],
    ['Vehicle ramp, Arnmoor', 'Fennholm Line'],
    ['Left luggage, Arnmoor', 'Fennholm Line'],
  ],
  Ships: [
    ['Bridge, Sea Lavender', 'Fennholm Line', 'In port only; at sea through the night watch.'],
    ['Bridge, Oystercatcher', 'Fennholm Line'],
    ['Bridge, Little Auk', 'Fennholm Line'],
    ['Purser, Sea Lavender', 'Fennholm Line'],
    ['Purser, Oystercatcher', 'Fennholm Line'],
  ],
  Hauliers: [
    ['Tancred Holmwood', 'Holmwood Haulage', 'Two trailers every Tuesday.'],
    ['Perpetua Brackwater', 'Brackwater Livestock'],
    ['Ivo Sandrigg', 'Sandrigg & Daughters'],
    ['Ragna Thorsby', 'Thorsby Cold Store'],
    ['Leofric Ambergate', 'Ambergate Removals'],
  ],
  Services: [
    ['Customer relations', 'Fennholm Line', 'Refunds above 200 and complaints in writing.'],
    ['Lost property', 'Fennholm Line'],
    ['Accounts office', 'Fennholm Line'],
    ['Press office', 'Fennholm Line', 'All questions of newspapers go here, without exception.'],
    ['Taxi rank, Fennholm', 'Island Taxis'],
    ['Guest house, Skarvey', 'The Old Boathouse'],
    ['Hotel, Great Hythe', 'Hythe Arms'],
    ['Sign language interpreter', 'Arnmoor Interpreters', 'Half an hour beforehand is enough.'],
  ],
}

/** The last of the range are nobody's who calls. */
const reserved = (n: number) => `+441632960${904 + n}`
/** Some have a second one. */
const second = (n: number) => (n % 3 === 0 ? [{ kind: 'other' as const, number: reserved(30 + n / 3) }] : [])
const emailOf = (name: string) => `${name.toLowerCase().replace(/[^a-z]+/g, '.')}@example.com`

export const CONTACTS: readonly Contact[] = [
  ...PLACES.map(({ name, number }, i) => contact(`place-${i + 1}`, { name, group: 'Ports', company: '', note: '', numbers: [{ kind: 'work', number }] })),
  ...Object.entries(GROUPS)
    .flatMap(([group, people]) => people.map((person) => ({ group, person })))
    .map(({ group, person: [name, company, note = ''] }, n) =>
      contact(`shared-${n}`, { name, company, group, note, email: emailOf(name), numbers: [{ kind: 'work', number: reserved(n) }, ...second(n)] }),
    ),
]

function contact(id: string, about: Partial<Contact>): Contact {
  return ContactSchema.parse({ id: toContactId(`contact_${id}`), revision: 1, ...about })
}
