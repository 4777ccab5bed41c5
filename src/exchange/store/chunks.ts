// Chunks of the ledger as they are read together: in order, each entry once.
import type { LedgerEntry } from '@/core/ledger'
import { toLine } from '@/core/ledger'
import { checksumOf, type KeyValue } from '@/storage'
import { chunkKey, type StoredChunk } from './store'

export function toChunk(batch: readonly LedgerEntry[]): StoredChunk {
  const text = batch.map((entry) => `${toLine(entry)}\n`).join('')
  return { fromSeq: (batch[0] as LedgerEntry).seq, toSeq: (batch.at(-1) as LedgerEntry).seq, text, checksum: checksumOf(text) }
}

/** The lines of a chunk after an entry, through another one. */
export function linesBetween({ fromSeq, toSeq, text }: StoredChunk, afterSeq: number, throughSeq: number): string {
  if (fromSeq > afterSeq && toSeq <= throughSeq) return text
  const lines = text.split('\n').slice(Math.max(0, afterSeq - fromSeq + 1), Math.max(0, throughSeq - fromSeq + 1))
  return lines.map((line) => (line === '' ? '' : `${line}\n`)).join('')
}

/** While small chunks are being joined, a chunk and the one that contains it may both be there: the larger one counts. */
export function withoutRepeats(chunks: readonly StoredChunk[]): StoredChunk[] {
  let upTo = 0
  const kept: StoredChunk[] = []
  for (const chunk of chunks.toSorted((a, b) => a.fromSeq - b.fromSeq || b.toSeq - a.toSeq))
    if (chunk.toSeq > upTo) {
      kept.push(chunk)
      upTo = chunk.toSeq
    }
  return kept
}

/** Puts one chunk in the place of several. At no moment is an entry in none of them. */
export async function joinChunks(store: KeyValue, keys: readonly string[]): Promise<void> {
  if (keys.length < 2) return
  const found = (await Promise.all(keys.map((key) => store.get(key)))) as (StoredChunk | null)[]
  const chunks = withoutRepeats(found.filter((c) => c !== null))
  // A chunk that cannot be had just now must not be lost by being left out.
  if (found.some((c) => c === null) || chunks.some((c, i) => i > 0 && c.fromSeq !== (chunks[i - 1]?.toSeq ?? 0) + 1)) return
  const [first, last] = [chunks[0] as StoredChunk, chunks.at(-1) as StoredChunk]
  const text = chunks.map((chunk) => chunk.text).join('')
  const joined: StoredChunk = { fromSeq: first.fromSeq, toSeq: last.toSeq, text, checksum: checksumOf(text) }
  const key = chunkKey(joined.fromSeq, joined.toSeq)
  await store.set(key, joined)
  for (const old of keys) if (old !== key) await store.remove(old)
}
