// What can happen to a chat, a mail or a text.
import * as z from 'zod'
import { CustomerSchema, OfferSchema } from '@/core/calls'
import { WrittenChannelSchema } from '@/core/channels'
import { AgentIdSchema, QueueIdSchema, WorkIdSchema } from '@/core/ids'
import { InstantSchema } from '@/core/time'

const of = { threadId: WorkIdSchema }

export const ThreadEventSchema = z.discriminatedUnion('kind', [
  /** Somebody has begun to write to a queue. `address` is who they write as: a number (E.164), a mail address, or the name they gave a chat. */
  z
    .object({
      kind: z.literal('threadBegan'),
      ...of,
      channel: WrittenChannelSchema,
      queueId: QueueIdSchema,
      address: z.string(),
      number: z.string().nullable(),
      customer: CustomerSchema.nullable(),
      subject: z.string().nullable(),
      path: z.string().nullable(),
      headStartMs: z.number().int(),
      text: z.string(),
      /** What is over that this answers. */
      follows: WorkIdSchema.nullable().default(null),
    })
    .readonly(),
  /** An agent writes to a number by themselves: it is theirs from the first. */
  z
    .object({
      kind: z.literal('threadOpened'),
      ...of,
      channel: WrittenChannelSchema,
      queueId: QueueIdSchema,
      byAgentId: AgentIdSchema,
      address: z.string(),
      number: z.string().nullable(),
      customer: CustomerSchema.nullable(),
      subject: z.string().nullable(),
    })
    .readonly(),
  z.object({ kind: z.literal('threadOffered'), ...of, agentId: AgentIdSchema }).readonly(),
  /** It stands in its line again, where it stood. */
  z.object({ kind: z.literal('threadPassed'), ...of, agentId: AgentIdSchema, because: z.enum(['declined', 'missed', 'left']) }).readonly(),
  z.object({ kind: z.literal('threadTaken'), ...of, agentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('threadOverflowed'), ...of, offer: OfferSchema }).readonly(),
  /** null: the other side wrote it. What is said aside is for colleagues' eyes. */
  z.object({ kind: z.literal('threadWritten'), ...of, byAgentId: AgentIdSchema.nullable(), text: z.string(), aside: z.boolean() }).readonly(),
  /** The gateway has sent a text on, or says why it could not. `no` is the line's. */
  z.object({ kind: z.literal('threadDelivered'), ...of, no: z.number().int(), failure: z.string().nullable() }).readonly(),
  /** The other side has begun to type, or stopped. */
  z.object({ kind: z.literal('threadTyped'), ...of, on: z.boolean() }).readonly(),
  z
    .object({
      kind: z.literal('threadHandedOn'),
      ...of,
      byAgentId: AgentIdSchema,
      to: z.discriminatedUnion('kind', [
        z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
        z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
      ]),
    })
    .readonly(),
  /** A colleague reads it and says things aside; the other side does not know. */
  z.object({ kind: z.literal('threadAskedIn'), ...of, agentId: AgentIdSchema, byAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('threadAskedOut'), ...of, agentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('threadParked'), ...of, byAgentId: AgentIdSchema, untilMs: InstantSchema }).readonly(),
  /** It is in the line again: its time has come, or somebody wants it before. */
  z.object({ kind: z.literal('threadUnparked'), ...of, because: z.enum(['due', 'asked', 'written']) }).readonly(),
  /** The other side of a chat has gone and keeps its place: when its turn comes they are rung at this number. */
  z.object({ kind: z.literal('threadPlaceKept'), ...of, number: z.string() }).readonly(),
  /** They are rung instead, and what was said goes on in that call: its outcome is that of both. */
  z.object({ kind: z.literal('threadCalled'), ...of, byAgentId: AgentIdSchema, callId: WorkIdSchema }).readonly(),
  z.object({ kind: z.literal('threadEnded'), ...of, byAgentId: AgentIdSchema.nullable(), because: z.enum(['closed', 'left', 'cut']) }).readonly(),
])
export type ThreadEvent = z.infer<typeof ThreadEventSchema>
