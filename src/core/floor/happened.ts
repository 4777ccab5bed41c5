// What happens to the floor itself, without anybody asking for it: it was closed for a while, its clock was moved, stand-ins began.
import { type FloorEvent, LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import { evolve, type FloorState } from '@/core/state'
import type { EpochMs } from '@/core/time'

type OfItself = Extract<FloorEvent, { kind: 'floorResumed' | 'clockMoved' | 'storageCleared' | 'standInsBegan' }>

/** Folds it into the floor, and gives the entry for whoever keeps the ledger. Time never runs back. */
export function happened(state: FloorState, event: OfItself, atMs: EpochMs): LedgerEntry {
  const entry: LedgerEntry = { version: LEDGER_VERSION, seq: state.seq + 1, atMs: Math.max(atMs, state.atMs), causedBy: null, event }
  evolve(state, entry.event, entry.atMs)
  return entry
}
