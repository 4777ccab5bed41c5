export { type FloorEvent, LEDGER_VERSION, type LedgerEntry, LedgerEntrySchema } from './entry'
export { createLedgerFolder, type LedgerFolder } from './folder'
export { type AgentInterval, AgentIntervalSchema, type AgentLeg, type CallRecord, CallRecordSchema, type CallResult, RESULTS } from './record'
export { type OpenedEntry, parseEntry, toLine } from './upgrade'
