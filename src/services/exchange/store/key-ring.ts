// Keys by which what is personal in the ledger is sealed: one for each thing it is about. They are kept apart from the ledger, some minutes' new ones to a
// record, and forgetting is dropping them: what they sealed is then noise for good, also where it was copied to.
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
  /** Drops every key of what these are about, and says how many there were. */
  drop(isMeant: (about: string) => boolean): Promise<number>
  /** Drops every key that was made before, but for those of what is still open. */
  dropBefore(atMs: EpochMs, isOpen: (about: string) => boolean): Promise<number>
  /** Somebody has cleared the store: no key that was made before is there. */
  forget(): void
}

const PREFIX = 'keys/'
/** Of a record: with a new call no more is written than the keys of what came shortly before it. */
const RECORD_MS = 10 * MINUTE
const KEY_BYTES = 32
/** Things whose keys are at hand to seal with: what is under way, and more. */
const AT_HAND = 20_000
const RECORDS_AT_HAND = 400

const RecordSchema = z.array(z.object({ no: z.number(), about: z.string(), key: z.instanceof(Uint8Array) }).readonly())
type KeyRecord = z.infer<typeof RecordSchema>

export function createKeyRing(store: KeyValue): KeyRing {
  const toSealWith = new LRUCache<string, SealKey>({ max: AT_HAND })
  const records = new LRUCache<string, KeyRecord>({ max: RECORDS_AT_HAND })
  /** Of this worker: it adds to no record of another one. */
  let run = crypto.randomUUID().slice(0, 8)
  let opened: { readonly id: string; record: KeyRecord; isKept: boolean } | null = null
  /** Full before they could be stored. */
  let waiting: { readonly id: string; readonly record: KeyRecord }[] = []

  const read = async (id: string): Promise<KeyRecord> => {
    if (opened?.id === id) return opened.record
    const known = records.get(id) ?? waiting.find((w) => w.id === id)?.record
    if (known !== undefined) return known
    const parsed = RecordSchema.safeParse(await store.get(PREFIX + id))
    const record = parsed.success ? parsed.data : []
    records.set(id, record)
    return record
  }
  const idsStored = async () => (await store.keys()).flatMap((key) => (key.startsWith(PREFIX) ? [key.slice(PREFIX.length)] : []))
  const keep = async (id: string, record: KeyRecord) => {
    if (record.length === 0) await store.remove(PREFIX + id)
    else await store.set(PREFIX + id, record)
    records.set(id, record)
    if (opened?.id === id) opened = { id, record, isKept: true }
  }
  const kept = async () => {
    for (const { id, record } of waiting) await keep(id, record)
    waiting = []
    const now = opened
    if (now === null || now.isKept) return
    await store.set(PREFIX + now.id, now.record)
    // Keys that were made meanwhile are stored the next time.
    if (opened?.record === now.record) opened = { ...now, isKept: true }
  }
  const dropOf = async (ids: readonly string[], isMeant: (about: string) => boolean): Promise<number> => {
    await kept()
    let count = 0
    for (const id of ids) {
      const record = await read(id)
      const left = record.filter((k) => !isMeant(k.about))
      if (left.length === record.length) continue
      count += record.length - left.length
      await keep(id, left)
    }
    for (const about of [...toSealWith.keys()]) if (isMeant(about)) toSealWith.delete(about)
    return count
  }

  return {
    keyFor(about, atMs) {
      const known = toSealWith.get(about)
      if (known !== undefined) return known
      const id = `${Math.floor(atMs / RECORD_MS)}-${run}`
      if (opened === null || opened.id !== id) {
        if (opened !== null && !opened.isKept) waiting.push({ id: opened.id, record: opened.record })
        else if (opened !== null) records.set(opened.id, opened.record)
        opened = { id, record: records.get(id) ?? [], isKept: true }
      }
      const key = { no: (opened.record.at(-1)?.no ?? 0) + 1, about, key: crypto.getRandomValues(new Uint8Array(KEY_BYTES)) }
      opened = { id, record: [...opened.record, key], isKept: false }
      const made = { name: `${id}.${key.no}`, bytes: key.key }
      toSealWith.set(about, made)
      return made
    },
    kept,
    async find(names) {
      const found = new Map<string, Uint8Array>()
      for (const name of names) {
        const dot = name.lastIndexOf('.')
        const record = await read(name.slice(0, dot))
        const key = record.find((k) => k.no === Number(name.slice(dot + 1)))
        if (key !== undefined) found.set(name, key.key)
      }
      return found
    },
    drop: async (isMeant) => dropOf(await idsStored(), isMeant),
    async dropBefore(atMs, isOpen) {
      const before = (await idsStored()).filter((id) => Number(id.split('-')[0]) < Math.floor(atMs / RECORD_MS))
      return dropOf(before, (about) => !isOpen(about))
    },
    forget() {
      toSealWith.clear()
      records.clear()
      opened = null
      waiting = []
      run = crypto.randomUUID().slice(0, 8)
    },
  }
}
