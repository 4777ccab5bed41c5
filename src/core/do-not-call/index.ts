export { type ReadEntry, type ReadList, readDoNotCall, toDoNotCallCsv } from './csv'
export { type DoNotCallEvent, DoNotCallEventSchema, type Whom, WhomSchema } from './event'
export {
  type DoNotCallEntry,
  type DoNotCallList,
  evolveDoNotCall,
  forbids,
  groundsOf,
  isListed,
  keyOf,
  labelOfWhom,
  searchDoNotCall,
} from './list'
