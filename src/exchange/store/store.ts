// Where the ledger is kept. A chunk holds the entries of one flush; chunks are only ever added, so a torn one loses
// nothing that was acknowledged before it. Snapshots save folding, and are trusted only with a good checksum.
import { LEDGER_VERSION } from '@/core/ledger'

export interface StoredChunk {
  readonly fromSeq: number
  readonly toSeq: number
  /** NDJSON, one entry a line. */
  readonly text: string
  readonly checksum: number
}

/** Of the state a snapshot holds: one of another shape is passed over, and the ledger folded instead. */
export const SNAPSHOT_VERSION = 8

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

/** A plain key-value store: localForage in the browser, a map in tests and when the browser refuses storage. */
export interface KeyValue {
  keys(): Promise<readonly string[]>
  get(key: string): Promise<unknown>
  set(key: string, value: unknown): Promise<void>
  remove(key: string): Promise<void>
}

export const memoryStore = (): KeyValue => {
  const map = new Map<string, unknown>()
  return {
    keys: async () => [...map.keys()],
    get: async (key) => map.get(key) ?? null,
    set: async (key, value) => {
      map.set(key, value)
    },
    remove: async (key) => {
      map.delete(key)
    },
  }
}

/** FNV-1a over UTF-16 code units: finds torn and altered text, is no defence against an adversary. */
export function checksumOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

const padded = (n: number) => String(n).padStart(10, '0')
export const chunkKey = (fromSeq: number, toSeq: number): string => `chunk/${padded(fromSeq)}-${padded(toSeq)}`
export const snapshotKey = (seq: number): string => `snapshot/${padded(seq)}`
export const DAMAGED_KEY = 'damaged'

/** The range a chunk's key promises; null for other keys. */
export function chunkRange(key: string): { readonly fromSeq: number; readonly toSeq: number } | null {
  const match = /^chunk\/(\d+)-(\d+)$/.exec(key)
  return match ? { fromSeq: Number(match[1]), toSeq: Number(match[2]) } : null
}

/** What a storage error says, in the browser's words. localForage rejects with DOMExceptions, errors and undefined alike. */
export const storageWords = (error: unknown): string =>
  error instanceof Error ? (error.message === '' ? error.name : error.message) : 'the browser refused storage'
