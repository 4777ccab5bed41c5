// Branded identifiers. Outside text becomes an id only through the schemas here; two kinds of id never mix
// at compile time although all of them are strings at run time.
export {
  deviceOfAgent,
  deviceOfPark,
  deviceOfQueue,
  deviceOfVoicemail,
  deviceOutside,
  toAgentId,
  toCallId,
  toDeviceId,
  toOutcomeSetId,
  toQueueId,
  toScriptId,
  toSkillId,
} from './make'
export {
  type AgentId,
  AgentIdSchema,
  type CallId,
  CallIdSchema,
  type DeviceId,
  DeviceIdSchema,
  type OutcomeSetId,
  OutcomeSetIdSchema,
  type QueueId,
  QueueIdSchema,
  type ScriptId,
  ScriptIdSchema,
  type SkillId,
  SkillIdSchema,
} from './schema'
