// What is asked about callbacks and tasks that stand.
import * as z from 'zod'
import { AgentIdSchema, CallbackIdSchema, TaskIdSchema } from '@/core/ids'
import type { By } from '@/core/rules/rule'
import { InstantSchema } from '@/core/time'

export const PROMISE_ASKS = [
  z.object({ kind: z.literal('moveCallback'), callbackId: CallbackIdSchema, dueAtMs: InstantSchema, timeZone: z.string(), why: z.string() }).readonly(),
  z.object({ kind: z.literal('handOverCallback'), callbackId: CallbackIdSchema, ownerId: AgentIdSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('dropCallback'), callbackId: CallbackIdSchema, why: z.string() }).readonly(),
  z.object({ kind: z.literal('closeTask'), taskId: TaskIdSchema }).readonly(),
] as const

export type PromiseCommand = By<z.infer<(typeof PROMISE_ASKS)[number]>>
