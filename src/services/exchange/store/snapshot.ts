// Snapshots of the floor: what the ledger need not be folded for again. A snapshot is a list of parts, a table or a share of a large one each; only
// parts that have changed since the last snapshot are written anew, so that a list of a hundred thousand numbers costs nothing while nobody touches it.
import * as z from 'zod'
import { createFloor, type FloorState, type Row, TABLES, type TableName, watch } from '@/core/state'
import { checksumOf, type KeyValue } from '@/services/storage'
import { SNAPSHOT_VERSION, type StoredPart, type StoredSnapshot, snapshotKey } from './store'

/** Tables that grow are kept in so many parts. */
const SHARES: Partial<Record<TableName, number>> = { doNotCall: 64, callbacks: 4, tasks: 4, messages: 4 }

/** Name of a part and where it is kept. */
type Parts = Readonly<Record<string, string>>

interface Captured {
  readonly seq: number
  readonly facts: Omit<FloorState, TableName>
  /** The rows of each part that is to be written anew: they are immutable, so that they may be written down later. */
  readonly rows: ReadonlyMap<string, readonly (readonly [key: string, row: unknown])[]>
}

export interface Snapshots {
  /** The floor as it is at this moment, at the cost of a list of its changed rows. */
  capture(state: FloorState): Captured
  /** Rejects when storage refuses; what was captured is then part of the next one. */
  write(captured: Captured): Promise<void>
  /** Removes snapshots older than `formerSeq`, and parts that none of the others speaks of. */
  tidy(formerSeq: number): Promise<void>
  /** Nothing that was written is there any more. */
  forget(): void
}

/** `found` are the keys of snapshots and parts that are there already. */
export function createSnapshots(store: KeyValue, found: readonly string[] = []): Snapshots {
  const keys = new Set(found)
  let kept: Parts = {}
  /** Names of parts that differ from what is kept; null for all of them. */
  let dirty: Set<string> | null = null
  let changes: { readonly of: FloorState; readonly take: ReturnType<typeof watch> } | null = null
  return {
    capture(state) {
      if (changes?.of !== state) changes = { of: state, take: watch(state) }
      const changed = changes.take()
      if (changed === null) dirty = null
      else if (dirty !== null) for (const [table, keys] of changed) for (const key of keys) dirty.add(partOf(table, key))
      return { seq: state.seq, facts: factsOf(state), rows: rowsOf(state, dirty) }
    },
    async write({ seq, facts, rows }) {
      const parts: Record<string, string> = { ...kept }
      const written = new Set<string>()
      for (const [name, pairs] of rows) {
        written.add(name)
        // What has no rows needs no part.
        delete parts[name]
        if (pairs.length === 0) continue
        const key = `part/${name}/${seq}`
        const text = JSON.stringify(pairs)
        await store.set(key, { text, checksum: checksumOf(text) } satisfies StoredPart)
        keys.add(key)
        parts[name] = key
      }
      const text = JSON.stringify({ facts, parts })
      await store.set(snapshotKey(seq), { version: SNAPSHOT_VERSION, seq, text, checksum: checksumOf(text) } satisfies StoredSnapshot)
      keys.add(snapshotKey(seq))
      kept = parts
      dirty = new Set([...(dirty ?? [])].filter((name) => !written.has(name)))
    },
    async tidy(formerSeq) {
      const remove = async (key: string) => {
        await store.remove(key)
        keys.delete(key)
      }
      const wanted = new Set<string>()
      for (const key of [...keys].filter((k) => k.startsWith('snapshot/')))
        if (key < snapshotKey(formerSeq)) await remove(key)
        else for (const part of Object.values((await readContent(store, key))?.parts ?? {})) wanted.add(part)
      for (const key of keys) if (key.startsWith('part/') && !wanted.has(key)) await remove(key)
    },
    forget() {
      keys.clear()
      kept = {}
      dirty = null
    },
  }
}

/** What the floor holds besides its tables. */
function factsOf(state: FloorState): Captured['facts'] {
  const facts: Partial<FloorState> = { ...state }
  for (const table of TABLES) delete facts[table]
  return facts as Captured['facts']
}

function rowsOf(tables: Pick<FloorState, TableName>, wanted: ReadonlySet<string> | null): Captured['rows'] {
  const parts = new Map<string, [string, unknown][]>()
  for (const table of TABLES) {
    const names = Array.from({ length: SHARES[table] ?? 1 }, (_, share) => partName(table, share)).filter((name) => wanted?.has(name) ?? true)
    if (names.length === 0) continue
    for (const name of names) parts.set(name, [])
    for (const [key, row] of tables[table] as ReadonlyMap<string, Row<TableName>>) parts.get(partOf(table, key))?.push([key, row])
  }
  return parts
}

const partName = (table: TableName, share: number): string => `${table}.${share}`

function partOf(table: TableName, key: string): string {
  const shares = SHARES[table] ?? 1
  return partName(table, shares === 1 ? 0 : checksumOf(key) % shares)
}

const SnapshotSchema = z.object({ version: z.literal(SNAPSHOT_VERSION), seq: z.number(), text: z.string(), checksum: z.number() })
const PartSchema = z.object({ text: z.string(), checksum: z.number() })
const ContentSchema = z.object({ facts: z.looseObject({}), parts: z.record(z.string(), z.string()) })

async function readContent(store: KeyValue, key: string): Promise<z.infer<typeof ContentSchema> | null> {
  const parsed = SnapshotSchema.safeParse(await store.get(key))
  if (!parsed.success || checksumOf(parsed.data.text) !== parsed.data.checksum) return null
  return ContentSchema.parse(JSON.parse(parsed.data.text))
}

/** The floor of a snapshot; null when it, or one of its parts, cannot be trusted. */
export async function readSnapshot(store: KeyValue, key: string): Promise<FloorState | null> {
  const content = await readContent(store, key)
  if (content === null) return null
  const facts = content.facts as unknown as Captured['facts']
  const state = { ...createFloor(facts.floorId, facts.setUp), ...facts }
  state.agents = new Map()
  state.campaigns = new Map()
  const parts = await Promise.all(Object.entries(content.parts).map(async ([name, at]) => [name, PartSchema.safeParse(await store.get(at))] as const))
  for (const [name, part] of parts) {
    if (!part.success || checksumOf(part.data.text) !== part.data.checksum) return null
    const table = state[name.slice(0, name.lastIndexOf('.')) as TableName] as Map<string, unknown>
    for (const [rowKey, row] of JSON.parse(part.data.text) as [string, unknown][]) table.set(rowKey, row)
  }
  return state
}

/** Keys of snapshots, and of their parts. */
export const isOfSnapshot = (key: string): boolean => key.startsWith('snapshot/') || key.startsWith('part/')
