// Where the ledger is kept. A chunk holds the entries of one flush, later those of many, and in the end those of a day that is over, compressed;
// chunks are only ever added, so a torn one loses nothing that was acknowledged before it. Snapshots save folding, and are trusted only with a
// good checksum.
import { LEDGER_VERSION } from '@/core/ledger'

export interface StoredChunk {
  readonly fromSeq: number
  readonly toSeq: number
  /** NDJSON, one entry a line; as it is, or as gzip (RFC 1952). */
  readonly text: string | Uint8Array<ArrayBuffer>
  /** Of the text as it is. */
  readonly checksum: number
}

/** Of the state a snapshot holds: one of another shape is passed over, and the ledger folded instead. */
export const SNAPSHOT_VERSION = 15

export interface StoredSnapshot {
  readonly version: typeof SNAPSHOT_VERSION
  readonly seq: number
  /** What is single of the floor, and the keys of the parts its tables are in. */
  readonly text: string
  readonly checksum: number
}

/** Some rows of a table. */
export interface StoredPart {
  readonly text: string
  readonly checksum: number
}

/** Says that the store is in use, and by which version: whoever finds it gone knows that somebody has cleared the browser's data. */
export const MARK_KEY = 'mark'
export interface StoredMark {
  readonly ledgerVersion: number
}
export const MARK: StoredMark = { ledgerVersion: LEDGER_VERSION }

const padded = (n: number) => String(n).padStart(10, '0')
export const chunkKey = (fromSeq: number, toSeq: number): string => `chunk/${padded(fromSeq)}-${padded(toSeq)}`
export const snapshotKey = (seq: number): string => `snapshot/${padded(seq)}`
export const DAMAGED_KEY = 'damaged'
/** How often places of the ledger were given other entries: whoever has folded it, and kept what came of it, folds it anew. */
export const EDITION_KEY = 'edition'
/** Somebody has asked for what was set aside to be read again when the floor is opened next. */
export const READ_AGAIN_KEY = 'read-again'
/** When the floor was last there, by its own clock: what comes after it until it is opened again counts for nobody. */
export const ALIVE_KEY = 'alive'

/** A chunk, and which entries its key promises. */
export interface ChunkRange {
  readonly key: string
  readonly fromSeq: number
  readonly toSeq: number
}

/** What days that are over are kept as chunks of their own, through which entry. */
export const CLOSED_KEY = 'closed'
export interface StoredClosed {
  readonly throughSeq: number
}

/** The range a chunk's key promises; null for other keys. */
export function chunkRange(key: string): { readonly fromSeq: number; readonly toSeq: number } | null {
  const match = /^chunk\/(\d+)-(\d+)$/.exec(key)
  return match ? { fromSeq: Number(match[1]), toSeq: Number(match[2]) } : null
}

/** Chunks in order; of those that begin with the same entry the larger first. */
export function rangesOf(keys: readonly string[]): ChunkRange[] {
  const ranges = keys.flatMap((key) => {
    const range = chunkRange(key)
    return range === null ? [] : [{ key, ...range }]
  })
  return ranges.sort((a, b) => a.fromSeq - b.fromSeq || b.toSeq - a.toSeq)
}
