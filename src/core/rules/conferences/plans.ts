// Conferences are arranged, changed and called off.
import { createChance, seedFor } from '@/core/chance'
import { type Conference, endsAtMs, type Plan } from '@/core/conferences'
import { type AgentId, type ConferenceId, toConferenceId } from '@/core/ids'
import { barred, noAccount, unentitled } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { agentName } from '@/core/set-up'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

const CODE_DIGITS = 6

/** Refused: noSuchAccount, notEntitled (conference), and what is wrong with the plan. */
export function planConference(draft: Draft, { agentId, plan }: Of<'planConference'>): Ruling {
  const refused = barred(draft.state, agentId, 'conference') ?? wrongWith(draft, plan)
  if (refused !== null) return refused
  const conferenceId = toConferenceId(`conference_${draft.state.floorId}_${draft.state.seq + 1}`)
  return emit(draft, null, { kind: 'conferencePlanned', conferenceId, hostAgentId: agentId, code: newCode(draft.state, conferenceId), plan: tidied(plan) })
}

/** Refused: noSuchAccount, noSuchConference, conferenceOver, notYourConference, conferenceChanged, and what is wrong with the plan. */
export function replanConference(draft: Draft, { agentId, conferenceId, sequence, plan }: Of<'replanConference'>): Ruling {
  const found = openedBy(draft, agentId, conferenceId)
  if ('refusal' in found) return found
  if (found.sequence !== sequence) return refuse({ reason: 'conferenceChanged' })
  return wrongWith(draft, plan) ?? emit(draft, null, { kind: 'conferenceReplanned', conferenceId, plan: tidied(plan), byAgentId: agentId })
}

/** Whoever is in it goes on talking. Refused: noSuchAccount, noSuchConference, conferenceOver, notYourConference. */
export function cancelConference(draft: Draft, { agentId, conferenceId }: Of<'cancelConference'>): Ruling {
  const found = openedBy(draft, agentId, conferenceId)
  return 'refusal' in found ? found : emit(draft, null, { kind: 'conferenceCancelled', conferenceId, byAgentId: agentId })
}

/** Its host changes it, or who supervises. */
function openedBy(draft: Draft, agentId: AgentId, conferenceId: ConferenceId): Conference | Refused<RulingRefusal> {
  const nobody = noAccount(draft.state, agentId)
  if (nobody !== null) return nobody
  const conference = get(draft.state.conferences, conferenceId)
  if (conference === undefined) return refuse({ reason: 'noSuchConference' })
  if (conference.hostAgentId !== agentId && unentitled(draft.state, agentId, 'supervision') !== null)
    return refuse({ reason: 'notYourConference', host: agentName(draft.state.setUp, conference.hostAgentId) })
  if (conference.cancelledAtMs !== null || endsAtMs(conference) < draft.atMs) return refuse({ reason: 'conferenceOver' })
  return conference
}

function wrongWith({ state, atMs }: Draft, plan: Plan): Refused<RulingRefusal> | null {
  if (plan.title.trim() === '') return refuse({ reason: 'conferenceUntitled' })
  if (endsAtMs({ plan }) <= atMs) return refuse({ reason: 'conferencePast' })
  if (!isZone(plan.timeZone)) return refuse({ reason: 'conferenceZoneUnknown', timeZone: plan.timeZone })
  const { agents, queues } = state.setUp
  const isThere = plan.invited.every((i) =>
    i.kind === 'outside'
      ? i.name.trim() !== ''
      : i.kind === 'agent'
        ? agents.some((a) => a.id === i.agentId && !a.retired)
        : queues.some((q) => q.id === i.queueId && !q.retired),
  )
  return isThere ? null : refuse({ reason: 'invitedUnknown' })
}

const tidied = (plan: Plan): Plan => ({ ...plan, title: plan.title.trim(), note: plan.note.trim() })

function isZone(timeZone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone })
    return true
  } catch {
    return false
  }
}

/** Six digits that no other conference has which is still to come. */
function newCode(state: FloorState, conferenceId: ConferenceId): string {
  const chance = createChance(seedFor(7, conferenceId))
  const taken = new Set(values(state.conferences).map((c) => c.code))
  for (;;) {
    const code = String(Math.floor(chance.next() * 10 ** CODE_DIGITS)).padStart(CODE_DIGITS, '0')
    if (!taken.has(code)) return code
  }
}
