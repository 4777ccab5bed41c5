// The schemas through which outside text becomes an id. Apart from make.ts, so that screens, which only make ids from
// ids, do not carry the schema library.
import * as z from 'zod'

/** A pattern, so that JSON Schemas say it in the standard's own words. */
const begins = (prefix: string) => z.string().regex(new RegExp(`^${prefix}`))

export const AgentIdSchema = begins('agent_').brand<'AgentId'>()
export const QueueIdSchema = begins('queue_').brand<'QueueId'>()
/** Of a call, or of work that is written: what was said of a piece of work stands under the id of what carries it. */
export const WorkIdSchema = begins('(?:call|thread)_').brand<'CallId'>()
export const CallIdSchema = WorkIdSchema
export const DeviceIdSchema = begins('dev_').brand<'DeviceId'>()
export const ScriptIdSchema = begins('script_').brand<'ScriptId'>()
export const OutcomeSetIdSchema = begins('outcomes_').brand<'OutcomeSetId'>()
export const CallbackIdSchema = begins('callback_').brand<'CallbackId'>()
export const TaskIdSchema = begins('task_').brand<'TaskId'>()
export const SkillIdSchema = begins('skill_').brand<'SkillId'>()
export const CampaignIdSchema = begins('campaign_').brand<'CampaignId'>()
export const ListIdSchema = begins('list_').brand<'ListId'>()
export const RecordIdSchema = begins('record_').brand<'RecordId'>()
export const ContactIdSchema = begins('contact_').brand<'ContactId'>()
export const AttemptIdSchema = begins('attempt_').brand<'AttemptId'>()
export const ConferenceIdSchema = begins('conference_').brand<'ConferenceId'>()
export const MessageIdSchema = begins('message_').brand<'MessageId'>()

export type AgentId = z.infer<typeof AgentIdSchema>
export type QueueId = z.infer<typeof QueueIdSchema>
export type CallId = z.infer<typeof CallIdSchema>
/** Of a piece of work: the id of what carries it, a call or a thread. */
export type WorkId = CallId
export type DeviceId = z.infer<typeof DeviceIdSchema>
export type ScriptId = z.infer<typeof ScriptIdSchema>
export type OutcomeSetId = z.infer<typeof OutcomeSetIdSchema>
export type CallbackId = z.infer<typeof CallbackIdSchema>
export type TaskId = z.infer<typeof TaskIdSchema>
export type SkillId = z.infer<typeof SkillIdSchema>
export type CampaignId = z.infer<typeof CampaignIdSchema>
export type ListId = z.infer<typeof ListIdSchema>
/** Of somebody on a calling list. */
export type RecordId = z.infer<typeof RecordIdSchema>
export type AttemptId = z.infer<typeof AttemptIdSchema>
/** Of somebody in the book of people. */
export type ContactId = z.infer<typeof ContactIdSchema>
/** Of what somebody has left in a mailbox. */
export type ConferenceId = z.infer<typeof ConferenceIdSchema>
export type MessageId = z.infer<typeof MessageIdSchema>
