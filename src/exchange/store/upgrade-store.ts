// A store of an earlier version of the product, brought to this one when it is first opened. Until version 4 the set-up in the ledger
// held everybody's PIN: they are taken out of every chunk, and handed on to be kept as hashes.
import * as z from 'zod'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import { parseEntry, toLine } from '@/core/ledger'
import { checksumOf, type KeyValue } from '@/storage'
import { chunkRange, DAMAGED_KEY, MARK, MARK_KEY, type StoredChunk } from './store'

export type FoundPins = ReadonlyMap<AgentId, string>

const ChunkSchema = z.object({ fromSeq: z.number(), toSeq: z.number(), text: z.string(), checksum: z.number() })
const WithPinsSchema = z.object({ event: z.object({ setUp: z.object({ agents: z.array(z.object({ id: AgentIdSchema, pin: z.string() })) }) }) })

/** Rewrites what is stored, a chunk at a time; interrupted, it goes on the next time. A store of a newer version is left untouched. */
export async function upgradeStore(store: KeyValue): Promise<{ readonly newer: boolean; readonly pins: FoundPins }> {
  const keys = (await store.keys()).toSorted()
  const chunks = keys.filter((key) => chunkRange(key) !== null)
  const pins = new Map<AgentId, string>()
  const rewritten = new Map<string, StoredChunk>()
  for (const key of chunks) {
    const parsed = ChunkSchema.safeParse(await store.get(key))
    // What is torn is set aside when the ledger is folded, and said then.
    if (!parsed.success || checksumOf(parsed.data.text) !== parsed.data.checksum) continue
    const lines = parsed.data.text.split('\n').filter((line) => line !== '')
    const opened = lines.map((line) => ({ line, opened: parseEntry(line) }))
    if (opened.some(({ opened: o }) => !o.ok && o.reason === 'savedByNewerVersion')) return { newer: true, pins: new Map() }
    for (const line of lines) findPins(line, pins)
    const text = opened.map(({ line, opened: o }) => `${o.ok ? toLine(o.entry) : line}\n`).join('')
    if (text !== parsed.data.text) rewritten.set(key, { ...parsed.data, text, checksum: checksumOf(text) })
  }
  if (chunks.length === 0) return { newer: false, pins }
  for (const [key, chunk] of rewritten) await store.set(key, chunk)
  // Snapshots hold the set-up as well; the ledger is folded without them.
  for (const key of keys) if (key.startsWith('snapshot/')) await store.remove(key)
  const damaged = await store.get(DAMAGED_KEY)
  if (damaged !== null && damaged !== undefined) await store.set(DAMAGED_KEY, withoutPins(damaged))
  await store.set(MARK_KEY, MARK)
  return { newer: false, pins }
}

function findPins(line: string, into: Map<AgentId, string>): void {
  if (!line.includes('"pin"')) return
  const parsed = WithPinsSchema.safeParse(JSON.parse(line))
  if (parsed.success) for (const { id, pin } of parsed.data.event.setUp.agents) into.set(id, pin)
}

/** Of what cannot be read any more as entries the text itself is changed. */
const withoutPins = (damaged: unknown): unknown => JSON.parse(JSON.stringify(damaged).replaceAll(/\\?"pin\\?":\\?"\d*\\?",?/g, ''))
