// Who may be at one end of a call. The schema stands apart, because screens read parties and check none.
import * as z from 'zod'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'

export const PartySchema = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
    /** `agentId`: a colleague, at the number their calls are diverted to. `extension`: digits that are sent once it has answered. */
    z.object({
      kind: z.literal('outside'),
      number: z.string().nullable(),
      name: z.string().nullable(),
      agentId: AgentIdSchema.optional(),
      extension: z.string().optional(),
    }),
    z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
    /** An agent's mailbox: it greets, listens, and hangs up with the caller. */
    z.object({ kind: z.literal('voicemail'), agentId: AgentIdSchema }),
    /** The mailbox that the agents of a queue share. */
    z.object({ kind: z.literal('queueVoicemail'), queueId: QueueIdSchema }),
    /** Where whoever dials in to a conference keys its code. */
    z.object({ kind: z.literal('conferenceLine') }),
    /** A numbered place where a call waits to be picked up by anyone. */
    z.object({ kind: z.literal('park'), slot: z.number().int().positive() }),
  ])
  .readonly()
export type Party = z.infer<typeof PartySchema>
