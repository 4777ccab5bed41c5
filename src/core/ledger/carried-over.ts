// What days before this ledger have left: promises that are open, as the events they are made of, and calls that still owe an outcome.
import * as z from 'zod'
import { CallbackEventSchema } from '@/core/callbacks'
import { CALL_DIRECTIONS, CustomerSchema } from '@/core/calls'
import { CampaignRunSchema } from '@/core/campaigns'
import { CHANNELS } from '@/core/channels'
import { CircleEventSchema } from '@/core/circles'
import { ConferenceEventSchema } from '@/core/conferences'
import { DoNotCallEventSchema } from '@/core/do-not-call'
import { AgentIdSchema, CallIdSchema, QueueIdSchema } from '@/core/ids'
import { ReviewEventSchema } from '@/core/reviews'
import { NumberEventSchema } from '@/core/struck'
import { TaskEventSchema } from '@/core/tasks'
import { ThreadEventSchema } from '@/core/threads'
import { InstantSchema } from '@/core/time'
import { VoicemailEventSchema } from '@/core/voicemail'
import { OfCampaignSchema } from '@/core/work'

const ROOMS = [
  CallbackEventSchema,
  DoNotCallEventSchema,
  NumberEventSchema,
  TaskEventSchema,
  VoicemailEventSchema,
  ConferenceEventSchema,
  ReviewEventSchema,
  ThreadEventSchema,
  CircleEventSchema,
] as const
export const PromiseEventSchema = z.discriminatedUnion('kind', ROOMS)
export type PromiseEvent = z.infer<typeof PromiseEventSchema>
export const PROMISE_EVENTS: ReadonlySet<string> = new Set(ROOMS.flatMap((room) => room.options.map((option) => option.unwrap().shape.kind.value)))

/** A call of an earlier day that nobody has coded: what is known of it without its own events. */
export const OwedCallSchema = z
  .object({
    callId: CallIdSchema,
    agentId: AgentIdSchema,
    /** The agent who had it last, whose code is the call's. */
    handledBy: AgentIdSchema.nullable(),
    sinceMs: InstantSchema,
    direction: z.enum(CALL_DIRECTIONS),
    queueId: QueueIdSchema.nullable(),
    number: z.string().nullable(),
    customer: CustomerSchema.nullable(),
    path: z.string().nullable(),
    offeredAtMs: InstantSchema,
    endedAtMs: InstantSchema,
    dialled: z.boolean(),
    notes: z.string(),
    campaign: OfCampaignSchema.nullable().default(null),
    channel: z.enum(CHANNELS).default('call'),
  })
  .readonly()
export type OwedCall = z.infer<typeof OwedCallSchema>

export const CarriedOverSchema = z
  .object({
    kind: z.literal('carriedOver'),
    /** The days these are from, first and last, as `2026-11-26` of the centre. */
    from: z.string(),
    through: z.string(),
    /** Which simulation they are days of, and whether the lists of campaigns were called in it; null for days that were lived. */
    simulated: z.object({ seed: z.number().int(), campaigns: z.boolean() }).readonly().nullable().default(null),
    promises: z.array(z.object({ atMs: InstantSchema, event: PromiseEventSchema }).readonly()).readonly(),
    owed: z.array(OwedCallSchema).readonly(),
    /** How long agents had a call of each queue, as a running mean, ms. */
    handleMs: z.record(QueueIdSchema, z.number()).readonly(),
    /** How every campaign runs. */
    campaigns: z.array(CampaignRunSchema).readonly().default([]),
  })
  .readonly()
export type CarriedOver = z.infer<typeof CarriedOverSchema>
