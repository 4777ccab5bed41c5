// What is asked about chats, mails and texts, and what their other sides and the gateway report.
import * as z from 'zod'
import { WrittenChannelSchema } from '@/core/channels'
import { AgentIdSchema, QueueIdSchema, type WorkId, WorkIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { Thread } from '@/core/threads'
import { InstantSchema } from '@/core/time'
import type { RulingRefusal } from './refusals'

const MovedToSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
  z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
])
export type MovedTo = z.infer<typeof MovedToSchema>

const mine = { threadId: WorkIdSchema }

export const WRITING_ASKS = [
  z.object({ kind: z.literal('takeThread'), ...mine }).readonly(),
  z.object({ kind: z.literal('declineThread'), ...mine }).readonly(),
  /** `aside`: for colleagues who were asked in. */
  z.object({ kind: z.literal('writeLine'), ...mine, text: z.string(), aside: z.boolean().default(false) }).readonly(),
  z.object({ kind: z.literal('endThread'), ...mine }).readonly(),
  /** Rings who writes: the call takes over what was said, the notes and the script. */
  z.object({ kind: z.literal('ringInstead'), ...mine }).readonly(),
  z.object({ kind: z.literal('parkThread'), ...mine, untilMs: InstantSchema }).readonly(),
  /** Before its time has come. */
  z.object({ kind: z.literal('unparkThread'), ...mine }).readonly(),
  z.object({ kind: z.literal('handThreadOn'), ...mine, to: MovedToSchema }).readonly(),
  /** By whoever supervises, wherever it is. */
  z.object({ kind: z.literal('moveThread'), ...mine, to: MovedToSchema }).readonly(),
  z.object({ kind: z.literal('askIn'), ...mine, toAgentId: AgentIdSchema }).readonly(),
  /** Whoever was asked in goes, or is sent away by who has the thread. */
  z.object({ kind: z.literal('askOut'), ...mine, toAgentId: AgentIdSchema }).readonly(),
  /** An agent writes first. */
  z
    .object({ kind: z.literal('openThread'), channel: WrittenChannelSchema, queueId: QueueIdSchema, to: z.string(), subject: z.string(), text: z.string() })
    .readonly(),
] as const

/** What happens on the other side, and on the way there. */
export type WritingReport =
  | ({
      readonly kind: 'threadArrives'
      readonly text: string
      /** It is offered to this agent first, if they have room for it. */
      readonly offeredTo?: z.infer<typeof AgentIdSchema>
    } & Pick<Thread, 'channel' | 'queueId' | 'address' | 'number' | 'customer' | 'subject' | 'path'>)
  | { readonly kind: 'customerWrites'; readonly threadId: WorkId; readonly text: string }
  | { readonly kind: 'customerTypes'; readonly threadId: WorkId; readonly on: boolean }
  | { readonly kind: 'customerLeaves'; readonly threadId: WorkId }
  /** They go, and want to be rung when their turn comes: at the number they are known by, unless they give another. */
  | { readonly kind: 'customerKeepsPlace'; readonly threadId: WorkId; readonly number: string | null }
  /** `failure`: why it could not be sent on; null when it was. */
  | { readonly kind: 'lineSent'; readonly threadId: WorkId; readonly no: number; readonly failure: string | null }

export type WritingAsk = By<z.infer<(typeof WRITING_ASKS)[number]>>
export type WritingCommand = WritingAsk | WritingReport
export type Of<K extends WritingCommand['kind']> = Extract<WritingCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
