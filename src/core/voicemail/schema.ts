// The schemas of mailboxes. Apart, because screens read messages and check none.
import * as z from 'zod'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'

/** Characters of a greeting; what is longer is refused. */
export const LONGEST_GREETING = 400

export const BoxSchema = z
  .discriminatedUnion('kind', [z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }), z.object({ kind: z.literal('queue'), queueId: QueueIdSchema })])
  .readonly()
export type Box = z.infer<typeof BoxSchema>

/** `text` is said by a voice of the house; with a recording that is played instead, and the text stands in its place for who cannot hear it. */
export const GreetingSchema = z
  .object({
    text: z.string().min(1).max(LONGEST_GREETING),
    recording: z
      .object({ recordingId: z.string().startsWith('rec_greeting_'), lastsMs: z.number().int().positive().max(60_000) })
      .readonly()
      .nullable(),
  })
  .readonly()
export type Greeting = z.infer<typeof GreetingSchema>

/** What was said into it, by stand-ins in captions; `atMs` counts from the tone. */
export const SpokenSchema = z.object({ atMs: z.number().int().min(0), text: z.string() }).readonly()
export type Spoken = z.infer<typeof SpokenSchema>
