// Puts a whole list into the store: chunks first, the index last, so that a list is there whole or not at all.
import type { ListedRecord } from '@/core/campaigns'
import type { KeyValue } from '@/services/storage'
import { createChunker, type ListMeta } from './chunks'
import { readIndex, writeChunk, writeIndex } from './kept'

const FIRST_GENERATION = 1

type Loaded = Pick<ListedRecord, 'key' | 'person' | 'numbers' | 'priority' | 'fields'>

/** Rejects with storage's reason, and nothing of it is there then. */
export async function loadList(
  store: KeyValue,
  { id, campaignId, name, columns, importedAtMs }: Omit<ListMeta, 'zones' | 'count' | 'generation'>,
  records: Iterable<Loaded>,
): Promise<ListMeta> {
  const chunker = createChunker(columns)
  let [count, chunks] = [0, 0]
  for (const record of records) {
    const full = chunker.add(record)
    count++
    if (full !== null) await writeChunk(store, id, FIRST_GENERATION, chunks++, full)
  }
  const rest = chunker.rest()
  if (rest !== null) await writeChunk(store, id, FIRST_GENERATION, chunks, rest)
  const meta = { id, campaignId, name, columns, zones: chunker.zones, count, generation: FIRST_GENERATION, importedAtMs }
  await writeIndex(store, [...(await readIndex(store)).filter((l) => l.id !== id), meta])
  return meta
}
