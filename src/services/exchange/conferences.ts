// What is shown of conferences by appointment: what a desk has coming, and the list of all an account has to do with.
import { type Conference, endsAtMs, isOpenAt, presentAt } from '@/core/conferences'
import type { AgentId, ConferenceId } from '@/core/ids'
import { isInvited } from '@/core/rules/conferences'
import { unentitled } from '@/core/rules/rights'
import { agentName } from '@/core/set-up'
import { type FloorState, revisionOf } from '@/core/state'
import { values } from '@/core/table'

/** One somebody is asked to. */
export interface ConferenceSoon {
  readonly id: ConferenceId
  readonly title: string
  readonly startsAtMs: number
  readonly endsAtMs: number
  readonly present: number
  readonly isIn: boolean
}

export interface ConferencesPart {
  /** Changes with every change of one. */
  readonly revision: number
  /** Of one's own, not over when this was made; the next one first. */
  readonly soon: readonly ConferenceSoon[]
}

export interface ConferenceView extends Conference {
  readonly host: string
  readonly invitedNames: readonly string[]
  readonly isOpen: boolean
  readonly isIn: boolean
  readonly mayChange: boolean
}

export interface ConferencesPage {
  /** To be dialled, with the code; '' where the centre has none. */
  readonly number: string
  /** By when they begin, the next first. */
  readonly conferences: readonly ConferenceView[]
}

/** The parts of everybody, looked up anew when something of a conference has changed. */
export function createConferenceParts(state: FloorState): (agentId: AgentId) => ConferencesPart {
  let revision = -1
  const parts = new Map<AgentId, ConferencesPart>()
  return (agentId) => {
    const now = revisionOf(state, 'conferences')
    if (now !== revision) parts.clear()
    revision = now
    const known = parts.get(agentId) ?? partOf(state, agentId, now)
    parts.set(agentId, known)
    return known
  }
}

function partOf(state: FloorState, agentId: AgentId, revision: number): ConferencesPart {
  const soon = values(state.conferences)
    .filter((c) => c.cancelledAtMs === null && endsAtMs(c) > state.atMs && isInvited(state, c, agentId))
    .map((c) => ({
      id: c.id,
      title: c.plan.title,
      startsAtMs: c.plan.startsAtMs,
      endsAtMs: endsAtMs(c),
      present: presentAt(c).length,
      isIn: presentAt(c).some((a) => a.agentId === agentId),
    }))
    .toSorted((a, b) => a.startsAtMs - b.startsAtMs)
  return { revision, soon }
}

/** Their own, and everybody's for who supervises. The code is for whoever is in on it. */
export function selectConferences(state: FloorState, agentId: AgentId, nowMs: number): ConferencesPage {
  const supervises = unentitled(state, agentId, 'supervision') === null
  const { setUp } = state
  return {
    number: setUp.conferenceNumber,
    conferences: values(state.conferences)
      .filter((c) => supervises || isInvited(state, c, agentId))
      .toSorted((a, b) => a.plan.startsAtMs - b.plan.startsAtMs || (a.id < b.id ? -1 : 1))
      .map((c) => ({
        ...c,
        host: agentName(setUp, c.hostAgentId),
        invitedNames: c.plan.invited.map((i) =>
          i.kind === 'outside' ? i.name : i.kind === 'agent' ? agentName(setUp, i.agentId) : (setUp.queues.find((q) => q.id === i.queueId)?.name ?? ''),
        ),
        isOpen: isOpenAt(c, nowMs),
        isIn: presentAt(c).some((a) => a.agentId === agentId),
        mayChange: (c.hostAgentId === agentId || supervises) && c.cancelledAtMs === null && endsAtMs(c) > nowMs,
      })),
  }
}
