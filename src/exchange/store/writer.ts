// Appends entries in the background: everything waiting goes into one chunk, one write at a time, in order.
// Every so often it adds a snapshot and joins the small chunks before it into one.
import type { FloorState } from '@/core/floor'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { checksumOf, chunkKey, chunkRange, type KeyValue, memoryStore, SNAPSHOT_VERSION, type StoredChunk, type StoredSnapshot, snapshotKey } from './store'

const SNAPSHOT_EVERY = 500

export interface LedgerWriter {
  append(entries: readonly LedgerEntry[], state: FloorState): void
  /** Resolves when everything appended so far is stored: true on disk, false while storage is refused. */
  flushed(): Promise<boolean>
  /** NDJSON of what is stored after `afterSeq`. */
  read(afterSeq: number): Promise<string>
}

export interface WriterOptions {
  readonly store: KeyValue
  /** Of the last entry already stored, and of the last snapshot. */
  readonly storedSeq: number
  readonly snapshotSeq: number
  readonly onStored: (seq: number) => void
  /** Storage was refused: from now on entries are kept in memory only. Called once. */
  readonly onRefused: (reason: string) => void
}

export function createWriter(options: WriterOptions): LedgerWriter {
  let store = options.store
  let refused = false
  let pending: LedgerEntry[] = []
  let latest: FloorState | null = null
  let snapshotSeq = options.snapshotSeq
  let writing: Promise<void> | null = null

  const write = async () => {
    while (pending.length > 0) {
      const batch = pending
      const state = latest
      pending = []
      const chunk = toChunk(batch)
      try {
        await store.set(chunkKey(chunk.fromSeq, chunk.toSeq), chunk)
      } catch (error) {
        if (refused) throw error
        refused = true
        options.onRefused(error instanceof Error ? error.message : String(error))
        store = memoryOver(store)
        pending = [...batch, ...pending]
        continue
      }
      options.onStored(chunk.toSeq)
      if (state !== null && state.seq === chunk.toSeq && state.seq - snapshotSeq >= SNAPSHOT_EVERY) {
        await snapshot(store, state, snapshotSeq)
        snapshotSeq = state.seq
      }
    }
    writing = null
  }

  return {
    append(entries, state) {
      pending.push(...entries)
      latest = state
      writing ??= Promise.resolve().then(write)
    },
    async flushed() {
      while (writing !== null) await writing
      return !refused
    },
    async read(afterSeq) {
      while (writing !== null) await writing
      const keys = (await store.keys()).filter((key) => (chunkRange(key)?.toSeq ?? 0) > afterSeq).sort()
      const chunks = (await Promise.all(keys.map((key) => store.get(key)))) as StoredChunk[]
      return withoutRepeats(chunks)
        .map((chunk) => linesAfter(chunk, afterSeq))
        .join('')
    },
  }
}

function toChunk(batch: readonly LedgerEntry[]): StoredChunk {
  const text = batch.map((entry) => `${toLine(entry)}\n`).join('')
  return { fromSeq: (batch[0] as LedgerEntry).seq, toSeq: (batch.at(-1) as LedgerEntry).seq, text, checksum: checksumOf(text) }
}

function linesAfter(chunk: StoredChunk, afterSeq: number): string {
  if (chunk.fromSeq > afterSeq) return chunk.text
  return chunk.text
    .split('\n')
    .slice(afterSeq - chunk.fromSeq + 1)
    .join('\n')
}

/** While small chunks are being joined, a chunk and the one that contains it may both be there: the larger one counts. */
function withoutRepeats(chunks: readonly StoredChunk[]): StoredChunk[] {
  let upTo = 0
  const kept: StoredChunk[] = []
  for (const chunk of chunks.toSorted((a, b) => a.fromSeq - b.fromSeq || b.toSeq - a.toSeq))
    if (chunk.toSeq > upTo) {
      kept.push(chunk)
      upTo = chunk.toSeq
    }
  return kept
}

async function snapshot(store: KeyValue, state: FloorState, formerSeq: number): Promise<void> {
  const text = JSON.stringify(state)
  await store.set(snapshotKey(state.seq), { version: SNAPSHOT_VERSION, seq: state.seq, text, checksum: checksumOf(text) } satisfies StoredSnapshot)
  const keys = await store.keys()
  // The former snapshot stays: it is the way back when entries before this one turn out damaged.
  for (const key of keys) if (key.startsWith('snapshot/') && key < snapshotKey(formerSeq)) await store.remove(key)
  await joinChunks(
    store,
    keys.filter((key) => {
      const range = chunkRange(key)
      return range !== null && range.fromSeq > formerSeq && range.toSeq <= state.seq
    }),
  )
}

async function joinChunks(store: KeyValue, keys: readonly string[]): Promise<void> {
  if (keys.length < 2) return
  const chunks = withoutRepeats((await Promise.all(keys.map((key) => store.get(key)))) as StoredChunk[])
  const [first, last] = [chunks[0] as StoredChunk, chunks.at(-1) as StoredChunk]
  const text = chunks.map((chunk) => chunk.text).join('')
  const joined: StoredChunk = { fromSeq: first.fromSeq, toSeq: last.toSeq, text, checksum: checksumOf(text) }
  const key = chunkKey(joined.fromSeq, joined.toSeq)
  await store.set(key, joined)
  for (const old of keys) if (old !== key) await store.remove(old)
}

/** Reads go on to what the disk still holds; writes stay in memory. */
function memoryOver(disk: KeyValue): KeyValue {
  const memory = memoryStore()
  const fromDisk = async <T>(ask: () => Promise<T>, otherwise: T): Promise<T> => {
    try {
      return await ask()
    } catch {
      // The disk refuses reads as well: what is in memory is all there is, and the desk says so already.
      return otherwise
    }
  }
  return {
    keys: async () => [...(await memory.keys()), ...(await fromDisk(() => disk.keys(), []))],
    get: async (key) => (await memory.get(key)) ?? (await fromDisk(() => disk.get(key), null)),
    set: memory.set,
    remove: memory.remove,
  }
}
