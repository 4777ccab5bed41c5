// What can happen to an agent's shift, besides their calls.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, QueueIdSchema } from '@/core/ids'

export const AgentEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('shiftStarted'),
      agentId: AgentIdSchema,
      queueIds: z.array(QueueIdSchema).readonly(),
      /** A person at a desk, or a colleague played by the stand-ins. */
      seat: z.enum(['desk', 'standIn']),
    })
    .readonly(),
  z.object({ kind: z.literal('shiftEnded'), agentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('agentReady'), agentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('agentNotReady'), agentId: AgentIdSchema, reason: z.string() }).readonly(),
  z
    .object({
      kind: z.literal('wrapUpStarted'),
      agentId: AgentIdSchema,
      callId: CallIdSchema,
      recommendedMs: z.number(),
    })
    .readonly(),
  z.object({ kind: z.literal('wrapUpEnded'), agentId: AgentIdSchema, callId: CallIdSchema }).readonly(),
  z.object({ kind: z.literal('muteChanged'), agentId: AgentIdSchema, muted: z.boolean() }).readonly(),
])
export type AgentEvent = z.infer<typeof AgentEventSchema>
