// Finds the rows of a key without looking at all of them: hashes in order, each with its row. What is found is compared with the key itself
// by whoever asks, because two keys may have one hash.
import { bisectLeft } from 'd3-array'
import { checksumOf } from '@/storage'

export interface IndexBy {
  /** Ascending. */
  readonly hashes: Uint32Array
  readonly rows: Uint32Array
}

/** Rows whose key is null are in no index. */
export function packIndex(keys: readonly (string | null)[]): IndexBy {
  const rows: number[] = []
  const hashOf = new Uint32Array(keys.length)
  for (let row = 0; row < keys.length; row++) {
    const key = keys[row]
    if (key == null) continue
    hashOf[row] = checksumOf(key)
    rows.push(row)
  }
  rows.sort((a, b) => (hashOf[a] as number) - (hashOf[b] as number) || a - b)
  return { hashes: Uint32Array.from(rows, (row) => hashOf[row] as number), rows: Uint32Array.from(rows) }
}

/** Rows whose key may be this one. */
export function rowsOf({ hashes, rows }: IndexBy, key: string): number[] {
  const hash = checksumOf(key)
  const found: number[] = []
  for (let i = bisectLeft(hashes, hash); hashes[i] === hash; i++) found.push(rows[i] as number)
  return found
}
