export { type OutcomeCode, OutcomeCodeSchema, type OutcomeSet, OutcomeSetSchema } from './code'
export { codeOf, codesFor, doubtOf } from './coding'
export {
  type OutcomeCorrected,
  OutcomeCorrectedSchema,
  type OutcomeEvent,
  OutcomeEventSchema,
  type OutcomeTakenBack,
  OutcomeTakenBackSchema,
  type Then,
  ThenSchema,
} from './event'
export { FOLLOWS, type Follows, FollowsSchema } from './follows'
