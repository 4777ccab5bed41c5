export {
  type Attended,
  type Conference,
  endsAtMs,
  evolveConference,
  isOpenAt,
  KEPT_MS,
  OPENS_BEFORE_MS,
  presentAt,
} from './conference'
export { type ConferenceEvent, ConferenceEventSchema } from './event'
export { ASKS_CODE, GOOD_BYE, WRONG_CODE } from './line-words'
export { type Invited, InvitedSchema, LONGEST_MS, LONGEST_TITLE, MOST_INVITED, type Plan, PlanSchema, SHORTEST_MS } from './schema'
