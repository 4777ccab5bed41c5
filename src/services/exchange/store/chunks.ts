// Chunks of the ledger as they are read together: in order, each entry once.
import * as z from 'zod'
import type { LedgerEntry } from '@/core/ledger'
import { checksumOf, type KeyValue } from '@/services/storage'
import type { KeyRing } from './key-ring'
import { openLines } from './seal'
import { type ChunkRange, chunkKey, type StoredChunk } from './store'

const ChunkSchema = z.object({ fromSeq: z.number(), toSeq: z.number(), text: z.union([z.string(), z.instanceof(Uint8Array)]), checksum: z.number() })

/** A chunk with its text as it was written, torn or not, and what is personal sealed. */
export interface OpenChunk extends Pick<StoredChunk, 'fromSeq' | 'toSeq' | 'checksum'> {
  readonly text: string
}

/** `lineOf` gives an entry's line with what is personal sealed. */
export function toChunk(batch: readonly LedgerEntry[], lineOf: (entry: LedgerEntry) => string): OpenChunk {
  const text = batch.map((entry) => `${lineOf(entry)}\n`).join('')
  return { fromSeq: (batch[0] as LedgerEntry).seq, toSeq: (batch.at(-1) as LedgerEntry).seq, text, checksum: checksumOf(text) }
}

/** null when it is not there, or is no chunk; of a torn compressed one nothing can be had either. */
export async function readChunk(store: KeyValue, key: string): Promise<OpenChunk | null> {
  const parsed = ChunkSchema.safeParse(await store.get(key))
  if (!parsed.success) return null
  const { text, ...chunk } = parsed.data
  if (typeof text === 'string') return { ...chunk, text }
  try {
    return { ...chunk, text: await through(text as Uint8Array<ArrayBuffer>, new DecompressionStream('gzip')).then((bytes) => new TextDecoder().decode(bytes)) }
  } catch {
    // The stream rejects with its own words for bytes that are no gzip, or not all of it.
    return null
  }
}

export async function compressed(chunk: OpenChunk): Promise<StoredChunk> {
  const bytes = await through(new TextEncoder().encode(chunk.text), new CompressionStream('gzip'))
  return { ...chunk, text: new Uint8Array(bytes) }
}

const through = (bytes: Uint8Array<ArrayBuffer>, stream: CompressionStream | DecompressionStream): Promise<ArrayBuffer> =>
  new Response(new Blob([bytes]).stream().pipeThrough(stream as ReadableWritablePair<Uint8Array<ArrayBuffer>, Uint8Array<ArrayBuffer>>)).arrayBuffer()

/** The lines of a chunk after an entry, through another one, as they are read: opened, without those that cannot be. */
export async function linesBetween({ fromSeq, toSeq, text }: OpenChunk, ring: KeyRing, afterSeq: number, throughSeq: number): Promise<string> {
  const all = text.split('\n')
  const lines = fromSeq > afterSeq && toSeq <= throughSeq ? all : all.slice(Math.max(0, afterSeq - fromSeq + 1), Math.max(0, throughSeq - fromSeq + 1))
  return (await openLines(lines, ring)).map((line) => (line === null || line === '' ? '' : `${line}\n`)).join('')
}

/** While chunks are being joined, a chunk and the one that contains it may both be there: the larger one counts. */
export function withoutRepeats<T extends { readonly fromSeq: number; readonly toSeq: number }>(chunks: readonly T[]): T[] {
  let upTo = 0
  const kept: T[] = []
  for (const chunk of chunks.toSorted((a, b) => a.fromSeq - b.fromSeq || b.toSeq - a.toSeq))
    if (chunk.toSeq > upTo) {
      kept.push(chunk)
      upTo = chunk.toSeq
    }
  return kept
}

/** Writes one chunk that can stand in the place of several, and says which; null when they cannot be joined. The others are still there. */
export async function joinChunks(
  store: KeyValue,
  ranges: readonly ChunkRange[],
  form: (chunk: OpenChunk) => Promise<StoredChunk> = async (chunk) => chunk,
): Promise<ChunkRange | null> {
  const found = await Promise.all(withoutRepeats(ranges).map(({ key }) => readChunk(store, key)))
  const chunks = found.filter((c) => c !== null)
  // A chunk that cannot be had just now must not be lost by being left out.
  if (chunks.length < found.length || chunks.some((c, i) => i > 0 && c.fromSeq !== (chunks[i - 1]?.toSeq ?? 0) + 1)) return null
  const [first, last] = [chunks[0], chunks.at(-1)]
  if (first === undefined || last === undefined) return null
  const text = chunks.map((chunk) => chunk.text).join('')
  const joined: OpenChunk = { fromSeq: first.fromSeq, toSeq: last.toSeq, text, checksum: checksumOf(text) }
  const key = chunkKey(joined.fromSeq, joined.toSeq)
  await store.set(key, await form(joined))
  return { key, fromSeq: joined.fromSeq, toSeq: joined.toSeq }
}
