// What happens to the floor itself, without anybody asking for it: it was closed for a while, its clock was moved, stand-ins began, PINs were lost.
import { type FloorEvent, LEDGER_VERSION, type LedgerEntry, unreadable } from '@/core/ledger'
import { evolve, type FloorState } from '@/core/state'
import { type EpochMs, wholeMs } from '@/core/time'

type OfItself = Extract<FloorEvent, { kind: 'floorResumed' | 'clockMoved' | 'storageCleared' | 'standInsBegan' | 'pinsRenewed' }>

/** Throws on what could not be read again, and changes nothing then. Folds it into the floor, and gives the entry for whoever keeps the ledger. Time never runs back. */
export function happened(state: FloorState, event: OfItself, atMs: EpochMs): LedgerEntry {
  const entry: LedgerEntry = { version: LEDGER_VERSION, seq: state.seq + 1, atMs: Math.max(wholeMs(atMs), state.atMs), causedBy: null, event }
  const problem = unreadable(entry)
  if (problem !== null) throw new Error(`what happened could not be read again (${problem})`)
  evolve(state, entry.event, entry.atMs)
  return entry
}
