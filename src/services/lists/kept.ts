// Where lists are kept: rows as they were imported, what records have been through in parts of their own, and how far the floor's ledger has been folded in.
// The index of lists is written last: a list that is not in it is not there, whatever was begun.
import * as z from 'zod'
import type { RecordLife } from '@/core/campaigns'
import { CampaignIdSchema, type ListId, ListIdSchema } from '@/core/ids'
import type { Place } from '@/core/lists'
import type { KeyValue } from '@/services/storage'
import type { Chunk, ListMeta } from './chunks'

const INDEX_KEY = 'index'
const SEQ_KEY = 'seq'

const MetaSchema = z.object({
  id: ListIdSchema,
  campaignId: CampaignIdSchema,
  name: z.string(),
  columns: z.array(z.string()),
  zones: z.array(z.string()),
  count: z.number().int(),
  generation: z.number().int(),
  importedAtMs: z.number(),
})
const IndexSchema = z.object({ version: z.literal(1), lists: z.array(MetaSchema) })
const SeqSchema = z.object({ floorId: z.string(), seq: z.number().int() })

/** Up to which entry of which floor's ledger lives have been followed. */
export type FollowedTo = z.infer<typeof SeqSchema>

const rowsKey = (listId: ListId, generation: number, chunkNo: number): string => `rows/${listId}/${generation}/${chunkNo}`
const livesKey = (listId: ListId, chunkNo: number): string => `lives/${listId}/${chunkNo}`

export const readIndex = async (store: KeyValue): Promise<readonly ListMeta[]> => IndexSchema.safeParse(await store.get(INDEX_KEY)).data?.lists ?? []
export const writeIndex = (store: KeyValue, lists: readonly ListMeta[]): Promise<void> => store.set(INDEX_KEY, { version: 1, lists })
export const writeChunk = (store: KeyValue, listId: ListId, generation: number, chunkNo: number, chunk: Chunk): Promise<void> =>
  store.set(rowsKey(listId, generation, chunkNo), chunk)

/** Of one writing of a list. */
export async function removeRows(store: KeyValue, listId: ListId, generation: number): Promise<void> {
  for (const key of await store.keys()) if (key.startsWith(`rows/${listId}/${generation}/`)) await store.remove(key)
}

export const readFollowed = async (store: KeyValue): Promise<FollowedTo | null> => SeqSchema.safeParse(await store.get(SEQ_KEY)).data ?? null
export const writeFollowed = (store: KeyValue, followed: FollowedTo): Promise<void> => store.set(SEQ_KEY, followed)

/** Throws, naming the list, when a chunk is missing. */
export async function readChunks(store: KeyValue, { id, name, generation }: ListMeta, chunkCount: number): Promise<Chunk[]> {
  return Promise.all(
    Array.from({ length: chunkCount }, async (_, no) => {
      const chunk = (await store.get(rowsKey(id, generation, no))) as Chunk | null
      if (chunk === null) throw new Error(`a part of the list “${name}” is missing`)
      return chunk
    }),
  )
}

type Lives = readonly (readonly [Place, RecordLife])[]

export async function readLives(store: KeyValue, listId: ListId, chunkCount: number): Promise<Map<Place, RecordLife>> {
  const parts = await Promise.all(Array.from({ length: chunkCount }, (_, no) => store.get(livesKey(listId, no)) as Promise<Lives | null>))
  return new Map(parts.flatMap((part) => part ?? []))
}

export const writeLives = (store: KeyValue, listId: ListId, chunkNo: number, lives: Lives): Promise<void> => store.set(livesKey(listId, chunkNo), lives)

/** Everything of lists that are not in the index: imports that were broken off, and lists that were removed. */
export async function tidy(store: KeyValue): Promise<void> {
  const there = new Map((await readIndex(store)).map((l) => [l.id as string, String(l.generation)]))
  for (const key of await store.keys()) {
    const [kind, listId = '', generation] = key.split('/')
    if (kind === 'rows' && there.get(listId) !== generation) await store.remove(key)
    if (kind === 'lives' && !there.has(listId)) await store.remove(key)
  }
}
