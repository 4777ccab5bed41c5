// Whom a call may be sent to or asked for: what the picker offers and the services take.
import * as z from 'zod'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'

export const TargetSchema = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
    z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
    /** `typed` in any form; `name` when it was taken from a person's record. */
    z.object({ kind: z.literal('number'), typed: z.string(), name: z.string().nullable() }),
    z.object({ kind: z.literal('voicemail'), agentId: AgentIdSchema }),
    z.object({ kind: z.literal('queueVoicemail'), queueId: QueueIdSchema }),
  ])
  .readonly()
export type Target = z.infer<typeof TargetSchema>
