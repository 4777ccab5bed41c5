export {
  ATTEMPT_RESULTS,
  type Attempt,
  type AttemptEvent,
  AttemptEventSchema,
  type AttemptResult,
  type CalledRecord,
  CalledRecordSchema,
  evolveAttempt,
} from './attempt'
export { type AttemptLine, AttemptLineSchema, attemptLine } from './attempt-file'
export { type CallingHours, createCallingHours } from './calling-hours'
export { customerOf, fieldName, recordValues } from './fields'
export { isPutBackBy } from './put-back'
export { evolveLife, FRESH, forgottenLife, type LifeEvent, type ListedNumber, type ListedRecord, lastHeardMs, type RecordLife, type Try } from './record'
export { type Becomes, BecomesSchema, type Preview, type RecordEvent, RecordEventSchema } from './record-event'
export {
  CAMPAIGN_STATES,
  type CampaignEvent,
  CampaignEventSchema,
  type CampaignRun,
  CampaignRunSchema,
  type CampaignState,
  countConversion,
  countResult,
  countsOver,
  createRun,
  type DayCount,
  inState,
  withBefore,
} from './run'
export { RECORD_STATES, type RecordState, type Standing, type StandingRules, standingOf } from './standing'
export { type PutBack, PutBackSchema } from './which'
export { zonesOfCountry } from './zones'
