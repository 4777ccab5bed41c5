// What can happen to the run of a script.
import * as z from 'zod'
import { CallIdSchema, ScriptIdSchema } from '@/core/ids'
import { AnswerValueSchema } from './condition-schema'

export const ScriptEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('scriptStarted'),
      callId: CallIdSchema,
      scriptId: ScriptIdSchema,
      version: z.number().int(),
      pageId: z.string(),
    })
    .readonly(),
  z.object({ kind: z.literal('scriptPageShown'), callId: CallIdSchema, pageId: z.string(), direction: z.enum(['next', 'back', 'jump']) }).readonly(),
  z
    .object({
      kind: z.literal('scriptAnswered'),
      callId: CallIdSchema,
      field: z.string(),
      /** null takes the answer back. */
      value: AnswerValueSchema.nullable(),
    })
    .readonly(),
])
export type ScriptEvent = z.infer<typeof ScriptEventSchema>
