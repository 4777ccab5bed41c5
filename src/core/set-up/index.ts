// The set-up of a contact centre: its people, queues, reasons, skills, scripts and outcome sets. It is part of the ledger's
// first event, and of every event that changes it, so that a ledger explains itself.
export { ABOVE_AGENTS, type AgentSetUp, AgentSetUpSchema, ENTITLEMENTS, type Entitlement, MOST_SKILLED } from './account'
export {
  type AttemptRules,
  AttemptRulesSchema,
  type CampaignSetUp,
  CampaignSetUpSchema,
  LEAST_RING_MS,
  type Limits,
  MANNERS,
  type Manner,
  RECORD_ORDERS,
  type RecordOrder,
} from './campaign'
export { checkSetUp } from './check'
export type { Finding } from './finding'
export { DESK_LOST, MISSED_RING, OUTCOME_OWED, SOUND_LOST } from './given-reasons'
export {
  accountDialled,
  agentName,
  agentSetUp,
  type Behalf,
  behalfOfRecord,
  campaignSetUp,
  extensionIn,
  isChosenReason,
  meetsNeeds,
  outcomeSetFor,
  queueSetUp,
  queueWithNumber,
  rulesOfBehalf,
  scriptById,
  scriptFor,
  scriptsInUse,
  scriptVersion,
  setUpOwners,
  takesCallsOf,
} from './lookup'
export { type Opening, type Overflow, type QueueSetUp, QueueSetUpSchema, type Warns } from './queue'
export { type Rebased, rebaseSetUp } from './rebase'
export { type Reason, ReasonSchema, type SetUp, SetUpSchema, type Skill } from './schema'
export { chosenScriptId } from './script-choice'
