export { type Circle, type CircleLine, circleKey, evolveCircle, LINES_OF_CIRCLE, LONGEST_WORDS, lastReadBy, pairOf, partnerIn, unreadBy } from './circle'
export { type CircleEvent, CircleEventSchema, type CircleOf, CircleOfSchema } from './event'
