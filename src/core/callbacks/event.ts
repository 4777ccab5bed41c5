// What can happen to a callback: a promise to call somebody at a time.
import * as z from 'zod'
import { CustomerSchema } from '@/core/calls'
import { CalledRecordSchema } from '@/core/campaigns'
import { AgentIdSchema, CallbackIdSchema, CallIdSchema, CampaignIdSchema, QueueIdSchema } from '@/core/ids'
import { InstantSchema } from '@/core/time'

const callback = { callbackId: CallbackIdSchema }
const by = { byAgentId: AgentIdSchema }
const when = { dueAtMs: InstantSchema, /** Of whoever is called; a name of the IANA time zone database. */ timeZone: z.string() }

export const CallbackEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('callbackAgreed'),
      ...callback,
      ...by,
      ...when,
      /** The call whose outcome it follows from. */
      callId: CallIdSchema,
      /** Agreed with the person, or another try after nobody was reached. */
      why: z.enum(['agreed', 'retry']),
      number: z.string(),
      customer: CustomerSchema.nullable(),
      queueId: QueueIdSchema.nullable(),
      /** Somebody of a calling list: calling them is a try of that record. */
      ofCampaign: z.object({ campaignId: CampaignIdSchema, record: CalledRecordSchema }).readonly().nullable().default(null),
      /** null: whoever is free. */
      ownerId: AgentIdSchema.nullable(),
      /** Which try this one is. */
      attempt: z.number().int().positive(),
      /** How many tries there may be; null for as many as it takes. */
      atMost: z.number().int().positive().nullable(),
      note: z.string(),
    })
    .readonly(),
  z.object({ kind: z.literal('callbackMoved'), ...callback, ...by, ...when, why: z.string() }).readonly(),
  z.object({ kind: z.literal('callbackHandedOver'), ...callback, ...by, ownerId: AgentIdSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('callbackDialled'), ...callback, ...by, callId: CallIdSchema, attempt: z.number().int().positive() }).readonly(),
  /** Its time is long past: from now on it is anybody's, and stands first. */
  z.object({ kind: z.literal('callbackEscalated'), ...callback }).readonly(),
  z
    .object({
      kind: z.literal('callbackClosed'),
      ...callback,
      ...by,
      /** Called and coded; the call it came from got another outcome; given up with a reason; no tries are left. */
      because: z.enum(['coded', 'recoded', 'dropped', 'noTriesLeft']),
      why: z.string(),
    })
    .readonly(),
])
export type CallbackEvent = z.infer<typeof CallbackEventSchema>
