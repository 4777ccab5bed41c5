// Which chunks there are, known without asking the store for its keys: small ones that are added with every flush, larger ones they are joined into,
// and one a day for days that are over.
import * as z from 'zod'
import type { LedgerEntry } from '@/core/ledger'
import { utcDay } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { compressed, joinChunks, linesBetween, type OpenChunk, readChunk, withoutRepeats } from './chunks'
import type { KeyRing } from './key-ring'
import { linesSealing } from './seal'
import { type ChunkRange, CLOSED_KEY, chunkKey, type StoredClosed } from './store'

/** What a restored ledger was found as. */
export interface Shelved {
  readonly ranges: readonly ChunkRange[]
  /** Of snapshots and their parts. */
  readonly snapshotKeys: readonly string[]
  /** Days that are over are kept as one chunk each, through this entry. */
  readonly closedSeq: number
  /** Of the last entry; null without any. */
  readonly lastDay: string | null
}

export const EMPTY_SHELF: Shelved = { ranges: [], snapshotKeys: [], closedSeq: 0, lastDay: null }

const ClosedSchema = z.object({ throughSeq: z.number() })

/** Through which entry days that are over are put away. */
export async function closedThrough(store: KeyValue): Promise<number> {
  const closed = ClosedSchema.safeParse(await store.get(CLOSED_KEY))
  return closed.success ? closed.data.throughSeq : 0
}

export interface Shelf {
  add(chunk: OpenChunk): Promise<void>
  /** Joins the small chunks after an entry, through another one. */
  join(afterSeq: number, throughSeq: number): Promise<void>
  /** Says that entries follow: with the first of a new day the one before it is over. */
  follows(first: LedgerEntry): void
  /** Puts days that are over away as one compressed chunk each. */
  close(): Promise<void>
  /** NDJSON after an entry, through another one, with what is personal as far as it is not forgotten. */
  read(afterSeq: number, throughSeq: number): Promise<string>
  /** Lines, opened, of the chunks after an entry, through another one, of which what is personal is wanted; some hundreds are looked at each time it is gone on with. */
  search(afterSeq: number, throughSeq: number, isWanted: (personal: string) => boolean): AsyncGenerator<readonly string[]>
  /** Nothing that was written is there any more. */
  forget(): void
}

/** So that whoever else is at work is kept for some milliseconds only. */
const LOOKED_AT_ONCE = 200

export function createShelf(store: KeyValue, ring: KeyRing, found: Shelved): Shelf {
  let ranges: readonly ChunkRange[] = found.ranges
  let { closedSeq, lastDay } = found
  /** Where the days that are over end, and are not put away yet. */
  let over: number[] = []

  /** At no moment is an entry in none of the chunks, on disk or here; what could not be removed is removed with the next joining. */
  const join = async (several: readonly ChunkRange[], form?: typeof compressed) => {
    const joined = await joinChunks(store, several, form)
    if (joined === null) return
    ranges = [...ranges.filter((r) => r.key !== joined.key), joined]
    for (const old of several) {
      if (old.key === joined.key) continue
      await store.remove(old.key)
      ranges = ranges.filter((r) => r.key !== old.key)
    }
  }
  return {
    async add(chunk) {
      const key = chunkKey(chunk.fromSeq, chunk.toSeq)
      await store.set(key, chunk)
      ranges = [...ranges, { key, fromSeq: chunk.fromSeq, toSeq: chunk.toSeq }]
    },
    async join(afterSeq, throughSeq) {
      const small = ranges.filter((r) => r.fromSeq > Math.max(afterSeq, closedSeq, over.at(-1) ?? 0) && r.toSeq <= throughSeq)
      if (small.length > 1) await join(small)
    },
    follows({ seq, atMs }) {
      const day = utcDay(atMs)
      if (lastDay !== null && day !== lastDay) over.push(seq - 1)
      lastDay = day
    },
    async close() {
      for (const throughSeq of over) {
        const ofDay = ranges.filter((r) => r.fromSeq > closedSeq && r.toSeq <= throughSeq)
        await join(ofDay, compressed)
        await store.set(CLOSED_KEY, { throughSeq } satisfies StoredClosed)
        closedSeq = throughSeq
        over = over.filter((seq) => seq > throughSeq)
      }
    },
    async read(afterSeq, throughSeq) {
      const wanted = withoutRepeats(ranges.filter((r) => r.toSeq > afterSeq && r.fromSeq <= throughSeq))
      const chunks = await Promise.all(wanted.map(({ key }) => readChunk(store, key)))
      return (await Promise.all(chunks.map((chunk) => (chunk === null ? '' : linesBetween(chunk, ring, afterSeq, throughSeq))))).join('')
    },
    async *search(afterSeq, throughSeq, isWanted) {
      // What is joined meanwhile is in the one that contains it.
      for (let after = afterSeq; ; ) {
        const next = withoutRepeats(ranges).find((r) => r.toSeq > after && r.fromSeq <= throughSeq)
        if (next === undefined) return
        const lines = (await readChunk(store, next.key))?.text.split('\n') ?? []
        for (let at = 0; at < lines.length; at += LOOKED_AT_ONCE) yield linesSealing(lines.slice(at, at + LOOKED_AT_ONCE), ring, isWanted)
        after = next.toSeq
      }
    },
    forget() {
      ranges = []
      closedSeq = 0
      over = []
    },
  }
}
