// A decision in the making: events are folded into a working state as they are emitted, so that later rules of
// the same decision see what the earlier ones did. Nothing outside sees it until the decision is whole.
import { type FloorEvent, LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import type { EpochMs } from '@/core/time'
import { evolve } from './evolve'
import type { FloorState } from './floor-state'

export interface Draft {
  state: FloorState
  readonly atMs: EpochMs
  readonly entries: LedgerEntry[]
}

/**
 * Only the first event of a decision has no cause: it marks where a decision begins, so that a torn ledger is cut
 * between decisions and never inside one.
 */
export function emit(draft: Draft, causedBy: number | null, ...events: readonly FloorEvent[]): null {
  for (const event of events) {
    const cause = causedBy ?? draft.entries[0]?.seq ?? null
    draft.state = evolve(draft.state, event, draft.atMs)
    draft.entries.push({ version: LEDGER_VERSION, seq: draft.state.seq, atMs: draft.atMs, causedBy: cause, event })
  }
  return null
}
