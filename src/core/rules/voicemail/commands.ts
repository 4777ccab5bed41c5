// What is asked about mailboxes. Nobody needs to be on shift for their own, save to call somebody back.
import * as z from 'zod'
import type { Customer } from '@/core/calls'
import { CallIdSchema, MessageIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import { type Box, BoxSchema, GreetingSchema } from '@/core/voicemail'
import type { RulingRefusal } from './refusals'

const message = { messageId: MessageIdSchema }

export const VOICEMAIL_ASKS = [
  /** null: as every mailbox greets. */
  z.object({ kind: z.literal('setGreeting'), box: BoxSchema, greeting: GreetingSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('markMessage'), ...message, heard: z.boolean() }).readonly(),
  z.object({ kind: z.literal('forwardMessage'), ...message, to: BoxSchema, note: z.string() }).readonly(),
  z.object({ kind: z.literal('deleteMessage'), ...message }).readonly(),
  z.object({ kind: z.literal('restoreMessage'), ...message }).readonly(),
  /** Dials who left the message the agent has in hand. */
  z.object({ kind: z.literal('callMessageBack'), callId: CallIdSchema }).readonly(),
] as const

/** Somebody rings a desk where nobody is, on its own number. */
export interface MailboxRings {
  readonly kind: 'mailboxRings'
  readonly box: Box
  readonly number: string | null
  readonly customer: Customer | null
  readonly matches?: readonly Customer[]
}

export type VoicemailAsk = By<z.infer<(typeof VOICEMAIL_ASKS)[number]>>
export type VoicemailCommand = VoicemailAsk | MailboxRings
export type Of<K extends VoicemailCommand['kind']> = Extract<VoicemailCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
