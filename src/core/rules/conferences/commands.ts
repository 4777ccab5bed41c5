// What is asked about conferences by appointment. Nobody needs to be on shift to arrange one.
import * as z from 'zod'
import type { Customer } from '@/core/calls'
import { PlanSchema } from '@/core/conferences'
import { type CallId, CallIdSchema, ConferenceIdSchema, DeviceIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { RulingRefusal } from './refusals'

const conference = { conferenceId: ConferenceIdSchema }

export const CONFERENCE_ASKS = [
  z.object({ kind: z.literal('planConference'), plan: PlanSchema }).readonly(),
  /** `sequence` is that of the plan it was written over. */
  z.object({ kind: z.literal('replanConference'), ...conference, sequence: z.number().int(), plan: PlanSchema }).readonly(),
  z.object({ kind: z.literal('cancelConference'), ...conference }).readonly(),
  z.object({ kind: z.literal('joinConference'), ...conference }).readonly(),
  /** Everybody from outside is muted for all, save the one who speaks. */
  z.object({ kind: z.literal('muteOthers'), callId: CallIdSchema, deviceId: DeviceIdSchema }).readonly(),
] as const

export type ConferenceAsk = By<z.infer<(typeof CONFERENCE_ASKS)[number]>>

/** From outside: somebody rings the number of conferences, and keys digits there. */
export type ConferenceLineCommand =
  | { readonly kind: 'conferenceLineRings'; readonly number: string | null; readonly customer: Customer | null }
  | { readonly kind: 'callerKeys'; readonly callId: CallId; readonly digits: string }

export type ConferenceCommand = ConferenceAsk | ConferenceLineCommand
export type Of<K extends ConferenceCommand['kind']> = Extract<ConferenceCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
