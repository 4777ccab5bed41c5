// The customer records stand-in: the regulars, a few hundred invented people with what the company knows of them. Numbers come
// from ranges reserved for fiction only.

import type { Customer } from '@/core/calls'
import { type Chance, createChance, seedFor } from '@/core/chance'

export interface CustomerRecord extends Customer {
  readonly id: string
  readonly number: string
  /** A second number, for one in four. */
  readonly mobile: string | null
}

const KNOWN = ['Perrin Arncliffe', 'Ottoline Fjelding', 'Tegan Brackenhythe', 'Vesna Holmquay', 'Aldous Quayle-Storr']
const FIRST = 'Eluned Kester Sunniva Bevan Marit Hollis Idony Jorun Wrenna Ulric Fenella Torin Yrsa Odhran Linnea Perrin Ottoline Tegan Vesna Aldous'.split(' ')
const LAST =
  'Tarnow Oddersey Merrowby Skarrow Lundeby Varrick Penhallis Strandby Corrieshaw Grunvik Eddystane Kellowick Tidesley Saltergate Wickerby Arncliffe Fjelding Brackenhythe Holmquay Quayle-Storr'.split(
    ' ',
  )

const PORTS = ['Arnmoor', 'Skarvey', 'Little Tarn', 'Oskerry', 'Great Hythe']
const DAYS = ['today', 'tomorrow', 'on Friday', 'on Saturday', 'on Sunday']
const HOURS = ['07:20', '09:40', '11:15', '13:50', '16:30', '18:45']
const PARTIES = ['1 adult', '2 adults', '2 adults, 2 children', '1 adult, 1 dog', '2 adults, 1 car', '4 adults, 1 car', '1 adult, 1 bicycle']

interface Group {
  readonly group: string
  readonly fact: string | null
}

const GROUPS: readonly { readonly weight: number; readonly item: Group }[] = [
  { weight: 42, item: { group: 'Islander with a pass', fact: 'Island Pass, valid to March' } },
  { weight: 34, item: { group: 'Visitor', fact: null } },
  { weight: 14, item: { group: 'Haulier', fact: 'Account, pays monthly' } },
  { weight: 4, item: { group: 'School trip', fact: '28 children, 3 adults' } },
  { weight: 4, item: { group: 'Vet with a horse box', fact: 'Horse box, 6.2 m, one horse' } },
  { weight: 2, item: { group: 'Wedding party', fact: 'Bride with 60 guests' } },
]

/** The first part is national; the rest is counted up within the reserved range. */
const RANGES: readonly { readonly prefix: string; readonly count: number; readonly digits: number }[] = [
  { prefix: '+441632960', count: 1000, digits: 3 },
  { prefix: '+447700900', count: 1000, digits: 3 },
  { prefix: '+44207946', count: 1000, digits: 4 },
]

export const CUSTOMERS: readonly CustomerRecord[] = makeCustomers()

/** What the floor keeps of a customer record with the call. */
export const toCustomer = ({ name, group, facts }: CustomerRecord): Customer => ({ name, group, facts })

function makeCustomers(): CustomerRecord[] {
  const chance = createChance(seedFor(1, 'customers'))
  const names = new Set(KNOWN)
  while (names.size < 240) {
    const name = `${chance.pick(FIRST)} ${chance.pick(LAST)}`
    // Staff keep their names to themselves: FIRST[i] LAST[i] is an agent, a supervisor or one of the known callers.
    if (FIRST.indexOf(name.split(' ')[0] as string) !== LAST.indexOf(name.split(' ')[1] as string)) names.add(name)
  }
  const numberOf = (i: number) => {
    const range = RANGES[i % RANGES.length] as (typeof RANGES)[number]
    return `${range.prefix}${String(Math.floor(i / RANGES.length) * 7 + 11).padStart(range.digits, '0')}`
  }
  return [...names].map((name, i) => {
    const about = factsAbout(groupOf(chance), chance)
    return {
      id: `customer_${i + 1}`,
      name,
      // One in fifteen shares the telephone of a household with somebody else.
      number: numberOf(i % 15 === 14 ? i - 1 : i),
      mobile: i % 4 === 0 ? `+44770090${String(600 + i).padStart(4, '0')}` : null,
      ...about,
    }
  })
}

export function groupOf(chance: Chance): Group {
  return chance.weighted(GROUPS)
}

/** What the company knows of somebody of a group. */
export function factsAbout({ group, fact }: Group, chance: Chance): Pick<CustomerRecord, 'group' | 'facts'> {
  const [from, to] = twoOf(PORTS, chance.next(), chance.next())
  const facts = [
    { label: 'Booking', value: `FL-${String(100_000 + Math.floor(chance.next() * 900_000))}` },
    { label: 'Sailing', value: `${from} – ${to}, ${chance.pick(DAYS)} ${chance.pick(HOURS)}` },
    { label: 'Party', value: chance.pick(PARTIES) },
    ...(fact === null ? [] : [{ label: 'Known as', value: fact }]),
  ]
  return { group, facts }
}

function twoOf(items: readonly string[], a: number, b: number): [string, string] {
  const first = Math.floor(a * items.length)
  const second = (first + 1 + Math.floor(b * (items.length - 1))) % items.length
  return [items[first] as string, items[second] as string]
}
