// Brings a floor back from what is stored: the newest snapshot that can be trusted, then every entry after it up to
// the first that cannot be read. What cannot be read is set aside, never silently dropped.
import * as z from 'zod'
import { LEDGER_VERSION, type LedgerEntry, parseEntry } from '@/core/ledger'
import { createFloor, createJournal, evolve, type FloorState, rollBack } from '@/core/state'
import { utcDay } from '@/core/time'
import { checksumOf, type KeyValue } from '@/storage'
import { readChunk } from './chunks'
import { closedThrough, EMPTY_SHELF, type Shelved } from './shelf'
import { isOfSnapshot, readSnapshot } from './snapshot'
import { type ChunkRange, chunkKey, chunkRange, DAMAGED_KEY, MARK_KEY } from './store'
import { type FoundPins, upgradeStore } from './upgrade-store'

export interface Restored {
  /** null when nothing usable is stored: the floor opens anew. */
  readonly state: FloorState | null
  readonly snapshotSeq: number
  /** What there is, so that the store need not be asked for its keys again. */
  readonly shelved: Shelved
  readonly damage: Damage | null
  /** The store was written by a newer version of the product: it is left as it is, and nothing may be written to it. */
  readonly newer: boolean
  /** PINs that an older version kept in its ledger, for whoever keeps them from now on. They are out of the store. */
  readonly pins: FoundPins
}

export const NOTHING_RESTORED: Restored = { state: null, snapshotSeq: 0, shelved: EMPTY_SHELF, damage: null, newer: false, pins: new Map() }

export interface Damage {
  /** Entries that are lost to the floor, as far as the keys tell; at least 1. */
  readonly lostCount: number
  readonly afterSeq: number
  readonly reason: string
}

const MarkSchema = z.object({ ledgerVersion: z.number() })

export async function restore(store: KeyValue): Promise<Restored> {
  const mark = MarkSchema.safeParse(await store.get(MARK_KEY))
  if (mark.success && mark.data.ledgerVersion > LEDGER_VERSION) return { ...NOTHING_RESTORED, newer: true }
  const upgrade = mark.success && mark.data.ledgerVersion === LEDGER_VERSION ? { newer: false, pins: NOTHING_RESTORED.pins } : await upgradeStore(store)
  if (upgrade.newer) return { ...NOTHING_RESTORED, newer: true }
  return { ...(await restoreFrom(store)), newer: false, pins: upgrade.pins }
}

async function restoreFrom(store: KeyValue): Promise<Pick<Restored, 'state' | 'snapshotSeq' | 'shelved' | 'damage'>> {
  const keys = (await store.keys()).toSorted()
  const ranges = rangesOf(keys)
  const lastSeq = Math.max(0, ...ranges.map((r) => r.toSeq))
  const snapshots = keys.filter((key) => key.startsWith('snapshot/')).reverse()
  for (const key of [...snapshots, null]) {
    const base = key === null ? null : await readSnapshot(store, key)
    // After the browser's data was cleared the first thing written is a snapshot, with nothing before it.
    if (key !== null && (base === null || (base.seq > lastSeq && ranges.length > 0))) continue
    const folded = await foldFrom(store, base, ranges)
    // A damaged chunk before an older snapshot is no better served by that one: the newest usable snapshot decides.
    const damage = folded.damage === null ? null : { ...folded.damage, lostCount: Math.max(1, lastSeq - folded.damage.afterSeq) }
    if (damage !== null) await setAside(store, damage, ranges, snapshots)
    const shelved = await shelvedAs(store, damage === null ? keys : await store.keys(), folded.state)
    return { state: folded.state, snapshotSeq: base?.seq ?? 0, shelved, damage }
  }
  return { state: null, snapshotSeq: 0, shelved: EMPTY_SHELF, damage: null }
}

function rangesOf(keys: readonly string[]): ChunkRange[] {
  const ranges = keys.flatMap((key) => {
    const range = chunkRange(key)
    return range === null ? [] : [{ key, ...range }]
  })
  return ranges.sort((a, b) => a.fromSeq - b.fromSeq || b.toSeq - a.toSeq)
}

async function shelvedAs(store: KeyValue, keys: readonly string[], state: FloorState | null): Promise<Shelved> {
  return {
    ranges: rangesOf(keys),
    snapshotKeys: keys.filter(isOfSnapshot),
    closedSeq: await closedThrough(store),
    lastDay: state === null || state.atMs === 0 ? null : utcDay(state.atMs),
  }
}

async function foldFrom(store: KeyValue, base: FloorState | null, ranges: readonly ChunkRange[]) {
  let state = base
  for (const range of ranges) {
    const seq: number = state?.seq ?? 0
    if (range.toSeq <= seq) continue
    if (range.fromSeq > seq + 1) return { state, damage: { afterSeq: seq, reason: `entries ${seq + 1} to ${range.fromSeq - 1} are missing` } }
    const { entries, problem } = await readEntries(store, range)
    for (const entry of entries) {
      if (entry.seq <= (state?.seq ?? 0)) continue
      const afterSeq = state?.seq ?? 0
      state ??= emptyFloor(entry)
      if (state === null) return { state, damage: { afterSeq, reason: 'its beginning is missing' } }
      const trouble = foldOne(state, entry)
      if (trouble !== null) return { state: afterSeq === 0 ? null : state, damage: { afterSeq, reason: trouble } }
    }
    if (problem !== null) return { state, damage: { afterSeq: state?.seq ?? 0, reason: problem } }
  }
  return { state, damage: null }
}

/** Entries up to the first that cannot be read, in order, and what is wrong with the rest; null when nothing is. */
async function readEntries(store: KeyValue, range: ChunkRange): Promise<{ readonly entries: readonly LedgerEntry[]; readonly problem: string | null }> {
  const chunk = await readChunk(store, range.key)
  if (chunk === null) return { entries: [], problem: 'a part of it is not readable' }
  const entries: LedgerEntry[] = []
  for (const line of chunk.text.split('\n')) {
    if (line === '') continue
    const opened = parseEntry(line)
    if (!opened.ok)
      return { entries: wholeDecisions(entries), problem: opened.reason === 'savedByNewerVersion' ? 'it was saved by a newer version' : 'a part of it is torn' }
    if (opened.entry.seq !== range.fromSeq + entries.length) return { entries: wholeDecisions(entries), problem: 'its entries are out of order' }
    entries.push(opened.entry)
  }
  const whole = checksumOf(chunk.text) === chunk.checksum && entries.length === range.toSeq - range.fromSeq + 1
  return whole ? { entries, problem: null } : { entries: wholeDecisions(entries), problem: 'a part of it is torn' }
}

/** Without the last decision, whose end may be in the lost part: half a decision is no state the floor was ever in. */
function wholeDecisions(entries: readonly LedgerEntry[]): readonly LedgerEntry[] {
  const begin = entries.findLastIndex((e) => e.causedBy === null)
  return entries.slice(0, Math.max(0, begin))
}

const emptyFloor = ({ event }: LedgerEntry): FloorState | null => (event.kind === 'floorOpened' ? createFloor(event.floorId, event.setUp) : null)

/** Why the entry cannot follow; null when it was folded in. Folding throws only on entries that contradict what came before: then nothing of it stays. */
function foldOne(state: FloorState, { event, seq, atMs }: LedgerEntry): string | null {
  const journal = createJournal()
  try {
    evolve(state, event, atMs, journal)
    return null
  } catch (error) {
    rollBack(state, journal)
    return `entry ${seq} contradicts what came before (${error instanceof Error ? error.message : String(error)})`
  }
}

/** Moves every chunk and snapshot beyond the last good entry under one key, where it can be saved as a file. */
async function setAside(store: KeyValue, damage: Damage, ranges: readonly ChunkRange[], snapshots: readonly string[]): Promise<void> {
  const beyond = ranges.filter((r) => r.toSeq > damage.afterSeq)
  const parts = await Promise.all(beyond.map(async (r) => ({ key: r.key, value: await store.get(r.key) })))
  const former = z.array(z.unknown()).safeParse(await store.get(DAMAGED_KEY))
  await store.set(DAMAGED_KEY, [...(former.success ? former.data : []), { reason: damage.reason, afterSeq: damage.afterSeq, parts }])
  // A chunk may begin before the damage and end after it: its good lines are part of the state already, so they
  // are written back as a chunk of their own.
  for (const { key, fromSeq } of beyond) {
    if (fromSeq <= damage.afterSeq) await keepGoodPart(store, key, fromSeq, damage.afterSeq)
    await store.remove(key)
  }
  for (const key of snapshots) if (Number(key.slice('snapshot/'.length)) > damage.afterSeq) await store.remove(key)
}

async function keepGoodPart(store: KeyValue, key: string, fromSeq: number, toSeq: number): Promise<void> {
  const chunk = await readChunk(store, key)
  if (chunk === null) return
  const text = `${chunk.text
    .split('\n')
    .slice(0, toSeq - fromSeq + 1)
    .join('\n')}\n`
  await store.set(chunkKey(fromSeq, toSeq), { fromSeq, toSeq, text, checksum: checksumOf(text) })
}
