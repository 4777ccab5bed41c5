// The ledger of the floor that runs, folded as it is stored. What is over is settled into a block and stored with how far that goes, so that a
// browser that is opened again folds the last hours and not months.
import * as z from 'zod'
import { createLedgerFolder, type FloorEvent, type FolderState, type LedgerEntry, type LedgerFolder } from '@/core/ledger'
import { isMark } from '@/core/replay'
import { HOUR, utcDay } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { type CallsBlock, packCalls, packStates, type StatesBlock } from './columns'
import { type Kept, keepSettled } from './kept'
import type { Rules } from './tally'

export interface Live {
  readonly folder: LedgerFolder
  /** Of the last entry folded. */
  seq(): number
  hasAny(): boolean
  /**
   * Goes on where this worker or an earlier one stopped. The names of the blocks that are settled by then: none when it begins anew, because there is nothing
   * or it is of another floor.
   */
  resume(floorId: string): Promise<readonly string[]>
  /** Entries in order; those that are here already are passed over. */
  add(entries: readonly LedgerEntry[]): void
  /** What is over by now as a block of its own, when it is time for one. It counts as settled once it is stored; nothing may be added meanwhile. */
  settle(rules: Rules, store: (kept: Kept) => Promise<void>): Promise<Kept | null>
  /** Keeps what it knows by now in place of what it knew when it was kept last. */
  keep(): Promise<void>
  /** Calls that have ended and are not settled. */
  ended(): CallsBlock
  underWay(nowMs: number): CallsBlock
  /** Spells that are not settled, as they are by now. */
  states(nowMs: number): StatesBlock
  /** Days whose promises the floor has taken up. */
  carried(): readonly Carried[]
  /** Entries that are marked on the day they fell on, of the last days. */
  marks(): readonly LedgerEntry[]
  /** Changes with every correction of a call that is settled. */
  correctionsKey(): string
}

export type Carried = Pick<Extract<FloorEvent, { kind: 'carriedOver' }>, 'from' | 'through' | 'simulated'>

/** A call is settled when it has been over for so long. */
const SETTLED_AFTER_MS = HOUR
/** Enough calls for a block on a day that has not ended. */
const ENOUGH = 2_000
/** Of the shape of what a folder knows: of another it is folded anew. */
const CHECKPOINT_VERSION = 4
const CHECKPOINT_KEY = 'checkpoint'
/** More are on no picture of a day. */
const MOST_MARKS = 400

interface Checkpoint {
  readonly version: typeof CHECKPOINT_VERSION
  readonly floorId: string
  readonly seq: number
  readonly state: FolderState
  readonly carried: readonly Carried[]
  /** Absent where an earlier version wrote it. */
  readonly marks?: readonly LedgerEntry[]
  /** Names of the blocks that hold what is settled: one that is not among them was written in vain. */
  readonly settled: readonly string[]
}
const CheckpointSchema = z.looseObject({ version: z.literal(CHECKPOINT_VERSION), floorId: z.string(), seq: z.number(), settled: z.array(z.string()) })

export function createLive(keep: KeyValue): Live {
  let folder = createLedgerFolder()
  let seq = 0
  let atMs = 0
  let settledOn = ''
  let floor = ''
  let carried: Carried[] = []
  let marks: LedgerEntry[] = []
  let ended: CallsBlock | null = null
  let endedCount = 0
  let corrections: string | null = null
  let settled: readonly string[] = []
  const begin = () => {
    folder = createLedgerFolder()
    seq = 0
    settledOn = ''
    carried = []
    marks = []
    settled = []
    ended = null
    corrections = null
    endedCount = 0
  }

  const keepCheckpoint = (upTo: number, state: FolderState, names: readonly string[]): Promise<void> =>
    keep.set(CHECKPOINT_KEY, { version: CHECKPOINT_VERSION, floorId: floor, seq: upTo, state, carried, marks, settled: names } satisfies Checkpoint)

  return {
    get folder() {
      return folder
    },
    seq: () => seq,
    hasAny: () => seq > 0,
    async resume(floorId) {
      if (floor === floorId) return settled
      floor = floorId
      begin()
      const stored = await keep.get(CHECKPOINT_KEY)
      const parsed = CheckpointSchema.safeParse(stored)
      if (!parsed.success || parsed.data.floorId !== floorId) return settled
      // Written by this product and of this shape: its maps are not gone through.
      const checkpoint = stored as Checkpoint
      folder = createLedgerFolder(checkpoint.state)
      seq = checkpoint.seq
      corrections = null
      carried = [...checkpoint.carried]
      marks = [...(checkpoint.marks ?? [])]
      settled = checkpoint.settled
      return settled
    },
    add(entries) {
      for (const entry of entries) {
        if (entry.seq <= seq) continue
        folder.add(entry)
        seq = entry.seq
        atMs = entry.atMs
        if (settledOn === '') settledOn = utcDay(atMs)
        if (entry.event.kind === 'callCleared') endedCount++
        if (isMark(entry)) marks = [...marks.slice(-MOST_MARKS), entry]
        if (entry.event.kind === 'carriedOver') carried.push({ from: entry.event.from, through: entry.event.through, simulated: entry.event.simulated })
      }
      ended = null
      corrections = null
    },
    async settle(rules, store) {
      if (seq === 0 || (utcDay(atMs) === settledOn && endedCount < ENOUGH)) return null
      settledOn = utcDay(atMs)
      endedCount = 0
      const byMs = atMs - SETTLED_AFTER_MS
      // Of a copy: until it is stored everything is as it was.
      const copy = createLedgerFolder(structuredClone(folder.state()))
      const over = copy.settle(byMs)
      if (over.calls.length + over.written.length === 0) return null
      const upTo = seq
      const kept = keepSettled(upTo, over, rules)
      const names = [...settled, kept.name]
      await store(kept)
      await keepCheckpoint(upTo, copy.state(), names)
      folder = copy
      settled = names
      ended = null
      return kept
    },
    keep: () => keepCheckpoint(seq, folder.state(), settled),
    ended() {
      ended ??= packCalls(folder.records())
      return ended
    },
    underWay: (nowMs) => packCalls(folder.underWay(nowMs)),
    states: (nowMs) => packStates(seq === 0 ? [] : folder.intervals(nowMs)),
    carried: () => carried,
    marks: () => marks,
    correctionsKey() {
      corrections ??= [...folder.corrections().values()].map((c) => c.seq).join(' ')
      return corrections
    },
  }
}
