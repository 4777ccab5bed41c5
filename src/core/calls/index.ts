export * as listening from './beside'
export {
  type Aside,
  agentConnection,
  agentsOn,
  type BeingLeft,
  CALL_DIRECTIONS,
  type Call,
  type CallDirection,
  type Clearing,
  carriesWork,
  connectionOf,
  type Handover,
  isConference,
  isInternal,
  isKept,
  isOutsider,
  onLine,
  ringDueAtMs,
  waitsIn,
} from './call'
export {
  boxOf,
  type ClearCause,
  type Connection,
  type ConnectionState,
  ENDPOINTS,
  type Endpoint,
  isMachine,
  isOnLine,
  isPerson,
  ROLES,
  type Role,
  takesPart,
} from './connection'
export type { CallDecision, NetworkReport } from './decide'
export * as services from './decide'
export { CALL_EVENTS, type CallEvent, CallEventSchema, CLEARINGS, type Customer, CustomerSchema, MovedToSchema, type Offer, OfferSchema } from './event'
export { type CallChange, evolveCalls, isOpening, withSaid } from './evolve'
export { FAILURE_WORDS, FAILURES, type Failure } from './failure'
export { type Ear, type Hearing, whoHearsWhom } from './hearing'
export { type Party, PartySchema } from './party'
export { CALL_WORDS, type CallRefusal } from './refusal'
export { type Target, TargetSchema } from './target'
