// The calling lists of the two campaigns: people of the records, each a pure function of their place in the list.

import { type ListedRecord, zonesOfCountry } from '@/core/campaigns'
import { createChance, seedFor } from '@/core/chance'
import { ISLAND_PASS, ISLAND_PASS_LIST, WINTER_LIST, WINTER_TIMETABLE } from './campaigns'
import type { CustomerRecord } from './customers'
import { personAt, population } from './population'

const WINTER_COUNT = 2_400
const PASS_COUNT = 20_000
const OLD_SAILINGS = ['Arnmoor – Skarvey, 06:15', 'Arnmoor – Oskerry, 21:40', 'Skarvey – Little Tarn, 19:30', 'Great Hythe – Arnmoor, 22:05']
const NEW_SAILINGS = ['Arnmoor – Skarvey, 08:40', 'Arnmoor – Oskerry, 17:10', 'Skarvey – Little Tarn, 16:20', 'Great Hythe – Arnmoor, 18:45']
const PASSES = ['Whole archipelago', 'Skarvey and Little Tarn', 'Oskerry only']

const zonesOf = (number: string): readonly string[] => zonesOfCountry(number.startsWith('+33') ? 'FR' : 'GB')

type Listed = Pick<ListedRecord, 'key' | 'person' | 'numbers' | 'priority' | 'fields'>

const numbersOf = ({ number, mobile }: CustomerRecord): Listed['numbers'] =>
  [number, mobile].flatMap((n) => (n === null ? [] : [{ number: n, zones: zonesOf(n) }]))
const factOf = ({ facts }: CustomerRecord, label: string) => facts.find((f) => f.label === label)?.value ?? ''

/** Where it is night when the centre opens nobody is called. */
const isOverseas = ({ number, mobile }: CustomerRecord): boolean => [number, mobile].some((n) => n !== null && !/^\+(44|33)/.test(n))

function* winter(): Generator<Listed> {
  for (let [i, count] = [0, 0]; count < WINTER_COUNT; i++) {
    // Prime to the number of people: nobody twice, and neighbours of the list are no neighbours.
    const person = personAt((i * 4_801) % population())
    if (isOverseas(person)) continue
    count++
    const chance = createChance(seedFor(1, `winter ${i}`))
    const route = Math.floor(chance.next() * OLD_SAILINGS.length)
    const day = 1 + Math.floor(chance.next() * 28)
    yield {
      key: factOf(person, 'Booking') || `FL-${100_000 + i}`,
      person: person.name,
      numbers: numbersOf(person),
      // Who sails first is called first.
      priority: 28 - day,
      fields: {
        Group: person.group,
        Booking: factOf(person, 'Booking'),
        'Old sailing': `${day} December, ${OLD_SAILINGS[route]}`,
        'New sailing': `${day} December, ${NEW_SAILINGS[route]}`,
        Party: factOf(person, 'Party'),
      },
    }
  }
}

function* islandPass(): Generator<Listed> {
  const people = population()
  for (let [i, count] = [0, 0]; count < PASS_COUNT; i++) {
    // More passes than telephones: a household may have two.
    const person = personAt((i * 7_919) % people)
    if (isOverseas(person)) continue
    count++
    const chance = createChance(seedFor(1, `pass ${i}`))
    yield {
      key: `IP-${String(30_000 + i)}`,
      person: person.name,
      numbers: numbersOf(person),
      priority: 0,
      fields: {
        Group: person.group,
        Pass: chance.pick(PASSES),
        Ends: '31 December',
        Crossings: String(2 + Math.floor(chance.next() ** 2 * 60)),
      },
    }
  }
}

export const FENNHOLM_LISTS = [
  {
    id: WINTER_LIST,
    campaignId: WINTER_TIMETABLE,
    name: 'Winter timetable, December',
    columns: ['Group', 'Booking', 'Old sailing', 'New sailing', 'Party'],
    records: winter,
  },
  { id: ISLAND_PASS_LIST, campaignId: ISLAND_PASS, name: 'Island Pass holders', columns: ['Group', 'Pass', 'Ends', 'Crossings'], records: islandPass },
] as const
