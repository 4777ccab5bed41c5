// What is said of a piece of work in the ledger. Apart from what is made of it, so that the desk does not carry the schema library.
import * as z from 'zod'
import { CalledRecordSchema } from '@/core/campaigns'
import { AgentIdSchema, AttemptIdSchema, CallIdSchema, CampaignIdSchema, DeviceIdSchema, QueueIdSchema } from '@/core/ids'
import { LineQualitySchema, SoundCauseSchema } from '@/core/sound-quality'

export const WorkEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('notesDrafted'), callId: CallIdSchema, text: z.string(), followUp: z.string() }).readonly(),
  /** Somebody said something; stand-ins speak in captions. Without a device it was the call's first outside party. */
  z
    .object({ kind: z.literal('captionSpoken'), callId: CallIdSchema, turn: z.number().int(), text: z.string(), deviceId: DeviceIdSchema.optional() })
    .readonly(),
  /** What a caller was told while they waited; the expected wait where they were told one. */
  z.object({ kind: z.literal('callerTold'), callId: CallIdSchema, text: z.string(), expectedWaitMs: z.number().int().nullable() }).readonly(),
  z.object({ kind: z.literal('ringSilenced'), callId: CallIdSchema, agentId: AgentIdSchema }).readonly(),
  /** How it sounded to an agent, by which path, and on what line to the other end. */
  z
    .object({
      kind: z.literal('soundRated'),
      callId: CallIdSchema,
      agentId: AgentIdSchema,
      cause: SoundCauseSchema,
      path: z.string(),
      line: LineQualitySchema.nullable(),
    })
    .readonly(),
  /** Whoever handled it has left and this agent, who stays on the line, goes on. */
  z.object({ kind: z.literal('contactTaken'), callId: CallIdSchema, agentId: AgentIdSchema }).readonly(),
])
export type WorkEvent = z.infer<typeof WorkEventSchema>

/** What a call of a campaign knows of its record. */
export const OfCampaignSchema = z
  .object({
    campaignId: CampaignIdSchema,
    /** null of somebody who rang back. */
    attemptId: AttemptIdSchema.nullable(),
    record: CalledRecordSchema,
    /** The queue at which somebody who rang back is answered: there the call is the campaign's all the same. */
    rangBackTo: QueueIdSchema.nullable().default(null),
  })
  .readonly()
export type OfCampaign = z.infer<typeof OfCampaignSchema>
