// Who may call: tens of thousands of invented people, each a pure function of their number in the list, so that nobody has to be kept. The first
// few hundred are the regulars, whom the desk knows by name; all of them are found by their telephone number. Numbers come from ranges
// reserved for fiction only.
import { type Chance, createChance, seedFor } from '@/core/chance'
import { CONTACTS } from './contacts'
import { CUSTOMERS, type CustomerRecord, factsAbout, groupOf } from './customers'
import { DESK_NUMBER, QUEUE_NUMBERS, SOUND_LINE } from './places'

const FIRST =
  'Alder Anneke Arvid Astor Barra Birger Blythe Branwen Bryony Cadell Carys Corin Dagny Delphin Dorrit Edda Eirwen Elowen Ember Enid Esben Fenwick Ffion Finlo Freda Gethin Gisla Greer Gudrun Halvard Harrow Hedda Hesper Ilse Ingram Iseult Ivo Jarl Jessamy Kaja Keir Kelda Lachlan Liv Lorcan Maelle Magnus Merryn Mirren Morag Nerys Nessa Niall Oddny Olwen Orla Osgood Owain Petra Piran Quill Ragna Rhona Rowan Runa Saskia Selwyn Signe Sorrel Sten Talwyn Tamsin Thora Tove Ulla Una Vigdis Wilf Wystan Yseult Zennor'.split(
    ' ',
  )
const NAMES_BEGIN =
  'Ash Birk Brine Cald Cairn Dun Ell Fern Gannet Gors Haar Hawk Kelp Ling Mar Nor Oar Pen Rav Sand Sker Sund Tern Thorn Tide Ulv Voe West Wrack Yar'.split(' ')
const NAMES_END = 'barrow beck bourne by dale eskin garth holm keld mere ness rigg stead thwaite wick'.split(' ')
const LAST = NAMES_BEGIN.flatMap((begin) => NAMES_END.map((end) => begin + end))
/** Prime to the number of names, so that neighbours in the list are not brothers and sisters. */
const STRIDE = 7_919

const BRITISH = ['+441632960', '+447700900', '+442079460'] as const
const AMERICAN_AREAS = [201, 203, 206, 212, 214, 215, 301, 303, 305, 310, 312, 313, 404, 410, 412, 415, 416, 503, 504, 512, 514, 602, 604, 612, 617] as const
const AUSTRALIAN = ['+61491570006', '+61491570156', '+61491570157', '+61491570158', '+61491570159', '+61491570110'] as const
const FRENCH_COUNT = 10_000
const AMERICAN_EACH = 100

/** One in so many British numbers is that of a household of two. */
const HOUSEHOLD_EVERY = 15

/** Numbers that are nobody's in the records: strangers call from these. */
const STRANGERS = ['+4477009009', '+33199009'] as const
const isStranger = (number: string) => STRANGERS.some((prefix) => number.startsWith(prefix))

/** Who is after the regulars, by their numbers, and where each number stands. Made when it is first asked for: a floor without callers needs nobody. */
const people = once(() => {
  const taken = new Set<string | null>([
    ...CUSTOMERS.flatMap((c) => [c.number, c.mobile]),
    ...CONTACTS.flatMap((c) => c.numbers.map((n) => n.number)),
    SOUND_LINE,
    DESK_NUMBER,
    ...QUEUE_NUMBERS.values(),
  ])
  const near = BRITISH.flatMap((prefix) => Array.from({ length: 1_000 }, (_, n) => `${prefix}${String(n).padStart(3, '0')}`))
    .filter((number) => !taken.has(number) && !isStranger(number))
    .flatMap((number, i) => (i % HOUSEHOLD_EVERY === 0 ? [number, number] : [number]))
  const far = [
    ...Array.from({ length: FRENCH_COUNT }, (_, n) => `+3319900${String(n).padStart(4, '0')}`).filter((number) => !isStranger(number)),
    ...AMERICAN_AREAS.flatMap((area) => Array.from({ length: AMERICAN_EACH }, (_, n) => `+1${area}55501${String(n).padStart(2, '0')}`)),
    ...AUSTRALIAN,
  ]
  const numbers = [...near, ...far]
  const places = new Map<string, number[]>()
  const stands = (number: string, at: number) => places.set(number, [...(places.get(number) ?? []), at])
  for (const [i, { number, mobile }] of CUSTOMERS.entries()) for (const n of [number, mobile]) if (n !== null) stands(n, i)
  for (const [i, number] of numbers.entries()) stands(number, CUSTOMERS.length + i)
  return { numbers, places, nearCount: near.length }
})

function once<T>(make: () => T): () => T {
  let made: T | null = null
  return () => {
    made ??= make()
    return made
  }
}

/** How many people the records know. */
export const population = (): number => CUSTOMERS.length + people().numbers.length

/** The person at a place of the list, 0 to `population() - 1`. Throws beyond. */
export function personAt(index: number): CustomerRecord {
  const regular = CUSTOMERS[index]
  if (regular !== undefined) return regular
  const i = index - CUSTOMERS.length
  const number = people().numbers[i]
  if (number === undefined) throw new Error(`there are ${population()} people, and none at ${index}`)
  const chance = createChance(seedFor(1, `person ${index}`))
  // Travellers from abroad are visitors.
  const group = number.startsWith('+44') ? groupOf(chance) : VISITOR
  return { id: `customer_${index + 1}`, name: nameAt(i), number, mobile: null, ...factsAbout(group, chance) }
}

const VISITOR = { group: 'Visitor', fact: null }

function nameAt(i: number): string {
  const n = (i * STRIDE) % (FIRST.length * LAST.length)
  return `${FIRST[n % FIRST.length]} ${LAST[Math.floor(n / FIRST.length)]}`
}

/** Everybody a number belongs to, E.164: nobody, one, or the people of one household; without those it was struck from. */
export const customersByNumber = (e164: string, struck: readonly { readonly number: string; readonly person: string }[]): readonly CustomerRecord[] =>
  (people().places.get(e164) ?? []).map(personAt).filter(({ name }) => !struck.some((s) => s.number === e164 && s.person === name))

/** Of the form `customer_12`, counted from 1. */
export function customerById(id: string): CustomerRecord | undefined {
  const index = Number(/^customer_([1-9]\d*)$/.exec(id)?.[1] ?? 0) - 1
  return index < 0 || index >= population() ? undefined : personAt(index)
}

/** Where callers come from: regulars, islanders and others near by, and travellers. */
const FROM = [
  { weight: 5, item: 'regular' },
  { weight: 22, item: 'near' },
  { weight: 73, item: 'far' },
] as const

/** Somebody of the records who calls. */
export function someone(chance: Chance): CustomerRecord {
  const farFrom = CUSTOMERS.length + people().nearCount
  const [from, to] = { regular: [0, CUSTOMERS.length], near: [CUSTOMERS.length, farFrom], far: [farFrom, population()] }[
    chance.weighted<'regular' | 'near' | 'far'>(FROM)
  ] as [number, number]
  return personAt(from + Math.floor(chance.next() * (to - from)))
}

/** A number the records do not know. */
export function strangersNumber(chance: Chance): string {
  const [british, french] = STRANGERS
  const digits = (count: number) => String(Math.floor(chance.next() * 10 ** count)).padStart(count, '0')
  return chance.next() < 0.2 ? `${british}${digits(2)}` : `${french}${digits(3)}`
}
