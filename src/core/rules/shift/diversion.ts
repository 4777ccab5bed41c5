// Where an agent's own calls go instead: to a number, their mailbox, or a colleague, whose own diversion is followed.
import type { Agent } from '@/core/agents'
import { isEmergency, readNumber } from '@/core/directory'
import type { AgentId } from '@/core/ids'
import { forbidden } from '@/core/rules/do-not-call'
import { unentitled, unentitledToDial } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { accountDialled, agentName, queueWithNumber } from '@/core/set-up'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Refused: notEntitled, nothingToClear, diversionToNobody, diversionCircle, onDoNotCall, and what reading the number refuses. */
export function setDiversion(draft: Draft, agent: Agent, { to }: Of<'setDiversion'>): Ruling {
  const done = (diversion: Agent['diversion']) => emit(draft, null, { kind: 'diversionChanged', agentId: agent.id, to: diversion })
  const { state } = draft
  if (to === null) return agent.diversion === null ? refuse({ reason: 'nothingToClear' }) : done(null)
  const missing = unentitled(state, agent.id, 'diversion')
  if (missing !== null) return missing
  if (to.kind === 'voicemail') return done(to)
  const toColleague = (agentId: AgentId): Ruling => {
    if (!state.setUp.agents.some((a) => a.id === agentId && !a.retired)) return refuse({ reason: 'diversionToNobody' })
    const circle = circleOf(state, agent.id, agentId)
    if (circle !== null) return refuse({ reason: 'diversionCircle', names: circle.map((id) => agentName(state.setUp, id)) })
    return done({ kind: 'agent', agentId })
  }
  if (to.kind === 'agent') return toColleague(to.agentId)
  const desk = deskDialled(state, to.typed)
  if (desk !== null) return toColleague(desk)
  const reading = readNumber(to.typed, state.setUp.homeCountry)
  if (!reading.ok) return refuse(reading.refusal)
  const { e164, readAs } = reading.number
  const ours = queueWithNumber(state.setUp, e164)
  if (ours !== null) return refuse({ reason: 'numberIsOurs', queue: ours.name })
  const colleague = accountDialled(state.setUp, e164)
  if (colleague !== null) return toColleague(colleague.id)
  return unentitledToDial(state, agent.id, readAs) ?? forbidden(state, e164, null) ?? done({ kind: 'number', number: e164 })
}

/** Whose extension was dialled; null of anything else. What reaches the emergency services is nobody’s extension, whatever is set up. */
export function deskDialled({ setUp }: Pick<FloorState, 'setUp'>, typed: string): AgentId | null {
  return isEmergency(typed, setUp.homeCountry) ? null : (accountDialled(setUp, typed)?.id ?? null)
}

/** From one to whom their calls go to, and on, back to them; null where it ends with somebody else. */
function circleOf({ agents }: FloorState, from: AgentId, to: AgentId): readonly AgentId[] | null {
  const way = [from]
  for (let at = to; ; ) {
    way.push(at)
    if (at === from) return way
    const next = get(agents, at)?.diversion
    // Nobody could begin a circle that others close: one that is there all the same ends here.
    if (next?.kind !== 'agent' || way.includes(next.agentId, 1)) return null
    at = next.agentId
  }
}
