// The schemas through which outside text becomes an id. Apart from make.ts, so that screens, which only make ids from
// ids, do not carry the schema library.
import * as z from 'zod'

export const AgentIdSchema = z.string().startsWith('agent_').brand<'AgentId'>()
export const QueueIdSchema = z.string().startsWith('queue_').brand<'QueueId'>()
export const CallIdSchema = z.string().startsWith('call_').brand<'CallId'>()
export const DeviceIdSchema = z.string().startsWith('dev_').brand<'DeviceId'>()
export const ScriptIdSchema = z.string().startsWith('script_').brand<'ScriptId'>()
export const OutcomeSetIdSchema = z.string().startsWith('outcomes_').brand<'OutcomeSetId'>()
export const CallbackIdSchema = z.string().startsWith('callback_').brand<'CallbackId'>()
export const TaskIdSchema = z.string().startsWith('task_').brand<'TaskId'>()
export const SkillIdSchema = z.string().startsWith('skill_').brand<'SkillId'>()

export type AgentId = z.infer<typeof AgentIdSchema>
export type QueueId = z.infer<typeof QueueIdSchema>
export type CallId = z.infer<typeof CallIdSchema>
export type DeviceId = z.infer<typeof DeviceIdSchema>
export type ScriptId = z.infer<typeof ScriptIdSchema>
export type OutcomeSetId = z.infer<typeof OutcomeSetIdSchema>
export type CallbackId = z.infer<typeof CallbackIdSchema>
export type TaskId = z.infer<typeof TaskIdSchema>
export type SkillId = z.infer<typeof SkillIdSchema>
