// What can happen to the do-not-call list, and the one thing that is allowed in spite of it.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema } from '@/core/ids'

/** A number (E.164), or everybody's number of a person. */
export const WhomSchema = z.union([z.object({ number: z.string().min(1) }).readonly(), z.object({ person: z.string().min(1) }).readonly()])
export type Whom = z.infer<typeof WhomSchema>

export const DoNotCallEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('doNotCallAdded'),
      entries: z.array(z.object({ whom: WhomSchema, why: z.string() }).readonly()).readonly(),
      byAgentId: AgentIdSchema,
      /** The call whose outcome asked for it. */
      callId: CallIdSchema.nullable(),
    })
    .readonly(),
  z.object({ kind: z.literal('doNotCallRemoved'), whom: WhomSchema, byAgentId: AgentIdSchema, why: z.string() }).readonly(),
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
