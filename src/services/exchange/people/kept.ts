// Where the book of people is kept: in shares, so that one change writes one of them, and each account's favourites and usual numbers apart.
import * as z from 'zod'
import type { AgentId, ContactId } from '@/core/ids'
import { type Contact, ContactSchema } from '@/core/people'
import { checksumOf, type KeyValue } from '@/services/storage'

const SHARES = 64
const shareOf = (id: ContactId): number => checksumOf(id) % SHARES
const shareKey = (share: number): string => `people/${share}`
const ownKey = (id: AgentId): string => `own/${id}`
/** Written once the book has been begun: an empty book stays empty. */
const BEGUN_KEY = 'begun'

export const OwnSchema = z.object({ favourites: z.array(z.string()).readonly(), usual: z.record(z.string(), z.string()).readonly() }).readonly()
/** What is an account's own besides their people: favourites by id, and by id the number that is called. */
export type Own = z.infer<typeof OwnSchema>
export const NOTHING_OWN: Own = { favourites: [], usual: {} }

export interface LoadedPeople {
  /** null: nobody has begun the book yet. */
  readonly contacts: readonly Contact[] | null
  readonly own: ReadonlyMap<string, Own>
  /** People who could not be read; they are left where they are until their share is written. */
  readonly lostCount: number
}

/** What is kept of the book, and where. */
export interface PeopleStore {
  readonly store: KeyValue
  readonly loaded: LoadedPeople
}

export const openPeople = async (store: KeyValue): Promise<PeopleStore> => ({ store, loaded: await loadPeople(store) })

async function loadPeople(store: KeyValue): Promise<LoadedPeople> {
  const keys = await store.keys()
  const contacts: Contact[] = []
  const own = new Map<string, Own>()
  let lostCount = 0
  for (const key of keys) {
    const value = await store.get(key)
    if (key.startsWith('people/'))
      for (const stored of Array.isArray(value) ? value : []) {
        const read = ContactSchema.safeParse(stored)
        if (read.success) contacts.push(read.data)
        else lostCount++
      }
    const read = key.startsWith('own/') ? OwnSchema.safeParse(value) : null
    if (read?.success) own.set(key.slice('own/'.length), read.data)
  }
  return { contacts: keys.includes(BEGUN_KEY) ? contacts : null, own, lostCount }
}

export interface PeopleKeeper {
  /** Resolves when it is on disk; rejects when storage refuses: what was to be written is written with the next change. */
  write(changed: Iterable<ContactId>): Promise<void>
  writeOwn(id: AgentId, own: Own): Promise<void>
}

/** `book` gives everybody as they are when it is written, which may be later than the change that asked for it. */
export function createPeopleKeeper(store: KeyValue, book: () => Iterable<Contact>): PeopleKeeper {
  const dirty = new Set<number>()
  /** One write after the other: the later one holds what the earlier one did. */
  let writing: Promise<unknown> = Promise.resolve()
  const flush = async () => {
    const shares = new Map<number, Contact[]>([...dirty].map((share) => [share, []]))
    dirty.clear()
    for (const contact of book()) shares.get(shareOf(contact.id))?.push(contact)
    try {
      for (const [share, contacts] of shares) {
        await store.set(shareKey(share), contacts)
        shares.delete(share)
      }
      await store.set(BEGUN_KEY, true)
    } finally {
      for (const share of shares.keys()) dirty.add(share)
    }
  }
  return {
    write(changed) {
      for (const id of changed) dirty.add(shareOf(id))
      const next = writing.then(flush)
      writing = next.catch(() => {})
      return next
    },
    writeOwn: (id, own) => store.set(ownKey(id), own),
  }
}
