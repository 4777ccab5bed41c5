export { type ThreadEvent, ThreadEventSchema } from './event'
export {
  evolveThread,
  handOf,
  type InHand,
  isOverThread,
  LINES_IN_HAND,
  type Line,
  LONGEST_TEXT,
  offerDueAtMs,
  type Thread,
  type ThreadState,
  threadWaitsIn,
  waitsForUsSinceMs,
} from './thread'
