// A connection is one party's relation to one call (ECMA-269, 6.1.5). Its state says what that party's end is
// doing; a connection that is over is removed from the call, which is what the standard's state `null` means.
import type { DeviceId } from '@/core/ids'
import type { LineQuality } from '@/core/sound-quality'
import type { Box } from '@/core/voicemail'
import type { Failure } from './failure'
import type { Party } from './party'

export const CONNECTION_STATES = ['initiated', 'alerting', 'connected', 'held', 'queued', 'failed'] as const
export type ConnectionState = (typeof CONNECTION_STATES)[number]

/** Why a connection ended. `hungUp` is that party's own act; `lastParty` follows from the others having gone. */
export const CLEAR_CAUSES = [
  'hungUp',
  'lastParty',
  'abandoned',
  'declined',
  'noAnswer',
  'answeredElsewhere',
  'failed',
  'transferred',
  'diverted',
  'parked',
  'removed',
  'endedForEveryone',
] as const
export type ClearCause = (typeof CLEAR_CAUSES)[number]

/** The devices an agent may have a call on. */
export const ENDPOINTS = ['computer', 'handset', 'ownPhone'] as const
export type Endpoint = (typeof ENDPOINTS)[number]

/** What an end does on a call: a listener hears and is heard by nobody, a whisperer by one agent. Neither is a party of it. */
export const ROLES = ['talks', 'listens', 'whispers'] as const
export type Role = (typeof ROLES)[number]

export interface Connection {
  readonly deviceId: DeviceId
  readonly party: Party
  readonly state: ConnectionState
  readonly sinceMs: number
  readonly failure: Failure | null
  /** Muted on this call by an agent; an agent's own mute is theirs and is kept with them. */
  readonly silenced: boolean
  readonly role: Role
  /** The only end that hears a whisperer; null for everybody else. */
  readonly whispersTo: DeviceId | null
  /** The agent's end that somebody listens to, whispers to or has stepped in beside; null for everybody else. */
  readonly beside: DeviceId | null
  /** Which of the agent's devices carries it; `computer` for everybody else. */
  readonly endpoint: Endpoint
  /** The last words of this party, as a caption; null before the first. */
  readonly said: string | null
  /** Keypad digits this end has received so far. */
  readonly received: string
  /** How the line to this end is; null where nobody has measured it. */
  readonly line: LineQuality | null
}

/** A party with ears: not a queue and not a parking slot. */
export const isPerson = (party: Party): boolean => party.kind !== 'queue' && party.kind !== 'park'

/** Whoever listens in keeps no call alive, owes nothing for it, inherits nothing of it and is nobody to talk to. */
export const takesPart = ({ role }: Connection): boolean => role === 'talks'

/** Someone who is on the line now and takes part: neither ringing nor out of reach. */
export const isOnLine = (c: Connection): boolean => isPerson(c.party) && (c.state === 'connected' || c.state === 'held') && takesPart(c)

/** A machine at the end of a line: it is no company. */
export const isMachine = (party: Party): boolean => boxOf(party) !== null || party.kind === 'conferenceLine'

/** Whose mailbox it is; null of every other party. */
export function boxOf(party: Party): Box | null {
  if (party.kind === 'voicemail') return { kind: 'agent', agentId: party.agentId }
  return party.kind === 'queueVoicemail' ? { kind: 'queue', queueId: party.queueId } : null
}
