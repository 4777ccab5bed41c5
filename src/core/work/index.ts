export { factsOf, mergeValuesOf } from './facts'
export {
  type Caption,
  createWork,
  evolveWork,
  followCall,
  isClosed,
  mayWrite,
  queueOfPart,
  type Work,
  type WorkEvent,
  WorkEventSchema,
} from './work'
