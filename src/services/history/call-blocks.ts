// Blocks of calls as they are meant: with what was corrected since, or of one agent alone.
import type { AgentId } from '@/core/ids'
import type { CallRecord, Correction } from '@/core/ledger'
import { type CallsBlock, packCalls, recordsOf } from './columns'
import { isOf, openBlock } from './tally'

export function withCorrection(record: CallRecord, corrections: ReadonlyMap<string, Correction>): CallRecord {
  const correction = corrections.get(record.callId)
  if (correction === undefined) return record
  return {
    ...record,
    outcome: correction.code,
    outcomeAtMs: correction.atMs,
    outcomeById: correction.byId,
    outcomeBy: correction.by,
    ...(correction.notes === null ? {} : { notes: correction.notes }),
  }
}

/** A block of what one agent handled or coded. */
export function ofAgentAlone(block: CallsBlock, only: AgentId): CallsBlock {
  const open = openBlock(block)
  return packCalls(recordsOf(block).filter((_, row) => isOf(block, row, only, open)))
}
