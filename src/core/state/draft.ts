// A decision in the making: events are folded into the floor as they are emitted, so that later rules of the same decision see what the earlier ones
// did. The journal tells what the floor was before, and takes it back there.
import { type FloorEvent, LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import { type EpochMs, wholeMs } from '@/core/time'
import { evolve } from './evolve'
import type { FloorState } from './floor-state'
import { createJournal, type Journal } from './journal'

export interface Draft {
  readonly state: FloorState
  readonly journal: Journal
  readonly atMs: EpochMs
  readonly entries: LedgerEntry[]
  /** Ends that could be taken back reach the network at once: somebody asks what would come of them. */
  readonly atOnce: boolean
}

/** An instant before the floor's last event is taken as that event's; whatever it comes from, it is a whole number of milliseconds. */
export const beginDraft = (state: FloorState, atMs: EpochMs, atOnce = false): Draft => ({
  state,
  journal: createJournal(),
  atMs: Math.max(wholeMs(atMs), state.atMs),
  entries: [],
  atOnce,
})

/**
 * Only the first event of a decision has no cause: it marks where a decision begins, so that a torn ledger is cut
 * between decisions and never inside one.
 */
export function emit(draft: Draft, causedBy: number | null, ...events: readonly FloorEvent[]): null {
  const { state, entries, atMs } = draft
  for (const event of events) {
    const cause = causedBy ?? entries[0]?.seq ?? null
    evolve(state, event, atMs, draft.journal)
    entries.push({ version: LEDGER_VERSION, seq: state.seq, atMs, causedBy: cause, event })
  }
  return null
}
