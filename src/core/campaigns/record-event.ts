// What can happen to a record besides attempts: an agent looks at it first, a code says what becomes of it, somebody puts it back.
import * as z from 'zod'
import { AgentIdSchema, CallbackIdSchema, CallIdSchema, CampaignIdSchema, RecordIdSchema } from '@/core/ids'
import { InstantSchema } from '@/core/time'
import { CalledRecordSchema } from './attempt'
import { PutBackSchema } from './which'

/** What a code asks for of a record. `byRule`: the campaign's own rules say when it is tried again. */
export const BecomesSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('final') }).readonly(),
  z.object({ kind: z.literal('byRule') }).readonly(),
  z.object({ kind: z.literal('again'), notBeforeMs: InstantSchema }).readonly(),
  /** Promised for a time; whoever promised it or anybody makes the call, and the dialer leaves it to them. */
  z.object({ kind: z.literal('callback'), callbackId: CallbackIdSchema, dueAtMs: InstantSchema }).readonly(),
  z.object({ kind: z.literal('never') }).readonly(),
  /** This number is not theirs. */
  z.object({ kind: z.literal('wrongNumber'), number: z.string() }).readonly(),
])
export type Becomes = z.infer<typeof BecomesSchema>

const of = { campaignId: CampaignIdSchema, recordId: RecordIdSchema }

export const RecordEventSchema = z.discriminatedUnion('kind', [
  /** An agent is shown the record and decides (preview). */
  z
    .object({
      kind: z.literal('recordOffered'),
      campaignId: CampaignIdSchema,
      agentId: AgentIdSchema,
      record: CalledRecordSchema,
      dueAtMs: InstantSchema.nullable(),
      /** What they were promised, where it is that. */
      callbackId: CallbackIdSchema.nullable().default(null),
    })
    .readonly(),
  z
    .object({
      kind: z.literal('recordReturned'),
      ...of,
      agentId: AgentIdSchema,
      because: z.enum(['called', 'skipped', 'timeOver', 'notReady', 'queueCall', 'paused', 'barred', 'promiseGone']),
      /** The agent's own words, of one that was skipped. */
      why: z.string(),
    })
    .readonly(),
  /** An outcome was saved, and this is what becomes of the record. */
  z
    .object({
      kind: z.literal('recordCoded'),
      ...of,
      callId: CallIdSchema,
      agentId: AgentIdSchema,
      code: z.string(),
      label: z.string(),
      becomes: BecomesSchema,
      conversion: z.boolean(),
    })
    .readonly(),
  /** That outcome was taken back: nothing of it holds. */
  z.object({ kind: z.literal('recordUncoded'), ...of, callId: CallIdSchema, agentId: AgentIdSchema, conversion: z.boolean() }).readonly(),
  /** It was its turn, and the number is on the do-not-call list. */
  z.object({ kind: z.literal('recordBarred'), ...of, number: z.string() }).readonly(),
  /** A supervisor gives all of these another chance: tries before this count no more, save for the limits of a day and a week. */
  z.object({ kind: z.literal('recordsPutBack'), campaignId: CampaignIdSchema, byAgentId: AgentIdSchema, which: PutBackSchema }).readonly(),
  /** Somebody of the list rings the campaign's number back: the call is of their record from now on. */
  z.object({ kind: z.literal('recordMatched'), campaignId: CampaignIdSchema, callId: CallIdSchema, record: CalledRecordSchema }).readonly(),
  /** What was promised is closed without a call: the dialer may have it again. */
  z.object({ kind: z.literal('recordReleased'), ...of, callbackId: CallbackIdSchema }).readonly(),
])
export type RecordEvent = z.infer<typeof RecordEventSchema>

/** A record somebody looks at before they call. */
export interface Preview {
  readonly agentId: z.infer<typeof AgentIdSchema>
  readonly campaignId: z.infer<typeof CampaignIdSchema>
  readonly record: z.infer<typeof CalledRecordSchema>
  readonly sinceMs: number
  readonly dueAtMs: number | null
  readonly callbackId: z.infer<typeof CallbackIdSchema> | null
}
