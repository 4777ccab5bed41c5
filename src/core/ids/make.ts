// Ids made from other ids, and the checks for text that the product itself has written.
import type {
  AgentId,
  AttemptId,
  CallbackId,
  CallId,
  CampaignId,
  ConferenceId,
  ContactId,
  DeviceId,
  ListId,
  MessageId,
  OutcomeSetId,
  QueueId,
  RecordId,
  ScriptId,
  SkillId,
  TaskId,
  WorkId,
} from './schema'

/** The device an agent is reached on: one per agent until an agent may have several. */
export const deviceOfAgent = (agentId: AgentId): DeviceId => toDeviceId(`dev_${agentId}`)

/** The pseudo-device that holds a call while it waits (ECMA-269 calls it an ACD device). */
export const deviceOfQueue = (queueId: QueueId): DeviceId => toDeviceId(`dev_${queueId}`)

/** A mailbox, of an agent or of a queue. */
export const deviceOfVoicemail = (of: AgentId | QueueId): DeviceId => toDeviceId(`dev_voicemail_${of}`)

/** Where whoever dials in to a conference keys its code. */
export const deviceOfConferences = (callId: CallId): DeviceId => toDeviceId(`dev_conferences_${callId}`)

/** The numbered place a parked call waits at. */
export const deviceOfPark = (slot: number): DeviceId => toDeviceId(`dev_park_${slot}`)

/** The `n`-th outside party of a call. */
export const deviceOutside = (callId: CallId, n: number): DeviceId => toDeviceId(`dev_out_${callId}_${n}`)

/** Each `toX` throws when the text lacks its prefix: inside the product that is a bug, not input. */
export const toAgentId = (text: string): AgentId => prefixed(text, 'agent_') as AgentId
export const toQueueId = (text: string): QueueId => prefixed(text, 'queue_') as QueueId
export const toCallId = (text: string): CallId => prefixed(text, 'call_') as CallId
export const toThreadId = (text: string): WorkId => prefixed(text, 'thread_') as WorkId
export const toDeviceId = (text: string): DeviceId => prefixed(text, 'dev_') as DeviceId
export const toScriptId = (text: string): ScriptId => prefixed(text, 'script_') as ScriptId
export const toCallbackId = (text: string): CallbackId => prefixed(text, 'callback_') as CallbackId
export const toTaskId = (text: string): TaskId => prefixed(text, 'task_') as TaskId
export const toSkillId = (text: string): SkillId => prefixed(text, 'skill_') as SkillId
export const toOutcomeSetId = (text: string): OutcomeSetId => prefixed(text, 'outcomes_') as OutcomeSetId
export const toCampaignId = (text: string): CampaignId => prefixed(text, 'campaign_') as CampaignId
export const toListId = (text: string): ListId => prefixed(text, 'list_') as ListId
export const toRecordId = (text: string): RecordId => prefixed(text, 'record_') as RecordId
export const toContactId = (text: string): ContactId => prefixed(text, 'contact_') as ContactId
export const toMessageId = (text: string): MessageId => prefixed(text, 'message_') as MessageId
export const toConferenceId = (text: string): ConferenceId => prefixed(text, 'conference_') as ConferenceId
export const toAttemptId = (text: string): AttemptId => prefixed(text, 'attempt_') as AttemptId

function prefixed(text: string, prefix: string): string {
  if (!text.startsWith(prefix)) throw new Error(`"${text}" is not an id that starts with ${prefix}`)
  return text
}
