// What can happen to a call, in the words of ECMA-269's call control events. A kind is a stored contract: never
// renamed, never reused. Events carry facts; who hears whom is computed from them (hearing.ts).
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, DeviceIdSchema, QueueIdSchema } from '@/core/ids'
import { CLEAR_CAUSES, PartySchema } from './connection'
import { FAILURES } from './failure'

export const CustomerSchema = z
  .object({
    name: z.string(),
    group: z.string(),
    facts: z.array(z.object({ label: z.string(), value: z.string() }).readonly()).readonly(),
  })
  .readonly()
export type Customer = z.infer<typeof CustomerSchema>

const at = { callId: CallIdSchema, deviceId: DeviceIdSchema }

export const CallEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('callQueued'),
      callId: CallIdSchema,
      callerDeviceId: DeviceIdSchema,
      queueId: QueueIdSchema,
      number: z.string().nullable(),
      customer: CustomerSchema.nullable(),
      path: z.string().nullable(),
    })
    .readonly(),
  z
    .object({
      kind: z.literal('callOriginated'),
      callId: CallIdSchema,
      agentId: AgentIdSchema,
      number: z.string(),
      customer: CustomerSchema.nullable(),
    })
    .readonly(),
  z.object({ kind: z.literal('connectionDelivered'), ...at, party: PartySchema }).readonly(),
  z.object({ kind: z.literal('connectionEstablished'), ...at }).readonly(),
  z.object({ kind: z.literal('connectionHeld'), ...at }).readonly(),
  z.object({ kind: z.literal('connectionRetrieved'), ...at }).readonly(),
  z.object({ kind: z.literal('connectionFailed'), ...at, party: PartySchema, failure: z.enum(FAILURES) }).readonly(),
  z.object({ kind: z.literal('connectionCleared'), ...at, cause: z.enum(CLEAR_CAUSES) }).readonly(),
  z.object({ kind: z.literal('callCleared'), callId: CallIdSchema }).readonly(),
])
export type CallEvent = z.infer<typeof CallEventSchema>
