// A contact is the business around one call: who it is with, what was said, the script's run, the notes and the
// outcome. It outlives the call until the outcome is saved, so that wrap-up still has the record in front of it.
import * as z from 'zod'
import type { AgentEvent } from '@/core/agents'
import type { CallbackEvent } from '@/core/callbacks'
import { type Call, type CallDirection, type CallEvent, type Customer, isOnLine } from '@/core/calls'
import { type AgentId, AgentIdSchema, type CallbackId, type CallId, CallIdSchema, DeviceIdSchema, type QueueId } from '@/core/ids'
import type { OutcomeEvent } from '@/core/outcomes'
import { evolveRun, type ScriptEvent, type ScriptRun } from '@/core/scripts'
import type { EpochMs } from '@/core/time'

export const ContactEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('notesDrafted'), callId: CallIdSchema, text: z.string(), followUp: z.string() }).readonly(),
  /** Somebody said something; stand-ins speak in captions. Without a device it was the call's first outside party. */
  z
    .object({ kind: z.literal('captionSpoken'), callId: CallIdSchema, turn: z.number().int(), text: z.string(), deviceId: DeviceIdSchema.optional() })
    .readonly(),
  /** What a caller was told while they waited; the expected wait where they were told one. */
  z.object({ kind: z.literal('callerTold'), callId: CallIdSchema, text: z.string(), expectedWaitMs: z.number().nullable() }).readonly(),
  z.object({ kind: z.literal('ringSilenced'), callId: CallIdSchema, agentId: AgentIdSchema }).readonly(),
  /** Whoever handled it has left and this agent, who stays on the line, goes on. */
  z.object({ kind: z.literal('contactTaken'), callId: CallIdSchema, agentId: AgentIdSchema }).readonly(),
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
  /** The queue it came through, or was handed on to last. */
  readonly queueId: QueueId | null
  readonly number: string | null
  readonly customer: Customer | null
  readonly path: string | null
  readonly offeredAtMs: EpochMs
  readonly endedAtMs: EpochMs | null
  /** We dialled the person: a call of our own, or a caller who kept their place and is called back. */
  readonly dialled: boolean
  /** From which queue each agent took it: their part is coded and wrapped up by its rules. */
  readonly takenFrom: readonly { readonly agentId: AgentId; readonly queueId: QueueId | null }[]
  /** The agent who handles it, or did last; null while nobody has answered. */
  readonly handledBy: AgentId | null
  readonly handledSinceMs: EpochMs | null
  readonly run: ScriptRun | null
  readonly notes: string
  readonly followUp: string
  readonly captions: readonly Caption[]
  /** The last thing they were told while they waited. */
  readonly told: { readonly text: string; readonly expectedWaitMs: number | null } | null
  readonly ringSilenced: boolean
  /** Agents who have left it and not coded it yet. */
  readonly owedBy: readonly AgentId[]
  /** Agents who have coded their part of it since they last took it. */
  readonly codedBy: readonly AgentId[]
  /** It came back from where it was sent; until somebody answers. */
  readonly returned: Pick<Extract<CallEvent, { kind: 'callReturned' }>, 'from' | 'failure'> | null
  readonly outcome: OutcomeEvent | null
  /** The callback it was dialled for. */
  readonly fromCallbackId: CallbackId | null
  /** Which try of that callback it is; 0 for none. */
  readonly tries: number
}

/** Of a call, or of what is known of one that is over. */
export const createContact = (call: Pick<Call, 'id' | 'direction' | 'queueId' | 'number' | 'customer' | 'path' | 'offeredAtMs'>): Contact => ({
  callId: call.id,
  direction: call.direction,
  queueId: call.queueId,
  number: call.number,
  customer: call.customer,
  path: call.path,
  offeredAtMs: call.offeredAtMs,
  endedAtMs: null,
  dialled: call.direction !== 'inbound',
  takenFrom: [],
  handledBy: null,
  handledSinceMs: null,
  run: null,
  notes: '',
  followUp: '',
  captions: [],
  told: null,
  ringSilenced: false,
  owedBy: [],
  codedBy: [],
  returned: null,
  outcome: null,
  fromCallbackId: null,
  tries: 0,
})

/** A contact is closed when its call is over and nobody owes an outcome for it. */
export const isClosed = ({ endedAtMs, owedBy, handledBy, codedBy }: Contact): boolean =>
  endedAtMs !== null && owedBy.length === 0 && (handledBy === null || codedBy.includes(handledBy))

/** The queue whose codes and times hold for this agent's part of it. */
export const queueOfPart = ({ takenFrom, queueId }: Pick<Contact, 'takenFrom' | 'queueId'>, agentId: AgentId): QueueId | null => {
  const part = takenFrom.find((t) => t.agentId === agentId)
  return part === undefined ? queueId : part.queueId
}

/** Who may write notes and the outcome: who handles it, and who owes. */
export const mayWrite = (contact: Contact, agentId: AgentId): boolean => contact.handledBy === agentId || contact.owedBy.includes(agentId)

/**
 * The contact after its call changed. It is handled by the agent who answered it first, or while whoever handled it is away;
 * when the handler leaves others behind, `contactTaken` says who goes on. Until then it is still theirs: somebody always
 * answers for it.
 */
export function followCall(contact: Contact, before: Call | undefined, after: Call | null, atMs: EpochMs): Contact {
  if (after === null) return { ...contact, endedAtMs: atMs }
  const moved =
    contact.queueId === after.queueId && contact.dialled === isDialled(contact, after)
      ? contact
      : { ...contact, queueId: after.queueId, dialled: isDialled(contact, after) }
  return followHandler(moved, before, after, atMs)
}

const isDialled = ({ dialled }: Contact, { keptFor }: Call): boolean => dialled || keptFor !== null

function followHandler(contact: Contact, before: Call | undefined, after: Call, atMs: EpochMs): Contact {
  const has = (call: Call | undefined, agentId: AgentId) =>
    call?.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId && (isOnLine(c) || c.state === 'initiated')) ?? false
  if (contact.handledBy !== null && has(after, contact.handledBy)) {
    // Whoever takes it again begins a new part of it.
    const again = contact.codedBy.includes(contact.handledBy) && !has(before, contact.handledBy)
    return again ? taken(contact, contact.handledBy, contact.handledSinceMs ?? atMs) : contact
  }
  const next = after.connections.find((c) => c.party.kind === 'agent' && has(after, c.party.agentId) && !has(before, c.party.agentId))?.party
  return next?.kind === 'agent' ? taken(contact, next.agentId, atMs) : contact
}

const taken = (contact: Contact, agentId: AgentId, atMs: EpochMs): Contact => ({
  ...contact,
  handledBy: agentId,
  handledSinceMs: atMs,
  takenFrom: [...contact.takenFrom.filter((t) => t.agentId !== agentId), { agentId, queueId: contact.queueId }],
  returned: null,
  codedBy: contact.codedBy.filter((id) => id !== agentId),
})

type Followed =
  | ContactEvent
  | ScriptEvent
  | OutcomeEvent
  | Extract<AgentEvent, { kind: 'wrapUpStarted' | 'wrapUpEnded' | 'outcomeOwed' }>
  | Extract<CallbackEvent, { kind: 'callbackDialled' }>

export function evolveContact(contact: Contact, event: Followed, atMs: EpochMs): Contact {
  switch (event.kind) {
    case 'wrapUpStarted':
      return { ...contact, owedBy: [...contact.owedBy, event.agentId] }
    case 'outcomeOwed':
      return contact.owedBy.includes(event.agentId) ? contact : { ...contact, owedBy: [...contact.owedBy, event.agentId] }
    case 'callbackDialled':
      return { ...contact, fromCallbackId: event.callbackId, tries: event.attempt }
    case 'wrapUpEnded':
      return { ...contact, owedBy: contact.owedBy.filter((id) => id !== event.agentId) }
    case 'notesDrafted':
      return { ...contact, notes: event.text, followUp: event.followUp }
    case 'captionSpoken':
      return { ...contact, captions: [...contact.captions, { atMs, turn: event.turn, text: event.text }] }
    case 'callerTold':
      return { ...contact, told: { text: event.text, expectedWaitMs: event.expectedWaitMs } }
    case 'ringSilenced':
      return { ...contact, ringSilenced: true }
    case 'contactTaken':
      return taken(contact, event.agentId, atMs)
    case 'outcomeSaved':
      return saved(contact, event)
    case 'scriptStarted':
    case 'scriptPageShown':
    case 'scriptAnswered':
      return { ...contact, run: evolveRun(contact.run, event, atMs) }
  }
}

/** What somebody writes about their part does not overwrite the notes of whoever has the call now. */
function saved(contact: Contact, event: OutcomeEvent): Contact {
  const codedBy = [...contact.codedBy.filter((id) => id !== event.agentId), event.agentId]
  const owedBy = contact.owedBy.filter((id) => id !== event.agentId)
  const isLatest = contact.handledBy === event.agentId || contact.handledBy === null
  const coded = { ...contact, codedBy, owedBy }
  return isLatest ? { ...coded, outcome: event, notes: event.notes, followUp: event.followUp } : coded
}
