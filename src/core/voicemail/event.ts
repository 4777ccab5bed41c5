// What can happen to a message once it is left, and to the words a mailbox greets with. That a mailbox is listening is of the call.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, MessageIdSchema } from '@/core/ids'
import { InstantSchema } from '@/core/time'
import { BoxSchema, GreetingSchema, SpokenSchema } from './schema'

const message = { messageId: MessageIdSchema }
const by = { byAgentId: AgentIdSchema }

export const VoicemailEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('messageLeft'),
      ...message,
      box: BoxSchema,
      callId: CallIdSchema,
      number: z.string().nullable(),
      name: z.string().nullable(),
      /** The colleague who left it; null of somebody from outside. */
      fromAgentId: AgentIdSchema.nullable(),
      /** The tone was given. */
      beganAtMs: InstantSchema,
      lastsMs: z.number().int(),
      recordingId: z.string(),
      words: z.array(SpokenSchema).readonly(),
    })
    .readonly(),
  /** A message goes to another mailbox besides, with a word about it. */
  z.object({ kind: z.literal('messageForwarded'), ...message, fromMessageId: MessageIdSchema, box: BoxSchema, note: z.string(), ...by }).readonly(),
  z.object({ kind: z.literal('messageMarked'), ...message, heard: z.boolean(), ...by }).readonly(),
  z.object({ kind: z.literal('messageDeleted'), ...message, ...by }).readonly(),
  z.object({ kind: z.literal('messageRestored'), ...message, ...by }).readonly(),
  /** What was deleted is gone for good, with its recording where no other message is of it. */
  z.object({ kind: z.literal('messagePurged'), ...message }).readonly(),
  /** null: as every mailbox greets. */
  z.object({ kind: z.literal('greetingSet'), box: BoxSchema, greeting: GreetingSchema.nullable(), ...by }).readonly(),
])
export type VoicemailEvent = z.infer<typeof VoicemailEventSchema>
