export { type CarriedOver, CarriedOverSchema, type OwedCall, PROMISE_EVENTS, type PromiseEvent } from './carried-over'
export { closedStretch } from './closed'
export { type FloorEvent, LEDGER_VERSION, type LedgerEntry, LedgerEntrySchema, type LeftOutBecause, RETAINED } from './entry'
export { createLedgerFolder, type LedgerFolder } from './folder'
export type { Correction, FolderState, Settled, SettledThread, TakenBack } from './folder-state'
export { forgottenCall, forgottenWritten, namesOf } from './forgotten'
export {
  type AgentInterval,
  AgentIntervalSchema,
  type AgentLeg,
  type CallRecord,
  CallRecordSchema,
  type CallResult,
  MISSED_HOW,
  type Missed,
  type MissedHow,
  RESULTS,
} from './record'
export { type OpenedEntry, parseEntry, toLine, unreadable } from './upgrade'
export { piecesOf } from './written'
export { type WrittenLeg, type WrittenRecord, WrittenRecordSchema } from './written-record'
