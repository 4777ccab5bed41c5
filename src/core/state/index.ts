export { createKeeper, type Keeper } from './carried-over'
export { codedBySomebody, codedKey } from './coded'
export { nextDueAtMs, readyAgents, revisionOf, type Served, servedBy, watch } from './derived'
export { beginDraft, type Draft, emit } from './draft'
export { dueBy, overflowDueAtMs, threadOverflowDueAtMs } from './due'
export { evolve, floorOf } from './evolve'
export {
  agentOfDevice,
  copyOf,
  createFloor,
  type FloorState,
  type FloorTables,
  isMutedOn,
  nextAttemptId,
  nextCallId,
  nextThreadId,
  type Row,
  recordingIdFor,
  TABLES,
  type TableName,
} from './floor-state'
export { inHandOf, loadsOf, roomOf } from './hands'
export { createJournal, type Journal, rollBack, rowBefore, touched } from './journal'
export { partyName, partyOfCall } from './names'
export type { Coded, Due, Greets, Lately } from './rows'
