// The schemas through which outside text becomes an id. Apart from make.ts, so that screens, which only make ids from
// ids, do not carry the schema library.
import * as z from 'zod'

export const AgentIdSchema = z
  .string()
  .regex(/^agent_/)
  .brand<'AgentId'>()
export const QueueIdSchema = z
  .string()
  .regex(/^queue_/)
  .brand<'QueueId'>()
export const CallIdSchema = z
  .string()
  .regex(/^call_/)
  .brand<'CallId'>()
export const DeviceIdSchema = z.string().regex(/^dev_/).brand<'DeviceId'>()
export const ScriptIdSchema = z
  .string()
  .regex(/^script_/)
  .brand<'ScriptId'>()
export const OutcomeSetIdSchema = z
  .string()
  .regex(/^outcomes_/)
  .brand<'OutcomeSetId'>()
export const CallbackIdSchema = z
  .string()
  .regex(/^callback_/)
  .brand<'CallbackId'>()
export const TaskIdSchema = z
  .string()
  .regex(/^task_/)
  .brand<'TaskId'>()
export const SkillIdSchema = z
  .string()
  .regex(/^skill_/)
  .brand<'SkillId'>()

export type AgentId = z.infer<typeof AgentIdSchema>
export type QueueId = z.infer<typeof QueueIdSchema>
export type CallId = z.infer<typeof CallIdSchema>
export type DeviceId = z.infer<typeof DeviceIdSchema>
export type ScriptId = z.infer<typeof ScriptIdSchema>
export type OutcomeSetId = z.infer<typeof OutcomeSetIdSchema>
export type CallbackId = z.infer<typeof CallbackIdSchema>
export type TaskId = z.infer<typeof TaskIdSchema>
export type SkillId = z.infer<typeof SkillIdSchema>
