// Appends entries in the background: everything waiting goes into one chunk, one write at a time, in order. Every so often it adds a
// snapshot and joins the small chunks before it into one. There is one truth about what is kept: an entry is stored, or it waits in
// memory and is tried again, and then `onTrouble` has said so. Nothing that storage does can stop the writer.

import pLimit from 'p-limit'
import { type IsOffered, offeredBy } from '@/core/forgotten'
import { type LedgerEntry, toLine } from '@/core/ledger'
import type { SetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import type { EpochMs } from '@/core/time'
import { type KeyValue, storageWords } from '@/services/storage'
import { toChunk } from './chunks'
import { createKeyRing } from './key-ring'
import { sealedLine } from './seal'
import { createShelf, EMPTY_SHELF, type Shelved } from './shelf'
import { createSnapshots } from './snapshot'
import { MARK, MARK_KEY } from './store'

const SNAPSHOT_EVERY = 500
/** Entries of a long list are heavy to open and to fold again: after so much of them a snapshot is taken, once no more than a little has come for a while. */
const HEAVY_CHARACTERS = 2_000_000
const LITTLE_CHARACTERS = 200_000
const AT_REST_MS = 10_000
const FIRST_RETRY_MS = 1_000
const LAST_RETRY_MS = 30_000

export interface LedgerWriter {
  append(entries: readonly LedgerEntry[], state: FloorState): void
  /** Resolves when everything appended so far is stored (true), or storage has refused it for now (false). */
  flushed(): Promise<boolean>
  /** NDJSON of everything after `afterSeq`, through `throughSeq` where it is given; what still waits to be stored included. Rejects when the disk cannot be read. */
  read(afterSeq: number, throughSeq?: number): Promise<string>
  /** Lines after an entry, through another one, of which what is personal is wanted, or may be: what still waits to be stored is given as it is. A little at a time. */
  search(afterSeq: number, throughSeq: number, isWanted: (personal: string) => boolean): AsyncGenerator<readonly string[]>
  /**
   * Drops the keys of what is meant, and every snapshot of the floor as it was before, which names them still. Resolves once none of it is there; rejects when
   * storage refuses, and may be asked again.
   */
  forget(isMeant: (about: string) => boolean): Promise<void>
  /** The same of everything before an instant that is not open. */
  forgetBefore(atMs: EpochMs, isOpen: (about: string) => boolean): Promise<void>
}

export interface WriterOptions {
  readonly store: KeyValue
  /** Of the last entry already stored, and of the last snapshot. */
  readonly storedSeq: number
  readonly snapshotSeq: number
  /** The chunks there are. */
  readonly shelved?: Shelved
  readonly onStored: (seq: number) => void
  /** The reason while storage refuses writes; null once everything is stored again. */
  readonly onTrouble: (reason: string | null) => void
  /** The store was found empty: somebody has cleared the browser's data. The state has been written anew. */
  readonly onCleared: () => void
  /** Calls `again` once, later. */
  readonly later: (inMs: number, again: () => void) => void
}

export function createWriter(options: WriterOptions): LedgerWriter {
  const { store } = options
  const ring = createKeyRing(store)
  let pending: LedgerEntry[] = []
  let floor: FloorState | null = null
  const snapshots = createSnapshots(store, options.shelved?.snapshotKeys)
  const shelf = createShelf(store, ring, options.shelved ?? EMPTY_SHELF)
  let { snapshotSeq } = options
  let writtenSince = 0
  let writing: Promise<void> | null = null
  let trouble: string | null = null
  let retryInMs = FIRST_RETRY_MS
  let marked = options.storedSeq > 0

  let offeredOf: { readonly setUp: SetUp; readonly isOffered: IsOffered } | null = null
  /** What the scripts of the set-up in use offer; without a floor nothing, and then every answer is sealed. */
  const offered = (): IsOffered => {
    if (floor === null) return () => false
    if (offeredOf?.setUp !== floor.setUp) offeredOf = { setUp: floor.setUp, isOffered: offeredBy(floor.setUp) }
    return offeredOf.isOffered
  }

  /** Sealed once, however often storage refuses: an entry about several things has a key of its own each time. */
  let lines = new WeakMap<LedgerEntry, string>()
  const lineOf = (entry: LedgerEntry): string => {
    const line = lines.get(entry) ?? sealedLine(entry, ring, offered())
    lines.set(entry, line)
    return line
  }

  const write = async () => {
    try {
      while (pending.length > 0) {
        const batch = pending
        // Now, while the floor is where the batch ends: it goes on during the writes.
        const due = floor !== null && floor.seq - snapshotSeq >= SNAPSHOT_EVERY ? snapshots.capture(floor) : null
        await keepMark(batch)
        const chunk = toChunk(batch, lineOf)
        // Keys first: what is sealed by one that is not there is forgotten.
        await ring.kept()
        await shelf.add(chunk)
        shelf.follows(batch[0] as LedgerEntry)
        writtenSince += chunk.text.length
        pending = pending.slice(batch.length)
        if (trouble !== null) {
          trouble = null
          options.onTrouble(null)
        }
        retryInMs = FIRST_RETRY_MS
        options.onStored(chunk.toSeq)
        await closeDays()
        if (due !== null) await keepSnapshot(due)
      }
      if (writtenSince >= HEAVY_CHARACTERS) snapshotAtRest()
    } catch (error) {
      trouble = storageWords(error)
      options.onTrouble(trouble)
      options.later(retryInMs, start)
      retryInMs = Math.min(LAST_RETRY_MS, retryInMs * 2)
    }
    writing = null
  }
  const start = () => {
    if (pending.length > 0) writing ??= Promise.resolve().then(write)
  }

  /**
   * Says that the store is ours. Gone although it was there, somebody has cleared the data: the state before these entries cannot be had any
   * more, so the one after them is written whole.
   */
  const keepMark = async (batch: readonly LedgerEntry[]) => {
    if ((await store.get(MARK_KEY)) !== null) {
      marked = true
      return
    }
    const wasCleared = marked
    if (wasCleared && floor !== null && floor.seq === batch.at(-1)?.seq) {
      snapshots.forget()
      ring.forget()
      lines = new WeakMap()
      shelf.forget()
      const whole = snapshots.capture(floor)
      await snapshots.write(whole)
      snapshotSeq = whole.seq
    } else if (wasCleared) return
    await store.set(MARK_KEY, MARK)
    marked = true
    if (wasCleared) options.onCleared()
  }

  /** A comfort as well: a day that is not put away takes more room, and is put away with the next entries. */
  const closeDays = async () => {
    try {
      await shelf.close()
    } catch (error) {
      console.warn(`A day that is over was not put away: ${storageWords(error)}`)
    }
  }

  /** The floor as it is now takes the place of every snapshot before. */
  const renewSnapshot = async () => {
    if (!(await flushed())) throw new Error(trouble ?? 'storage refuses')
    let failed: unknown = null
    const renew = async () => {
      if (floor === null) return
      const now = snapshots.capture(floor)
      await snapshots.write(now)
      snapshotSeq = now.seq
      await snapshots.tidy(now.seq)
    }
    // Nothing else is written meanwhile: a snapshot is of one moment.
    writing = renew()
      .catch((error: unknown) => {
        failed = error
      })
      .then(() => {
        writing = null
        start()
      })
    await writing
    if (failed !== null) throw failed
  }
  const flushed = async () => {
    while (writing !== null) await writing
    return pending.length === 0
  }
  /** One after the other, and beside no write. */
  const inTurn = pLimit(1)
  const dropping = (drop: () => Promise<unknown>): Promise<void> => inTurn(() => drop().then(renewSnapshot))

  /** A comfort: without it the ledger is folded from further back. What it costs is never that the ledger stops. */
  const keepSnapshot = async (captured: ReturnType<typeof snapshots.capture>) => {
    const former = snapshotSeq
    snapshotSeq = captured.seq
    writtenSince = 0
    try {
      await snapshots.write(captured)
      // The former snapshot stays: it is the way back when entries before this one turn out damaged.
      await snapshots.tidy(former)
      await shelf.join(former, captured.seq)
    } catch (error) {
      // The disk has no room for it: the next one is tried in its turn, and what the ledger needs is tried with every entry.
      console.warn(`No snapshot was kept: ${storageWords(error)}`)
    }
  }

  let waitsForRest = false
  const snapshotAtRest = () => {
    if (waitsForRest) return
    waitsForRest = true
    const from = writtenSince
    options.later(AT_REST_MS, async () => {
      waitsForRest = false
      while (writing !== null) await writing
      if (writtenSince < HEAVY_CHARACTERS || floor === null) return
      if (writtenSince - from > LITTLE_CHARACTERS) return snapshotAtRest()
      writing = keepSnapshot(snapshots.capture(floor)).then(() => {
        writing = null
        start()
      })
    })
  }

  return {
    append(entries, state) {
      pending = [...pending, ...entries]
      floor = state
      if (trouble === null) start()
    },
    flushed,
    forget: (isMeant) => dropping(() => ring.drop(isMeant)),
    forgetBefore: (atMs, isOpen) => dropping(() => ring.dropBefore(atMs, isOpen)),
    async *search(afterSeq, throughSeq, isWanted) {
      while (writing !== null) await writing
      const waiting = pending
      yield* shelf.search(afterSeq, throughSeq, isWanted)
      yield waiting.map(toLine).filter(isWanted)
    },
    async read(afterSeq, throughSeq = Infinity) {
      while (writing !== null) await writing
      const waiting = pending
      return `${await shelf.read(afterSeq, throughSeq)}${waiting.flatMap((entry) => (entry.seq > afterSeq && entry.seq <= throughSeq ? [`${toLine(entry)}\n`] : [])).join('')}`
    },
  }
}
