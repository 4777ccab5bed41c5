// What can happen to a call, in the words of ECMA-269's call control events. A kind is a stored contract: never
// renamed, never reused. Events carry facts; who hears whom is computed from them (hearing.ts).
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, ConferenceIdSchema, DeviceIdSchema, MessageIdSchema, QueueIdSchema } from '@/core/ids'
import { LineQualitySchema } from '@/core/sound-quality'
import { InstantSchema } from '@/core/time'
import { BoxSchema } from '@/core/voicemail'
import { CLEAR_CAUSES, ENDPOINTS, ROLES } from './connection'
import { FAILURES } from './failure'
import { PartySchema } from './party'

export const CustomerSchema = z
  .object({
    name: z.string(),
    group: z.string(),
    facts: z.array(z.object({ label: z.string(), value: z.string() }).readonly()).readonly(),
  })
  .readonly()
export type Customer = z.infer<typeof CustomerSchema>

/** Agents a waiting call is offered to: those of a queue, from the least level of the skills it needs on, or of any level. */
export const OfferSchema = z.object({ queueId: QueueIdSchema, anyLevel: z.boolean() }).readonly()
export type Offer = z.infer<typeof OfferSchema>

const call = { callId: CallIdSchema }
const at = { callId: CallIdSchema, deviceId: DeviceIdSchema }
const by = { byAgentId: AgentIdSchema }

/** Where a caller who waits may be sent. */
export const MovedToSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('head') }),
  z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
  z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
  z.object({ kind: z.literal('callback') }),
])

/** What an agent asked to end and may still take back. */
export const CLEARINGS = ['hangUp', 'remove', 'endForEveryone', 'decline'] as const

export const CallEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('callQueued'),
      ...call,
      callerDeviceId: DeviceIdSchema,
      queueId: QueueIdSchema,
      number: z.string().nullable(),
      customer: CustomerSchema.nullable(),
      path: z.string().nullable(),
      /** Their group goes first: the call counts as having waited this much longer. */
      headStartMs: z.number().int().nonnegative().default(0),
      /** Everybody the number belongs to, where it is more than one. */
      matches: z.array(CustomerSchema).readonly().default([]),
    })
    .readonly(),
  z
    .object({
      kind: z.literal('callOriginated'),
      ...call,
      agentId: AgentIdSchema,
      number: z.string(),
      customer: CustomerSchema.nullable(),
      /** The queue on whose business it is dialled; null when it is nobody's. */
      queueId: QueueIdSchema.nullable().default(null),
      /** Sent as tones once the number has answered. */
      extension: z.string().nullable().default(null),
      /** Somebody of a calling list, whom the agent has decided to call. */
      ofCampaign: z.boolean().default(false),
    })
    .readonly(),
  /** Somebody whom the dialer has reached is joined to an agent's line, which is open for the campaign (Make Predictive Call, 17.1.21). */
  z.object({ kind: z.literal('callPutThrough'), ...call, agentId: AgentIdSchema, number: z.string(), customer: CustomerSchema.nullable() }).readonly(),
  /** A second call of an agent, about the first (ECMA-269, 17.1.12): it has no work and owes nothing of its own. */
  z.object({ kind: z.literal('consultationOriginated'), ...call, agentId: AgentIdSchema, consultFor: CallIdSchema }).readonly(),
  /**
   * An agent calls a colleague, or a mailbox: nobody's business but theirs, so it carries no work. `prompted`: it comes about by itself, and the
   * agent's own telephone rings as well.
   */
  z.object({ kind: z.literal('internalCallOriginated'), ...call, agentId: AgentIdSchema, prompted: z.boolean().default(false) }).readonly(),
  /** A caller comes straight to a mailbox: the queue is closed, or nobody is at the desk they ring. */
  z
    .object({
      kind: z.literal('mailboxCalled'),
      ...call,
      callerDeviceId: DeviceIdSchema,
      number: z.string().nullable(),
      customer: CustomerSchema.nullable(),
      matches: z.array(CustomerSchema).readonly().default([]),
      path: z.string().nullable(),
    })
    .readonly(),
  /** A message left with a queue is work: it waits for an agent when nobody else does. `number`: to be called back. */
  z
    .object({
      kind: z.literal('messageQueued'),
      ...call,
      queueId: QueueIdSchema,
      messageId: MessageIdSchema,
      number: z.string().nullable(),
      customer: CustomerSchema.nullable(),
    })
    .readonly(),
  /** A mailbox has picked up. */
  z
    .object({
      kind: z.literal('messageBegun'),
      ...at,
      box: BoxSchema,
      messageId: MessageIdSchema,
      recordingId: z.string(),
      greetingId: z.string().nullable(),
      toneAtMs: InstantSchema,
      untilMs: InstantSchema,
    })
    .readonly(),
  /** The call is a conference that was arranged: it goes on with whoever is there, also with one alone. */
  z.object({ kind: z.literal('conferenceOpened'), ...call, conferenceId: ConferenceIdSchema }).readonly(),
  /** The network is asked for an outside party; Delivered, Established or Failed follows. */
  z.object({ kind: z.literal('connectionInitiated'), ...at, party: PartySchema }).readonly(),
  z.object({ kind: z.literal('connectionDelivered'), ...at, party: PartySchema }).readonly(),
  z.object({ kind: z.literal('connectionEstablished'), ...at }).readonly(),
  z.object({ kind: z.literal('connectionHeld'), ...at }).readonly(),
  z.object({ kind: z.literal('connectionRetrieved'), ...at }).readonly(),
  z.object({ kind: z.literal('connectionFailed'), ...at, party: PartySchema, failure: z.enum(FAILURES) }).readonly(),
  z.object({ kind: z.literal('connectionCleared'), ...at, cause: z.enum(CLEAR_CAUSES) }).readonly(),
  /** The call joins a queue in the middle of its life: transferred there, or returned to its head. */
  z.object({ kind: z.literal('connectionQueued'), ...call, queueId: QueueIdSchema, place: z.enum(['head', 'tail']) }).readonly(),
  z.object({ kind: z.literal('callCleared'), ...call }).readonly(),
  /** The call has waited so long that further agents are asked as well; it keeps its place. */
  z.object({ kind: z.literal('callOverflowed'), ...call, offer: OfferSchema }).readonly(),
  /** The caller hangs up, keeps the place, and is dialled at this number when an agent takes the call. */
  z.object({ kind: z.literal('placeKept'), ...call, number: z.string() }).readonly(),
  /** Who the caller is, as an agent found out. */
  z.object({ kind: z.literal('callerIdentified'), ...call, ...by, customer: CustomerSchema }).readonly(),
  /** `fromCallId`'s parties join `callId`, and that call is over (Conference, 17.1.11; Transfer, 17.1.31). */
  z.object({ kind: z.literal('callsJoined'), ...call, fromCallId: CallIdSchema, ...by }).readonly(),
  /** The sender leaves the call to somebody else; `blind` until that party answers, then it is done. */
  z.object({ kind: z.literal('callTransferred'), ...call, how: z.enum(['blind', 'attended']), ...by, toDeviceId: DeviceIdSchema, to: PartySchema }).readonly(),
  z.object({ kind: z.literal('callDiverted'), ...call, ...by, toDeviceId: DeviceIdSchema, to: PartySchema }).readonly(),
  z.object({ kind: z.literal('callParked'), ...call, ...by, slot: z.number().int().positive(), limitMs: z.number().int().positive() }).readonly(),
  /** A transfer, diversion or parking that came to nothing; where the call went instead follows as its own event. */
  z.object({ kind: z.literal('callReturned'), ...call, from: PartySchema, failure: z.enum(FAILURES) }).readonly(),
  z.object({ kind: z.literal('partyMuteChanged'), ...at, muted: z.boolean(), ...by }).readonly(),
  z.object({ kind: z.literal('asideStarted'), ...at, ...by, othersHear: z.enum(['music', 'eachOther']) }).readonly(),
  z.object({ kind: z.literal('asideEnded'), ...call, ...by }).readonly(),
  z.object({ kind: z.literal('digitsSent'), ...call, ...by, digits: z.string() }).readonly(),
  /** What a far end made of the tones it heard. */
  /** How the line of an outside party is, as its far end measures it. */
  z.object({ kind: z.literal('lineMeasured'), ...at, line: LineQualitySchema }).readonly(),
  z.object({ kind: z.literal('digitsReceived'), ...at, digits: z.string() }).readonly(),
  /** An agent listens in, whispers to one end or steps in (ECMA-269, 17.1.18, Join Call), or changes from one to another. */
  z
    .object({
      kind: z.literal('roleTaken'),
      ...at,
      party: PartySchema,
      role: z.enum(ROLES),
      whispersTo: DeviceIdSchema.nullable(),
      beside: DeviceIdSchema.nullable().default(null),
    })
    .readonly(),
  /** Whoever answers for the floor sends a waiting caller elsewhere; what it comes to follows as its own event. */
  z.object({ kind: z.literal('waitingMoved'), ...call, ...by, to: MovedToSchema }).readonly(),
  /** Whoever answers for the floor goes on with the call instead of the agent, whose end is cleared next. */
  z.object({ kind: z.literal('callTakenOver'), ...call, ...by, fromAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('connectionMoved'), ...at, endpoint: z.enum(ENDPOINTS) }).readonly(),
  z
    .object({ kind: z.literal('recordingChanged'), ...call, recordingId: z.string(), to: z.enum(['on', 'paused', 'off']), byAgentId: AgentIdSchema.nullable() })
    .readonly(),
  z.object({ kind: z.literal('clearRequested'), ...at, ...by, what: z.enum(CLEARINGS), dueAtMs: InstantSchema }).readonly(),
  z.object({ kind: z.literal('clearTakenBack'), ...call, ...by }).readonly(),
])
export type CallEvent = z.infer<typeof CallEventSchema>

/** Every kind of event that is about a call and its connections. */
export const CALL_EVENTS: ReadonlySet<string> = new Set(CallEventSchema.options.map((option) => option.unwrap().shape.kind.value))
