// What can happen to the do-not-call list, and the one thing that is allowed in spite of it.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema } from '@/core/ids'
import { InstantSchema } from '@/core/time'

/** A number (E.164), with whose it is where that is known, or everybody's number of a person. */
export const WhomSchema = z.union([
  z.object({ number: z.string().min(1), name: z.string().min(1).optional() }).readonly(),
  z.object({ person: z.string().min(1) }).readonly(),
])
export type Whom = z.infer<typeof WhomSchema>

export const DoNotCallEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('doNotCallAdded'),
      /** `sinceMs` and `by` are those of a file that was brought in: since when and by whom it was listed there. */
      entries: z.array(z.object({ whom: WhomSchema, why: z.string(), sinceMs: InstantSchema.optional(), by: z.string().optional() }).readonly()).readonly(),
      byAgentId: AgentIdSchema,
      /** The call whose outcome asked for it. */
      callId: CallIdSchema.nullable(),
    })
    .readonly(),
  z
    .object({
      kind: z.literal('doNotCallRemoved'),
      whom: WhomSchema,
      byAgentId: AgentIdSchema,
      why: z.string(),
      /** Only what this agent asked for with the outcome of this call is withdrawn; null takes the entry off, whoever asked for it. */
      callId: CallIdSchema.nullable().default(null),
    })
    .readonly(),
  /** A supervisor lets one call be made all the same. */
  z
    .object({
      kind: z.literal('doNotCallWaived'),
      callId: CallIdSchema,
      number: z.string(),
      agentId: AgentIdSchema,
      byAgentId: AgentIdSchema,
      why: z.string(),
    })
    .readonly(),
])
export type DoNotCallEvent = z.infer<typeof DoNotCallEventSchema>
