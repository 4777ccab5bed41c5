// Finds the rows of a key without looking at all of them: hashes in order, each with its row. What is found is compared with the key itself
// by whoever asks, because two keys may have one hash.
import { bisectLeft } from 'd3-array'
import { checksumOf } from '@/services/storage'

export interface IndexBy {
  /** Ascending. */
  readonly hashes: Uint32Array
  readonly rows: Uint32Array
}

/** Rows whose key is null are in no index. */
export function packIndex(keys: readonly (string | null)[]): IndexBy {
  const rows: number[] = []
  const hashes = new Uint32Array(keys.length)
  for (let row = 0; row < keys.length; row++) {
    const key = keys[row]
    if (key == null) continue
    hashes[row] = hashOf(key)
    rows.push(row)
  }
  rows.sort((a, b) => (hashes[a] as number) - (hashes[b] as number) || a - b)
  return { hashes: Uint32Array.from(rows, (row) => hashes[row] as number), rows: Uint32Array.from(rows) }
}

/** What many indexes are asked with for the same key. */
export const hashOf = (key: string): number => checksumOf(key)

/** Rows whose key may be the one with this hash. */
export function rowsOf({ hashes, rows }: IndexBy, hash: number): number[] {
  const found: number[] = []
  for (let i = bisectLeft(hashes, hash); hashes[i] === hash; i++) found.push(rows[i] as number)
  return found
}
