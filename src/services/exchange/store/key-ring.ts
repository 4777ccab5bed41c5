// Keys by which what is personal in the ledger is sealed: one for each thing, and one for each entry that is about several. They are kept apart from the ledger,
// those of some hundred things that were new within some minutes to a record, and forgetting is dropping them: what they sealed is then noise for good, also
// where it was copied to.
import { LRUCache } from 'lru-cache'
import * as z from 'zod'
import { type EpochMs, MINUTE } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { aboutOf, keyOfEntry, keyOfThing, type SealingKey, SealingKeySchema, withoutThings } from './sealing-key'

/** A key, and what the ledger says to tell which it is. */
export interface Named<K extends SealingKey> {
  readonly name: string
  readonly key: K
}
type OfThing = ReturnType<typeof keyOfThing>
type OfEntry = ReturnType<typeof keyOfEntry>

export interface KeyRing {
  /** To seal with. A new one counts only once `kept` has come back. */
  forThing(about: string, atMs: EpochMs): Named<OfThing>
  /** A new one, for this entry alone. */
  forEntry(entry: { readonly seq: number; readonly atMs: EpochMs }, parts: OfEntry['parts']): Named<OfEntry>
  /** Stores the keys that are new; rejects when storage refuses, and then they are stored the next time. */
  kept(): Promise<void>
  /** The keys of these names; those that were dropped are not among them. */
  find(names: ReadonlySet<string>): Promise<ReadonlyMap<string, SealingKey>>
  /** Drops every key of what is meant, and says of how many things there was one. */
  drop(isMeant: (about: string) => boolean): Promise<number>
  /** Drops every key that was made before, but for those of what is still open. */
  dropBefore(atMs: EpochMs, isOpen: (about: string) => boolean): Promise<number>
  /** Somebody has cleared the store: no key that was made before is there. */
  forget(): void
}

const PREFIX = 'keys/'
/** Of a record: with a new call no more is written than the keys of what came shortly before it, and of a list of a hundred thousand not many more things than these. */
const RECORD_MS = 10 * MINUTE
const RECORD_THINGS = 500
/** Things whose keys are at hand to seal with: what is under way, and more. */
const AT_HAND = 20_000
const RECORDS_AT_HAND = 400

const RecordSchema = z.array(z.tuple([z.number(), SealingKeySchema]))
/** By its number within the record. */
type KeyRecord = Map<number, SealingKey>

/** A record that keys are added to, or of which not all are stored. */
interface Growing {
  readonly id: string
  readonly windowNo: number
  readonly keys: KeyRecord
  /** How many things they are about. */
  things: number
  /** Some of them are not stored. */
  isNew: boolean
}

export function createKeyRing(store: KeyValue): KeyRing {
  const toSealWith = new LRUCache<string, Named<OfThing>>({ max: AT_HAND })
  const records = new LRUCache<string, KeyRecord>({ max: RECORDS_AT_HAND })
  /** Of this worker: it adds to no record of another one. */
  let run = crypto.randomUUID().slice(0, 8)
  let recordNo = 0
  /** The last of them is added to; the others are full and not stored yet. */
  let growing: Growing[] = []
  /** Nothing is added to a record that something is dropped from: its numbers would be given again. */
  let isClosed = false

  const write = async (id: string, keys: KeyRecord): Promise<void> => {
    if (keys.size === 0) await store.remove(PREFIX + id)
    else await store.set(PREFIX + id, [...keys])
  }
  const read = async (id: string): Promise<KeyRecord> => {
    const known = growing.find((g) => g.id === id)?.keys ?? records.get(id)
    if (known !== undefined) return known
    const parsed = RecordSchema.safeParse(await store.get(PREFIX + id))
    const record: KeyRecord = new Map(parsed.success ? parsed.data : [])
    records.set(id, record)
    return record
  }
  const idsStored = async () => (await store.keys()).flatMap((key) => (key.startsWith(PREFIX) ? [key.slice(PREFIX.length)] : []))
  const kept = async () => {
    for (const record of [...growing]) {
      if (!record.isNew) continue
      // Keys that are made meanwhile are stored the next time.
      record.isNew = false
      try {
        await write(record.id, record.keys)
      } catch (error) {
        record.isNew = true
        throw error
      }
    }
    const last = growing.at(-1)
    for (const { id, keys, isNew } of growing) if (!isNew) records.set(id, keys)
    growing = growing.filter((g) => g === last || g.isNew)
  }
  const dropOf = async (ids: readonly string[], isMeant: (about: string) => boolean): Promise<number> => {
    isClosed = true
    const dropped = new Set<string>()
    for (const id of ids) {
      const record = await read(id)
      const former = [...record].filter(([, key]) => aboutOf(key).some(isMeant))
      if (former.length === 0) continue
      // First here, so that whoever stores it meanwhile stores none of them; a store that refuses is asked for the same again.
      for (const [no, key] of former) {
        const left = withoutThings(key, isMeant)
        if (left === null) record.delete(no)
        else record.set(no, left)
      }
      try {
        await write(id, record)
      } catch (error) {
        for (const [no, key] of former) record.set(no, key)
        throw error
      }
      for (const [, key] of former) for (const about of aboutOf(key)) if (isMeant(about)) dropped.add(about)
    }
    for (const about of [...toSealWith.keys()]) if (isMeant(about)) toSealWith.delete(about)
    return dropped.size
  }
  const windowOf = (atMs: EpochMs): number => Math.floor(atMs / RECORD_MS)

  const add = <K extends SealingKey>(key: K, atMs: EpochMs): Named<K> => {
    let last = growing.at(-1)
    if (last === undefined || isClosed || last.windowNo !== windowOf(atMs) || last.things >= RECORD_THINGS) {
      last = { id: `${windowOf(atMs)}-${run}-${++recordNo}`, windowNo: windowOf(atMs), keys: new Map(), things: 0, isNew: true }
      growing.push(last)
      isClosed = false
    }
    last.isNew = true
    last.things += aboutOf(key).length
    const no = last.keys.size + 1
    last.keys.set(no, key)
    return { name: `${last.id}.${no}`, key }
  }

  return {
    forThing(about, atMs) {
      const known = toSealWith.get(about)
      if (known !== undefined) return known
      const made = add(keyOfThing(about), atMs)
      toSealWith.set(about, made)
      return made
    },
    forEntry: ({ seq, atMs }, parts) => add(keyOfEntry(seq, parts), atMs),
    kept,
    async find(names) {
      const found = new Map<string, SealingKey>()
      for (const name of names) {
        const dot = name.lastIndexOf('.')
        const key = (await read(name.slice(0, dot))).get(Number(name.slice(dot + 1)))
        if (key !== undefined) found.set(name, key)
      }
      return found
    },
    drop: async (isMeant) => {
      await kept()
      return dropOf(await idsStored(), isMeant)
    },
    async dropBefore(atMs, isOpen) {
      await kept()
      const before = (await idsStored()).filter((id) => Number(id.split('-')[0]) < windowOf(atMs))
      return dropOf(before, (about) => !isOpen(about))
    },
    forget() {
      toSealWith.clear()
      records.clear()
      growing = []
      run = crypto.randomUUID().slice(0, 8)
    },
  }
}
