// A contact is the business around one call: who it is with, what was said, the script's run, the notes and the
// outcome. It outlives the call until the outcome is saved, so that wrap-up still has the record in front of it.
import * as z from 'zod'
import type { Call, CallDirection, Customer } from '@/core/calls'
import { type AgentId, AgentIdSchema, type CallId, CallIdSchema, type QueueId } from '@/core/ids'
import type { OutcomeEvent } from '@/core/outcomes'
import { evolveRun, type ScriptEvent, type ScriptRun } from '@/core/scripts'
import type { EpochMs } from '@/core/time'

export const ContactEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('notesDrafted'), callId: CallIdSchema, text: z.string(), followUp: z.string() }).readonly(),
  /** The outside party said something; stand-ins speak in captions. */
  z.object({ kind: z.literal('captionSpoken'), callId: CallIdSchema, turn: z.number().int(), text: z.string() }).readonly(),
  z.object({ kind: z.literal('ringSilenced'), callId: CallIdSchema, agentId: AgentIdSchema }).readonly(),
])
export type ContactEvent = z.infer<typeof ContactEventSchema>

export interface Caption {
  readonly atMs: EpochMs
  readonly turn: number
  readonly text: string
}

export interface Contact {
  readonly callId: CallId
  readonly direction: CallDirection
  readonly queueId: QueueId | null
  readonly number: string | null
  readonly customer: Customer | null
  readonly path: string | null
  readonly offeredAtMs: EpochMs
  readonly endedAtMs: EpochMs | null
  /** The agent who handles it and owes its outcome; null while nobody has answered. */
  readonly handledBy: AgentId | null
  readonly handledSinceMs: EpochMs | null
  readonly run: ScriptRun | null
  readonly notes: string
  readonly followUp: string
  readonly captions: readonly Caption[]
  readonly ringSilenced: boolean
  readonly outcome: OutcomeEvent | null
}

export const createContact = (call: Call): Contact => ({
  callId: call.id,
  direction: call.direction,
  queueId: call.queueId,
  number: call.number,
  customer: call.customer,
  path: call.path,
  offeredAtMs: call.offeredAtMs,
  endedAtMs: null,
  handledBy: null,
  handledSinceMs: null,
  run: null,
  notes: '',
  followUp: '',
  captions: [],
  ringSilenced: false,
  outcome: null,
})

/** A contact is closed when its call is over and nobody owes an outcome for it. */
export const isClosed = (contact: Contact): boolean => contact.endedAtMs !== null && (contact.handledBy === null || contact.outcome !== null)

export function evolveContact(contact: Contact, event: ContactEvent | ScriptEvent | OutcomeEvent, atMs: EpochMs): Contact {
  switch (event.kind) {
    case 'notesDrafted':
      return { ...contact, notes: event.text, followUp: event.followUp }
    case 'captionSpoken':
      return { ...contact, captions: [...contact.captions, { atMs, turn: event.turn, text: event.text }] }
    case 'ringSilenced':
      return { ...contact, ringSilenced: true }
    case 'outcomeSaved':
      return { ...contact, outcome: event, notes: event.notes, followUp: event.followUp }
    case 'scriptStarted':
    case 'scriptPageShown':
    case 'scriptAnswered':
      return { ...contact, run: evolveRun(contact.run, event) }
  }
}
