// What can happen to a queue, besides its calls.
import * as z from 'zod'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'

export const QueueEventSchema = z.discriminatedUnion('kind', [
  /** A caller who never joined: the queue was closed or full, and they were told so. */
  z
    .object({
      kind: z.literal('callTurnedAway'),
      queueId: QueueIdSchema,
      number: z.string().nullable(),
      because: z.enum(['closed', 'full']),
      said: z.string(),
    })
    .readonly(),
  /** Open or closed whatever its hours say; null gives it back to them. */
  z.object({ kind: z.literal('queueDoorSet'), queueId: QueueIdSchema, door: z.enum(['open', 'closed']).nullable(), byAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('stormSwitched'), queueId: QueueIdSchema, on: z.boolean(), byAgentId: AgentIdSchema }).readonly(),
])
export type QueueEvent = z.infer<typeof QueueEventSchema>
