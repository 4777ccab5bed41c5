export { type ThreadEvent, ThreadEventSchema } from './event'
export { addressKey, COMES_BACK_MS, type LastWrote, lastWroteIn } from './last-wrote'
export {
  evolveThread,
  handOf,
  handsMoved,
  type InHand,
  isOverThread,
  LINES_IN_HAND,
  type Line,
  LONGEST_DRAFT,
  LONGEST_TEXT,
  offerDueAtMs,
  type Thread,
  type ThreadState,
  takesRoomAs,
  threadWaitsIn,
  waitsForUsSinceMs,
} from './thread'
