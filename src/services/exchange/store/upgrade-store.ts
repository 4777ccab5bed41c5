// A store of an earlier version of the product, brought to this one when it is first opened. Until version 4 the set-up in the ledger
// held everybody's PIN: they are taken out of every chunk, and handed on to be kept as hashes. Until version 15 what is personal stood there unsealed.
import * as z from 'zod'
import { type IsOffered, offeredBy } from '@/core/forgotten'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import { type LedgerEntry, parseEntry } from '@/core/ledger'
import { checksumOf, type KeyValue } from '@/services/storage'
import { compressed, type OpenChunk, readChunk } from './chunks'
import type { KeyRing } from './key-ring'
import { openLines, sealedLine } from './seal'
import { closedThrough } from './shelf'
import { chunkRange, DAMAGED_KEY, MARK, MARK_KEY } from './store'

export type FoundPins = ReadonlyMap<AgentId, string>

const WithPinsSchema = z.object({ event: z.object({ setUp: z.object({ agents: z.array(z.object({ id: AgentIdSchema, pin: z.string() })) }) }) })

/** Rewrites what is stored, a chunk at a time; interrupted, it goes on the next time. A store of a newer version is left untouched. */
export async function upgradeStore(store: KeyValue, ring: KeyRing): Promise<{ readonly newer: boolean; readonly pins: FoundPins }> {
  const keys = (await store.keys()).toSorted()
  const chunks = keys.filter((key) => chunkRange(key) !== null)
  const pins = new Map<AgentId, string>()
  const rewritten = new Map<string, OpenChunk>()
  let isOffered: IsOffered = () => false
  const sealed = (entry: LedgerEntry): string => {
    if ('setUp' in entry.event) isOffered = offeredBy(entry.event.setUp)
    return sealedLine(entry, ring, isOffered)
  }
  for (const key of chunks) {
    const chunk = await readChunk(store, key)
    // What is torn is set aside when the ledger is folded, and said then.
    if (chunk === null || checksumOf(chunk.text) !== chunk.checksum) continue
    const lines = chunk.text.split('\n').filter((line) => line !== '')
    const unsealed = await openLines(lines, ring)
    const opened = lines.map((line, i) => ({ line, opened: parseEntry(unsealed[i] ?? line) }))
    if (opened.some(({ opened: o }) => !o.ok && o.reason === 'savedByNewerVersion')) return { newer: true, pins: new Map() }
    for (const line of lines) findPins(line, pins)
    // What is sealed and not as it was written is set aside later, as it is.
    const text = opened.map(({ line, opened: o }, i) => `${o.ok && unsealed[i] !== null ? sealed(o.entry) : line}\n`).join('')
    if (text !== chunk.text) rewritten.set(key, { ...chunk, text, checksum: checksumOf(text) })
  }
  if (chunks.length === 0) return { newer: false, pins }
  await ring.kept()
  const closedSeq = await closedThrough(store)
  // What was put away compressed stays so.
  for (const [key, chunk] of rewritten) await store.set(key, chunk.toSeq <= closedSeq ? await compressed(chunk) : chunk)
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
