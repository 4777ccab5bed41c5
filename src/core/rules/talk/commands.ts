// What an agent asks of calls, and what the network reports of them.
import * as z from 'zod'
import { CustomerSchema, ENDPOINTS, type Failure, TargetSchema } from '@/core/calls'
import { AgentIdSchema, CallbackIdSchema, type CallId, CallIdSchema, type DeviceId, DeviceIdSchema, QueueIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { LineQuality } from '@/core/sound-quality'
import type { RulingRefusal } from './refusals'

const mine = { callId: CallIdSchema }
const party = { ...mine, deviceId: DeviceIdSchema }

export const TALK_ASKS = [
  z
    .object({
      kind: z.literal('makeCall'),
      typed: z.string(),
      customer: CustomerSchema.nullable(),
      /** The callback it is made for, whose number and record it takes. */
      callbackId: CallbackIdSchema.optional(),
      /** For whom it is made, and whose number is shown: a queue the agent serves; null for themselves. */
      queueId: QueueIdSchema.nullable().optional(),
      /** A supervisor lets this one call be made in spite of the do-not-call list: who, is known by the PIN they typed at the desk. */
      waiver: z.object({ agentId: AgentIdSchema, why: z.string() }).readonly().optional(),
    })
    .readonly(),
  /** Of the emergency services, from a page without a shift. */
  z.object({ kind: z.literal('callEmergency'), typed: z.string() }).readonly(),
  // A call that rings here.
  z.object({ kind: z.literal('answer'), ...mine }).readonly(),
  z.object({ kind: z.literal('decline'), ...mine }).readonly(),
  z.object({ kind: z.literal('silence'), ...mine }).readonly(),
  z.object({ kind: z.literal('divert'), ...mine, target: TargetSchema }).readonly(),
  /** Who the caller is: somebody of the records by id, or as the agent has it from them. */
  z.object({ kind: z.literal('identifyCaller'), ...mine, customerId: z.string().nullable(), customer: CustomerSchema.nullable() }).readonly(),
  // A live call.
  z.object({ kind: z.literal('hold'), ...mine }).readonly(),
  z.object({ kind: z.literal('retrieve'), ...mine }).readonly(),
  z.object({ kind: z.literal('alternate'), ...mine }).readonly(),
  z.object({ kind: z.literal('hangUp'), ...mine }).readonly(),
  z.object({ kind: z.literal('takeBack'), ...mine }).readonly(),
  /** What was asked to end reaches the network at once. */
  z.object({ kind: z.literal('endNow'), ...mine }).readonly(),
  z.object({ kind: z.literal('sendDigits'), ...mine, digits: z.string() }).readonly(),
  z.object({ kind: z.literal('moveCall'), ...mine, endpoint: z.enum(ENDPOINTS) }).readonly(),
  z.object({ kind: z.literal('record'), ...mine, to: z.enum(['on', 'paused', 'off']) }).readonly(),
  // Others on the call.
  z.object({ kind: z.literal('consult'), ...mine, target: TargetSchema }).readonly(),
  z.object({ kind: z.literal('endConsult'), ...mine }).readonly(),
  z.object({ kind: z.literal('completeTransfer'), ...mine }).readonly(),
  z.object({ kind: z.literal('transfer'), ...mine, target: TargetSchema }).readonly(),
  z.object({ kind: z.literal('conference'), ...mine }).readonly(),
  z.object({ kind: z.literal('addParty'), ...mine, target: TargetSchema }).readonly(),
  z.object({ kind: z.literal('muteParty'), ...party, muted: z.boolean() }).readonly(),
  z.object({ kind: z.literal('removeParty'), ...party }).readonly(),
  z.object({ kind: z.literal('startAside'), ...party, othersHear: z.enum(['music', 'eachOther']) }).readonly(),
  z.object({ kind: z.literal('endAside'), ...mine }).readonly(),
  z.object({ kind: z.literal('endForEveryone'), ...mine }).readonly(),
  z.object({ kind: z.literal('park'), ...mine }).readonly(),
  z.object({ kind: z.literal('pickUp'), ...mine }).readonly(),
] as const

/** What the network reports. No device means the first outside party. */
export type FarEndCommand =
  | { readonly kind: 'farEnd'; readonly callId: CallId; readonly deviceId?: DeviceId; readonly report: 'ringing' | 'answered' | Failure }
  | { readonly kind: 'callerHangsUp'; readonly callId: CallId; readonly deviceId?: DeviceId }
  | { readonly kind: 'callerSays'; readonly callId: CallId; readonly deviceId?: DeviceId; readonly turn: number; readonly text: string }
  | { readonly kind: 'lineMeasured'; readonly callId: CallId; readonly deviceId: DeviceId; readonly line: LineQuality }
  | { readonly kind: 'digitsHeard'; readonly callId: CallId; readonly deviceId: DeviceId; readonly digits: string }

export type TalkCommand = By<z.infer<(typeof TALK_ASKS)[number]>> | FarEndCommand
export type Of<K extends TalkCommand['kind']> = Extract<TalkCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
