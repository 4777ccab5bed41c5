// A call and its parties, however many, each with its own connection. What may be read of it; how it changes is in
// evolve.ts, and what may be asked of it in the services. Knows agents, queues and scripts only by their ids.
import { type AgentId, type CallId, type ConferenceId, type DeviceId, deviceOfAgent, type MessageId, type QueueId, type WorkId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { Box, Spoken } from '@/core/voicemail'
import { type Connection, isOnLine, takesPart } from './connection'
import type { CLEARINGS, Customer, Offer } from './event'
import type { Party } from './party'

/** `message`: somebody has left one with a queue, and is called back for it. */
export const CALL_DIRECTIONS = ['inbound', 'outbound', 'campaign', 'internal', 'message'] as const
export type CallDirection = (typeof CALL_DIRECTIONS)[number]

/** A call on its way from one party to another: it comes back when the other end fails. */
export interface Handover {
  readonly kind: 'transfer' | 'divert' | 'park'
  readonly byAgentId: AgentId
  readonly toDeviceId: DeviceId
  /** When a parked call rings back; null where the other end's own ring limit decides. */
  readonly dueAtMs: EpochMs | null
}

/** Two parties of a conference talk apart; the others hear music or each other. */
export interface Aside {
  readonly byAgentId: AgentId
  readonly deviceId: DeviceId
  readonly othersHear: 'music' | 'eachOther'
}

/** An end that was asked for and has not reached the network yet. `deviceId` is who leaves; everybody, for endForEveryone. */
export interface Clearing {
  readonly what: (typeof CLEARINGS)[number]
  readonly byAgentId: AgentId
  readonly deviceId: DeviceId
  readonly dueAtMs: EpochMs
}

/** A mailbox is on the line: what is said after its tone is a message. */
export interface BeingLeft {
  readonly messageId: MessageId
  readonly box: Box
  readonly deviceId: DeviceId
  readonly recordingId: string
  /** The tone is given, and from then on it is recorded. */
  readonly toneAtMs: EpochMs
  readonly untilMs: EpochMs
  /** What it greets with instead of a voice of the house. */
  readonly greetingId: string | null
  readonly words: readonly Spoken[]
}

export interface Call {
  readonly id: CallId
  readonly direction: CallDirection
  readonly queueId: QueueId | null
  readonly number: string | null
  /** Digits to be sent once the number that was dialled has answered. */
  readonly extension: string | null
  readonly customer: Customer | null
  /** Everybody the number belongs to, until it is known who it is. */
  readonly matches: readonly Customer[]
  /** What the caller chose on the way in. */
  readonly path: string | null
  readonly offeredAtMs: EpochMs
  /** An agent and the outside party first heard each other. */
  readonly answeredAtMs: EpochMs | null
  /** Agents this call rang at in vain, and when: it is not offered to them again until they have gone ready anew. */
  readonly passedBy: readonly { readonly agentId: AgentId; readonly atMs: EpochMs }[]
  readonly connections: readonly Connection[]
  /** Smaller stands further ahead in a queue: the time it was offered less its caller's head start, unless it was returned to the head. */
  readonly place: number
  readonly headStartMs: number
  /** Whom else it is offered to by now, besides the agents of its queue. */
  readonly alsoFor: readonly Offer[]
  /** The number of a caller who has hung up and kept their place; null while they wait on the line themselves. */
  readonly keptFor: string | null
  /** The ringing was silenced; of a call with work the work remembers it. */
  readonly hushed: boolean
  /** Outside parties it has had so far: their devices are numbered. */
  readonly outsideCount: number
  /** The work it is about: what it carries itself, or what the call it consults about does. Nobody owes an outcome for a call of no work. */
  readonly workId: WorkId | null
  /** The call this one consults about; null for every other call. */
  readonly consultFor: CallId | null
  readonly handover: Handover | null
  readonly aside: Aside | null
  readonly clearing: Clearing | null
  readonly leaving: BeingLeft | null
  /** The message it is about; null for every other call. */
  readonly messageId: MessageId | null
  /** The conference by appointment that goes on in it. */
  readonly conferenceId: ConferenceId | null
  readonly recording: { readonly recordingId: string; readonly state: 'on' | 'paused'; readonly sinceMs: EpochMs } | null
}

export const connectionOf = (call: Call, deviceId: DeviceId): Connection | undefined => call.connections.find((c) => c.deviceId === deviceId)

export const agentConnection = (call: Call, agentId: AgentId): Connection | undefined => connectionOf(call, deviceOfAgent(agentId))

export const onLine = (call: Call): readonly Connection[] => call.connections.filter(isOnLine)

/** A call that is what its work reached the centre by. */
export const carriesWork = ({ id, workId }: Pick<Call, 'id' | 'workId'>): boolean => workId === id

/** A call between colleagues that is about no work: direct, or a consult within one. */
export const isInternal = ({ workId }: Pick<Call, 'workId'>): boolean => workId === null

/** Somebody from outside, and not a colleague at another telephone. */
export const isOutsider = (party: Party): boolean => party.kind === 'outside' && party.agentId === undefined

/** Three parties or more who are on the line. */
export const isConference = (call: Call): boolean => onLine(call).length > 2

/** The agents who take part with a connection that is more than a failed attempt. */
export const agentsOn = (call: Call): readonly AgentId[] =>
  call.connections.flatMap((c) => (c.party.kind === 'agent' && c.state !== 'failed' && takesPart(c) ? [c.party.agentId] : []))

/** A call that goes on without its caller: they kept their place, or have left a message. */
export const isKept = ({ keptFor, messageId }: Pick<Call, 'keptFor' | 'messageId'>): boolean => keptFor !== null || messageId !== null

/** The queue a call waits in; null while it rings at somebody or is in no queue. */
export function waitsIn(call: Call): QueueId | null {
  let queueId: QueueId | null = null
  for (const { state, party } of call.connections) {
    if (state === 'alerting' || (state === 'initiated' && party.kind === 'outside')) return null
    if (state === 'queued' && party.kind === 'queue') queueId = party.queueId
  }
  return queueId
}

/** When the network or a limit changes this call: an end reaches the network, a parked call, a message or an agent's ring is over its limit. */
export function ringDueAtMs(call: Call, ringLimitMs: number): EpochMs | null {
  let due = Math.min(call.clearing?.dueAtMs ?? Infinity, call.handover?.dueAtMs ?? Infinity, call.leaving?.untilMs ?? Infinity)
  for (const c of call.connections) if (c.state === 'alerting' && c.party.kind === 'agent') due = Math.min(due, c.sinceMs + ringLimitMs)
  return due === Infinity ? null : due
}
