// Where lists are kept: rows as they were imported, what records have been through in parts of their own, and how far the floor's ledger has been folded in.
// The index of lists is written last: a list that is not in it is not there, whatever was begun. What is read is held against what was written: a list of which
// a part is torn is nobody's to dial, because what its people have said would be missing.
import * as z from 'zod'
import type { RecordLife } from '@/core/campaigns'
import { CampaignIdSchema, type ListId, ListIdSchema } from '@/core/ids'
import type { Place } from '@/core/lists'
import { checksumOf, type KeyValue, storageWords } from '@/services/storage'
import { CHUNK_ROWS, type Chunk, type ListMeta } from './chunks'

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
/** Of a chunk that an earlier version wrote there is no checksum. */
const ChunkSchema = z
  .object({ text: z.string(), zones: z.instanceof(Uint16Array), priorities: z.instanceof(Int16Array), checksum: z.number().optional() })
  .refine(({ zones, priorities }) => zones.length === priorities.length && zones.length <= CHUNK_ROWS, 'has rows without a place')
  .refine(({ text, checksum }) => checksum === undefined || checksumOf(text) === checksum, 'is not as it was written')
const TrySchema = z.looseObject({ atMs: z.number() })
const LifeSchema = z.looseObject({
  tries: z.array(TrySchema),
  becomes: z.looseObject({ atMs: z.number() }).nullable(),
  struck: z.array(z.string()),
  barred: z.array(z.string()),
  putBackAtMs: z.number(),
  shown: z.boolean(),
  rests: z.looseObject({ untilMs: z.number() }).nullable(),
})
const LivesSchema = z.array(z.tuple([z.number().int().nonnegative(), LifeSchema]))
const SeqSchema = z.object({ floorId: z.string(), seq: z.number().int() })

/** Up to which entry of which floor's ledger lives have been followed. */
export type FollowedTo = z.infer<typeof SeqSchema>

const rowsKey = (listId: ListId, generation: number, chunkNo: number): string => `rows/${listId}/${generation}/${chunkNo}`
const livesKey = (listId: ListId, chunkNo: number): string => `lives/${listId}/${chunkNo}`

/** Throws where there is one that cannot be read: taken for none, everything there is would be cleared away as left over. */
export async function readIndex(store: KeyValue): Promise<readonly ListMeta[]> {
  const kept = await store.get(INDEX_KEY)
  if (kept === null) return []
  const index = IndexSchema.safeParse(kept)
  if (!index.success) throw new Error('what says which calling lists there are cannot be read; nothing of them was changed')
  return index.data.lists
}
export const writeIndex = (store: KeyValue, lists: readonly ListMeta[]): Promise<void> => store.set(INDEX_KEY, { version: 1, lists })
export const writeChunk = (store: KeyValue, listId: ListId, generation: number, chunkNo: number, chunk: Chunk): Promise<void> =>
  store.set(rowsKey(listId, generation, chunkNo), { ...chunk, checksum: checksumOf(chunk.text) })

/** Of one writing of a list. */
export async function removeRows(store: KeyValue, listId: ListId, generation: number): Promise<void> {
  for (const key of await store.keys()) if (key.startsWith(`rows/${listId}/${generation}/`)) await store.remove(key)
}

export const readFollowed = async (store: KeyValue): Promise<FollowedTo | null> => SeqSchema.safeParse(await store.get(SEQ_KEY)).data ?? null
export const writeFollowed = (store: KeyValue, followed: FollowedTo): Promise<void> => store.set(SEQ_KEY, followed)

/** Since when a list cannot be read: what the floor says meanwhile is folded in once it can. */
export const readBehind = async (store: KeyValue, listId: ListId): Promise<FollowedTo | null> =>
  SeqSchema.safeParse(await store.get(`behind/${listId}`)).data ?? null
export const noLongerBehind = (store: KeyValue, listId: ListId): Promise<void> => store.remove(`behind/${listId}`)
/** The first time counts. */
export async function fallsBehind(store: KeyValue, listId: ListId, followed: FollowedTo): Promise<void> {
  if ((await readBehind(store, listId)) === null) await store.set(`behind/${listId}`, followed)
}

/** Throws, naming the list, when a chunk is missing or not as it was written. */
export async function readChunks(store: KeyValue, { id, name, generation }: ListMeta, chunkCount: number): Promise<Chunk[]> {
  return Promise.all(
    Array.from({ length: chunkCount }, async (_, no) => {
      const kept = await store.get(rowsKey(id, generation, no))
      if (kept === null) throw new Error(`a part of the list “${name}” is missing`)
      const chunk = ChunkSchema.safeParse(kept)
      if (!chunk.success) throw new Error(`a part of the list “${name}” ${chunk.error.issues[0]?.message ?? 'cannot be read'}`)
      const { text, zones, priorities } = chunk.data
      return { text, zones, priorities }
    }),
  )
}

type Lives = readonly (readonly [Place, RecordLife])[]

/** Throws, naming the list, when a part cannot be read: whoever asked not to be called would be called. */
export async function readLives(store: KeyValue, { id, name }: Pick<ListMeta, 'id' | 'name'>, chunkCount: number): Promise<Map<Place, RecordLife>> {
  const parts = await Promise.all(
    Array.from({ length: chunkCount }, async (_, no) => {
      const kept = await store.get(livesKey(id, no))
      // Nobody of it was ever tried.
      if (kept === null) return []
      const lives = LivesSchema.safeParse(kept)
      if (!lives.success) throw new Error(`what people of the list “${name}” have been through cannot be read`)
      return lives.data as unknown as Lives
    }),
  )
  return new Map(parts.flat())
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

/** Reads every list as it is stored, and names what is not as it was written. Nothing is changed: an import may be under way. */
export async function checkLists(store: KeyValue): Promise<{ readonly whole: readonly string[]; readonly damaged: readonly string[] }> {
  const metas = await readIndex(store)
  const damaged: string[] = []
  for (const meta of metas) {
    const chunkCount = Math.ceil(meta.count / CHUNK_ROWS)
    for (const read of [readChunks, readLives] as const)
      try {
        await read(store, meta, chunkCount)
      } catch (error) {
        damaged.push(storageWords(error))
      }
  }
  return { whole: [metas.length === 1 ? 'one calling list' : `${metas.length} calling lists`], damaged }
}
