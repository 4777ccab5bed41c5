// The book of people in memory: who is in it, kept sorted and findable, and how it is changed. Changed in place by its one owner; contacts are values.
import type { AgentId, ContactId } from '@/core/ids'
import type { WordsOf } from '@/core/refusal'
import { duplicatesOf } from './contact'
import { fitting, type Key, keyOf } from './find'
import type { Contact } from './schema'

export type PeopleSort = 'name' | 'number' | 'group'

export interface Asked {
  readonly search: string
  readonly sort: PeopleSort
  readonly descending: boolean
  /** Looked at first: who is not meant is not there. */
  readonly isMeant: (entry: Entry) => boolean
  readonly from: number
  readonly atMost: number
}

/** Somebody who can be found: of the book, or a colleague by their account. */
export interface Entry {
  readonly id: ContactId | AgentId
  readonly name: string
  readonly company: string
  readonly group: string
  readonly numbers: Contact['numbers']
  /** null of a colleague, who is an account. */
  readonly contact: Contact | null
}

/** Puts people in or anew, and takes people out: one change, and by the one it gives back undone. */
export interface Change {
  readonly puts: readonly Contact[]
  readonly removes: readonly ContactId[]
}

export type BookRefusal =
  | { readonly reason: 'contactChangedMeanwhile'; readonly name: string }
  | { readonly reason: 'contactOfAnother'; readonly name: string }
  | { readonly reason: 'contactGone' }
  | { readonly reason: 'sharedForSupervisors' }

export const BOOK_WORDS: WordsOf<BookRefusal> = {
  contactChangedMeanwhile: ({ name }) => ({
    says: `${name} was changed by somebody else meanwhile.`,
    next: 'Look at what is there now, and change it once more. What you wrote is kept here until then.',
  }),
  contactOfAnother: ({ name }) => ({ says: `${name} is in somebody else’s own list.`, next: 'Add them to yours, or ask for them to be shared.' }),
  contactGone: () => ({ says: 'They are not in the list any more.', next: 'Look for them again, or add them anew.' }),
  sharedForSupervisors: () => ({
    says: 'Shared people are kept by supervisors and by who owns the set-up.',
    next: 'Keep them in your own list, or ask a supervisor.',
  }),
}

export interface Viewer {
  readonly id: AgentId
  /** Shared people are theirs to keep. */
  readonly keepsShared: boolean
}

export type Changed = { readonly ok: true; readonly undo: Change } | { readonly ok: false; readonly refusal: BookRefusal }

export interface Book {
  all(): Iterable<Contact>
  get(id: ContactId): Contact | undefined
  /** Counts the changes. */
  revision(): number
  change(by: Viewer, change: Change): Changed
  /** Takes people out whoever keeps them, and nothing undoes it: they are forgotten. Whoever was deleted before may have been them, and is not put back either. */
  drop(ids: readonly ContactId[]): void
  /** Those somebody sees, with colleagues beside them; sorted, and cut to what was asked for. */
  find(viewer: Viewer, colleagues: readonly Entry[], asked: Asked): { readonly found: number; readonly rows: readonly Entry[] }
  /** Whose numbers these are, of those somebody sees. */
  byNumbers(viewer: Viewer, numbers: readonly string[]): ReadonlyMap<string, Contact>
  duplicates(viewer: Viewer, contact: Pick<Contact, 'name' | 'company' | 'numbers'>): readonly Contact[]
}

export const sees = ({ id }: Viewer, { ownerId }: Contact): boolean => ownerId === null || ownerId === id

/** `callingCode`: of the home country, as digits. */
export function createBook(contacts: Iterable<Contact>, callingCode: string): Book {
  const byId = new Map<ContactId, Contact>()
  const keys = new Map<string, { readonly of: Entry | Contact; readonly key: Key }>()
  const entries = new Map<ContactId, Entry>()
  const numbers = new Map<string, Set<ContactId>>()
  const orders = new Map<PeopleSort, readonly Entry[]>()
  /** Who was here once, and the revision by which an undo puts them back; null for nothing does. */
  const gone = new Map<ContactId, number | null>()
  let revision = 0

  const put = (contact: Contact) => {
    remove(contact.id)
    byId.set(contact.id, contact)
    const { id, name, company, group } = contact
    entries.set(contact.id, { id, name, company, group, numbers: contact.numbers, contact })
    for (const { number } of contact.numbers) numbers.set(number, (numbers.get(number) ?? new Set()).add(contact.id))
  }
  const remove = (id: ContactId) => {
    const before = byId.get(id)
    if (before === undefined) return
    byId.delete(id)
    entries.delete(id)
    keys.delete(id)
    for (const { number } of before.numbers) numbers.get(number)?.delete(id)
  }
  /** Whoever had them open when they were deleted or forgotten does not bring them back by keeping a change. */
  const isGone = ({ id, revision: of }: Contact): BookRefusal | null => {
    const mayReturn = gone.get(id)
    return (mayReturn === undefined ? of === 0 : mayReturn === of) ? null : { reason: 'contactGone' }
  }
  const keyed = (entry: Entry): Key => {
    const known = keys.get(entry.id)
    const of = entry.contact ?? entry
    if (known !== undefined && (known.of === of || (entry.contact === null && sameWords(known.of, entry)))) return known.key
    const key = keyOf(entry, callingCode)
    keys.set(entry.id, { of, key })
    return key
  }
  /** Everybody of the book in an order, made once for each change: the order is what finding would cost most. */
  const ordered = (sort: PeopleSort): readonly Entry[] => {
    const known = orders.get(sort)
    if (known !== undefined) return known
    const order = [...entries.values()].sort(comparing(sort))
    orders.set(sort, order)
    return order
  }
  for (const contact of contacts) put(contact)

  return {
    all: () => byId.values(),
    get: (id) => byId.get(id),
    revision: () => revision,
    drop(ids) {
      for (const id of ids) remove(id)
      for (const id of [...gone.keys(), ...ids]) gone.set(id, null)
      orders.clear()
      revision++
    },
    change(by, { puts, removes }) {
      for (const contact of puts) {
        const before = byId.get(contact.id)
        const refused = mayKeep(by, contact) ?? (before === undefined ? isGone(contact) : (mayKeep(by, before) ?? isStale(before, contact)))
        if (refused !== null) return { ok: false, refusal: refused }
      }
      for (const id of removes) {
        const before = byId.get(id)
        const refused = before === undefined ? ({ reason: 'contactGone' } as const) : mayKeep(by, before)
        if (refused !== null) return { ok: false, refusal: refused }
      }
      const undo: Change = {
        puts: [...puts.map((c) => c.id), ...removes].flatMap((id) => byId.get(id) ?? []).map((c) => ({ ...c, revision: c.revision + 1 })),
        removes: puts.flatMap((c) => (byId.has(c.id) ? [] : [c.id])),
      }
      for (const contact of puts) put({ ...contact, revision: contact.revision + 1 })
      for (const { id } of puts) gone.delete(id)
      for (const id of removes) {
        gone.set(id, (byId.get(id)?.revision ?? 0) + 1)
        remove(id)
      }
      orders.clear()
      revision++
      return { ok: true, undo }
    },
    find(viewer, colleagues, { search, sort, descending, isMeant, from, atMost }) {
      const fits = fitting(search)
      const isFound = (entry: Entry) => isMeant(entry) && fits(keyed(entry))
      const compare = comparing(sort)
      const own = ordered(sort).filter((entry) => sees(viewer, entry.contact as Contact) && isFound(entry))
      const found = merged(own, colleagues.filter(isFound).sort(compare), compare)
      if (descending) found.reverse()
      return { found: found.length, rows: found.slice(from, from + atMost) }
    },
    byNumbers(viewer, asked) {
      const found = new Map<string, Contact>()
      for (const number of asked)
        for (const id of numbers.get(number) ?? []) {
          const contact = byId.get(id)
          // One's own name for somebody comes before everybody's.
          if (contact !== undefined && sees(viewer, contact) && (contact.ownerId !== null || !found.has(number))) found.set(number, contact)
        }
      return found
    },
    duplicates: (viewer, contact) => duplicatesOf(contact, byId.values()).filter((c) => sees(viewer, c)),
  }
}

const mayKeep = (by: Viewer, { ownerId, name }: Contact): BookRefusal | null =>
  ownerId === null ? (by.keepsShared ? null : { reason: 'sharedForSupervisors' }) : ownerId === by.id ? null : { reason: 'contactOfAnother', name }

const isStale = (before: Contact, { revision }: Contact): BookRefusal | null =>
  before.revision === revision ? null : { reason: 'contactChangedMeanwhile', name: before.name }

const sameWords = (a: Pick<Entry, 'name' | 'company' | 'group'>, b: Entry) => a.name === b.name && a.company === b.company && a.group === b.group

/** What is equal goes by name, and then by id, so that the order is always the same. */
const comparing = (sort: PeopleSort) => (a: Entry, b: Entry) => COMPARE[sort](a, b) || collator.compare(a.name, b.name) || (a.id < b.id ? -1 : 1)

/** Two lists in the same order as one. */
function merged(a: readonly Entry[], b: readonly Entry[], compare: (a: Entry, b: Entry) => number): Entry[] {
  const all: Entry[] = []
  let at = 0
  for (const entry of a) {
    for (let next = b[at]; next !== undefined && compare(next, entry) < 0; next = b[++at]) all.push(next)
    all.push(entry)
  }
  return [...all, ...b.slice(at)]
}

/** Asked ten thousand times for each sort: it is made once. */
const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true })
const first = ({ numbers }: Entry): string => numbers[0]?.number ?? '~'
const COMPARE: Readonly<Record<PeopleSort, (a: Entry, b: Entry) => number>> = {
  name: (a, b) => collator.compare(a.name, b.name),
  number: (a, b) => (first(a) < first(b) ? -1 : first(a) > first(b) ? 1 : 0),
  // Who is in no group comes last.
  group: (a, b) => collator.compare(a.group || '\uffff', b.group || '\uffff'),
}
