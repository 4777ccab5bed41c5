// Keys by which what is personal in the ledger is sealed: one for each thing it is about. They are kept apart from the ledger, some hundreds that were new
// within some minutes to a record, and forgetting is dropping them: what they sealed is then noise for good, also where it was copied to.
import { LRUCache } from 'lru-cache'
import * as z from 'zod'
import { type EpochMs, MINUTE } from '@/core/time'
import type { KeyValue } from '@/services/storage'

export interface SealKey {
  /** Says which it is, in the ledger. */
  readonly name: string
  readonly bytes: Uint8Array
}

export interface KeyRing {
  /** To seal with. A new one counts only once `kept` has come back. */
  keyFor(about: string, atMs: EpochMs): SealKey
  /** Stores the keys that are new; rejects when storage refuses, and then they are stored the next time. */
  kept(): Promise<void>
  /** The keys of these names; those that were dropped are not among them. */
  find(names: ReadonlySet<string>): Promise<ReadonlyMap<string, Uint8Array>>
  /** Drops every key of what is meant, and says how many there were. */
  drop(isMeant: (about: string) => boolean): Promise<number>
  /** Drops every key that was made before, but for those of what is still open. */
  dropBefore(atMs: EpochMs, isOpen: (about: string) => boolean): Promise<number>
  /** Somebody has cleared the store: no key that was made before is there. */
  forget(): void
}

const PREFIX = 'keys/'
/** Of a record: with a new call no more is written than the keys of what came shortly before it, and of a list of a hundred thousand no more than these. */
const RECORD_MS = 10 * MINUTE
const RECORD_KEYS = 500
const KEY_BYTES = 32
/** Things whose keys are at hand to seal with: what is under way, and more. */
const AT_HAND = 20_000
const RECORDS_AT_HAND = 400

const RecordSchema = z.array(z.object({ no: z.number(), about: z.string(), key: z.instanceof(Uint8Array) }).readonly())
/** By its number within the record. */
type KeyRecord = Map<number, { readonly about: string; readonly key: Uint8Array }>

/** A record that keys are added to, or of which not all are stored. */
interface Growing {
  readonly id: string
  readonly windowNo: number
  readonly keys: KeyRecord
  /** Some of them are not stored. */
  isNew: boolean
}

export function createKeyRing(store: KeyValue): KeyRing {
  const toSealWith = new LRUCache<string, SealKey>({ max: AT_HAND })
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
    else
      await store.set(
        PREFIX + id,
        [...keys].map(([no, { about, key }]) => ({ no, about, key })),
      )
  }
  const read = async (id: string): Promise<KeyRecord> => {
    const known = growing.find((g) => g.id === id)?.keys ?? records.get(id)
    if (known !== undefined) return known
    const parsed = RecordSchema.safeParse(await store.get(PREFIX + id))
    const record: KeyRecord = new Map(parsed.success ? parsed.data.map(({ no, about, key }) => [no, { about, key }]) : [])
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
    let count = 0
    for (const id of ids) {
      const record = await read(id)
      const gone = [...record].filter(([, { about }]) => isMeant(about))
      if (gone.length === 0) continue
      // First here, so that whoever stores it meanwhile stores none of them; a store that refuses is asked for the same again.
      for (const [no] of gone) record.delete(no)
      try {
        await write(id, record)
      } catch (error) {
        for (const [no, key] of gone) record.set(no, key)
        throw error
      }
      count += gone.length
    }
    for (const about of [...toSealWith.keys()]) if (isMeant(about)) toSealWith.delete(about)
    return count
  }
  const windowOf = (atMs: EpochMs): number => Math.floor(atMs / RECORD_MS)

  return {
    keyFor(about, atMs) {
      const known = toSealWith.get(about)
      if (known !== undefined) return known
      let last = growing.at(-1)
      if (last === undefined || isClosed || last.windowNo !== windowOf(atMs) || last.keys.size >= RECORD_KEYS) {
        last = { id: `${windowOf(atMs)}-${run}-${++recordNo}`, windowNo: windowOf(atMs), keys: new Map(), isNew: true }
        growing.push(last)
        isClosed = false
      }
      last.isNew = true
      const no = last.keys.size + 1
      const key = crypto.getRandomValues(new Uint8Array(KEY_BYTES))
      last.keys.set(no, { about, key })
      const made = { name: `${last.id}.${no}`, bytes: key }
      toSealWith.set(about, made)
      return made
    },
    kept,
    async find(names) {
      const found = new Map<string, Uint8Array>()
      for (const name of names) {
        const dot = name.lastIndexOf('.')
        const key = (await read(name.slice(0, dot))).get(Number(name.slice(dot + 1)))
        if (key !== undefined) found.set(name, key.key)
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
