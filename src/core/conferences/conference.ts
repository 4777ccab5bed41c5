// A conference as it was arranged, and who was there, folded from its events.
import type { AgentId, CallId, ConferenceId, DeviceId } from '@/core/ids'
import { DAY, type EpochMs, HOUR, MINUTE } from '@/core/time'
import type { ConferenceEvent } from './event'
import type { Plan } from './schema'

export interface Attended {
  readonly callId: CallId
  readonly deviceId: DeviceId
  readonly agentId: AgentId | null
  readonly name: string | null
  readonly number: string | null
  readonly fromMs: EpochMs
  /** null while they are there. */
  readonly toMs: EpochMs | null
}

export interface Conference {
  readonly id: ConferenceId
  readonly hostAgentId: AgentId
  /** Six digits: whoever dials in keys them. */
  readonly code: string
  readonly plan: Plan
  /** How often it was changed (SEQUENCE of RFC 5545). */
  readonly sequence: number
  readonly cancelledAtMs: EpochMs | null
  readonly attended: readonly Attended[]
}

/** It can be joined this long before it begins, and as long after it should have ended. */
export const OPENS_BEFORE_MS = 15 * MINUTE
export const STAYS_OPEN_MS = HOUR
/** Past ones are kept as long. */
export const KEPT_MS = 31 * DAY

export const endsAtMs = ({ plan }: Pick<Conference, 'plan'>): EpochMs => plan.startsAtMs + plan.lastsMs

/** Whether whoever is invited may come now. */
export const isOpenAt = (conference: Pick<Conference, 'plan' | 'cancelledAtMs'>, atMs: EpochMs): boolean =>
  conference.cancelledAtMs === null && atMs >= conference.plan.startsAtMs - OPENS_BEFORE_MS && atMs <= endsAtMs(conference) + STAYS_OPEN_MS

export const presentAt = ({ attended }: Pick<Conference, 'attended'>): readonly Attended[] => attended.filter((a) => a.toMs === null)

/** undefined for an event of one that is not known. */
export function evolveConference(before: Conference | undefined, event: ConferenceEvent, atMs: EpochMs): Conference | undefined {
  if (event.kind === 'conferencePlanned') {
    const { conferenceId: id, hostAgentId, code, plan } = event
    return { id, hostAgentId, code, plan, sequence: 0, cancelledAtMs: null, attended: [] }
  }
  if (before === undefined) return undefined
  switch (event.kind) {
    case 'conferenceReplanned':
      return { ...before, plan: event.plan, sequence: before.sequence + 1 }
    case 'conferenceCancelled':
      return { ...before, cancelledAtMs: atMs, sequence: before.sequence + 1 }
    case 'conferenceJoined': {
      const { callId, deviceId, agentId, name, number } = event
      return { ...before, attended: [...before.attended, { callId, deviceId, agentId, name, number, fromMs: atMs, toMs: null }] }
    }
    case 'conferenceLeft':
      return {
        ...before,
        attended: before.attended.map((a) => (a.toMs === null && a.callId === event.callId && a.deviceId === event.deviceId ? { ...a, toMs: atMs } : a)),
      }
  }
}
