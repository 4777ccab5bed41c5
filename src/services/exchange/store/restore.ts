// Brings a floor back from what is stored: the newest snapshot that can be trusted, then every decision after it that can be read and follows. What is left
// out is set aside and said, never silently dropped.
import * as z from 'zod'
import { LEDGER_VERSION } from '@/core/ledger'
import type { FloorState } from '@/core/state'
import { type EpochMs, utcDay } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { fold } from './fold'
import { createKeyRing, type KeyRing } from './key-ring'
import { piecesOf } from './pieces'
import { editionOf, keepAltered, readAgain, setAside, setAsideWhole } from './set-aside'
import { closedThrough, EMPTY_SHELF, type Shelved } from './shelf'
import { isOfSnapshot, readSnapshot } from './snapshot'
import { ALIVE_KEY, type ChunkRange, MARK_KEY, READ_AGAIN_KEY, rangesOf } from './store'
import { type FoundPins, upgradeStore } from './upgrade-store'

export interface Restored {
  /** null when nothing usable is stored: the floor opens anew. */
  readonly state: FloorState | null
  readonly snapshotSeq: number
  /** What there is, so that the store need not be asked for its keys again. */
  readonly shelved: Shelved
  readonly damage: Damage | null
  /** So many entries that had been set aside are in their places again. */
  readonly cameBack: number
  /** How often places of this ledger were given other entries than were first stored there. */
  readonly edition: number
  /** The store was written by a newer version of the product: it is left as it is, and nothing may be written to it. */
  readonly newer: boolean
  /** When the floor was last there; 0 when that is not known. */
  readonly aliveAtMs: EpochMs
  /** PINs that an older version kept in its ledger, for whoever keeps them from now on. They are out of the store. */
  readonly pins: FoundPins
}

export const NOTHING_RESTORED: Restored = {
  state: null,
  snapshotSeq: 0,
  shelved: EMPTY_SHELF,
  damage: null,
  cameBack: 0,
  edition: 0,
  newer: false,
  aliveAtMs: 0,
  pins: new Map(),
}

export interface Damage {
  /** Entries that are left out of the floor, as far as the keys tell; 0 when all can be read and something is not as it was written. */
  readonly lostCount: number
  /** The last entry before the first of them. */
  readonly afterSeq: number
  readonly reason: string
  /** Nothing of the ledger could be gone on from, and the floor opens anew. */
  readonly isWhole: boolean
}

/** Which version of the ledger the store was written by last. */
export const MarkSchema = z.object({ ledgerVersion: z.number() })

export async function restore(store: KeyValue, ring: KeyRing = createKeyRing(store)): Promise<Restored> {
  const mark = MarkSchema.safeParse(await store.get(MARK_KEY))
  if (mark.success && mark.data.ledgerVersion > LEDGER_VERSION) return { ...NOTHING_RESTORED, newer: true }
  const isCurrent = mark.success && mark.data.ledgerVersion === LEDGER_VERSION
  const upgrade = isCurrent ? { newer: false, pins: NOTHING_RESTORED.pins } : await upgradeStore(store, ring)
  if (upgrade.newer) return { ...NOTHING_RESTORED, newer: true }
  // What no earlier version could read, this one may.
  const again = !isCurrent || (await store.get(READ_AGAIN_KEY)) === true
  const cameBack = again ? await readAgain(store) : 0
  if (again) await store.remove(READ_AGAIN_KEY)
  const restored = await restoreFrom(store, ring)
  const aliveAtMs = z
    .number()
    .catch(0)
    .parse(await store.get(ALIVE_KEY))
  return { ...restored, cameBack, edition: await editionOf(store), newer: false, aliveAtMs, pins: upgrade.pins }
}

async function restoreFrom(store: KeyValue, ring: KeyRing): Promise<Pick<Restored, 'state' | 'snapshotSeq' | 'shelved' | 'damage'>> {
  const keys = (await store.keys()).toSorted()
  const ranges = rangesOf(keys)
  const lastSeq = Math.max(0, ...ranges.map((r) => r.toSeq))
  const snapshots = keys.filter((key) => key.startsWith('snapshot/')).reverse()
  for (const key of [...snapshots, null]) {
    const base = key === null ? null : await readSnapshot(store, key)
    // After the browser's data was cleared the first thing written is a snapshot, with nothing before it.
    if (key !== null && (base === null || (base.seq > lastSeq && ranges.length > 0))) continue
    const snapshotSeq = base?.seq ?? 0
    const altered: ChunkRange[] = []
    const { state, leftOut, problem } = await fold(
      base,
      piecesOf(store, ring, ranges, snapshotSeq, (range) => altered.push(range)),
    )
    const [first] = leftOut
    if (first !== undefined) await setAside(store, ranges, leftOut)
    const [changed] = altered
    if (changed !== undefined) await keepAltered(store, altered)
    if (problem !== null) await setAsideWhole(store, ranges, problem)
    const damage =
      first !== undefined
        ? { lostCount: leftOut.reduce((sum, l) => sum + l.instead.length, 0), afterSeq: first.fromSeq - 1, reason: first.reason, isWhole: false }
        : problem !== null
          ? { lostCount: lastSeq, afterSeq: 0, reason: problem, isWhole: true }
          : changed !== undefined
            ? { lostCount: 0, afterSeq: changed.fromSeq - 1, reason: ALTERED, isWhole: false }
            : null
    const shelved = await shelvedAs(store, damage === null ? keys : await store.keys(), state)
    return { state, snapshotSeq, shelved, damage }
  }
  return { state: null, snapshotSeq: 0, shelved: EMPTY_SHELF, damage: null }
}

const ALTERED = 'a part of it is not as it was written'

async function shelvedAs(store: KeyValue, keys: readonly string[], state: FloorState | null): Promise<Shelved> {
  return {
    ranges: rangesOf(keys),
    snapshotKeys: keys.filter(isOfSnapshot),
    closedSeq: await closedThrough(store),
    lastDay: state === null || state.atMs === 0 ? null : utcDay(state.atMs),
  }
}
