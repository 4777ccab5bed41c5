// Writing to colleagues, and having read what they wrote.
import { type Circle, type CircleOf, circleKey, LONGEST_WORDS, pairOf, unreadBy } from '@/core/circles'
import type { AgentId } from '@/core/ids'
import { noAccount } from '@/core/rules/rights'
import { type Refused, type Rules, refuse } from '@/core/rules/rule'
import { queueSetUp } from '@/core/set-up'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import type { CircleCommand, Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

/** Refused: noSuchAccount, messageEmpty, messageTooLong, writesToThemselves, targetUnknown, nobodyReads for a group with nobody else in it. */
function writeToColleagues(draft: Draft, { agentId, to, text }: Of<'writeToColleagues'>): Ruling {
  const { state } = draft
  const refused = noAccount(state, agentId)
  if (refused !== null) return refused
  if (text.trim() === '') return refuse({ reason: 'messageEmpty' })
  if (text.length > LONGEST_WORDS) return refuse({ reason: 'messageTooLong', length: text.length, longest: LONGEST_WORDS })
  const found = circleFor(state, agentId, to)
  if (!('of' in found)) return found
  const there = found.to.filter((id) => get(state.agents, id)?.shift != null)
  const no = (get(state.circles, circleKey(found.of))?.lineCount ?? 0) + 1
  return emit(draft, null, { kind: 'circleWritten', circle: found.of, no, byAgentId: agentId, text, to: found.to, there })
}

/** A team are all its accounts; a queue is whoever serves it on this shift. */
function circleFor(
  state: FloorState,
  me: AgentId,
  to: Of<'writeToColleagues'>['to'],
): Refused<RulingRefusal> | { readonly of: CircleOf; readonly to: readonly AgentId[] } {
  const accounts = state.setUp.agents.filter((a) => !a.retired && a.id !== me)
  switch (to.kind) {
    case 'agent': {
      if (to.agentId === me) return refuse({ reason: 'writesToThemselves' })
      if (!accounts.some((a) => a.id === to.agentId)) return refuse({ reason: 'targetUnknown' })
      return { of: pairOf(me, to.agentId), to: [to.agentId] }
    }
    case 'team': {
      const members = accounts.filter((a) => a.team === to.team && to.team !== '').map((a) => a.id)
      return members.length === 0 ? refuse({ reason: 'nobodyReads', who: to.team }) : { of: { kind: 'team', team: to.team }, to: members }
    }
    case 'queue': {
      if (!state.setUp.queues.some((q) => q.id === to.queueId && !q.retired)) return refuse({ reason: 'targetUnknown' })
      const serving = values(state.agents)
        .filter((a) => a.id !== me && a.shift?.queueIds.includes(to.queueId))
        .map((a) => a.id)
      if (serving.length === 0) return refuse({ reason: 'nobodyReads', who: queueSetUp(state.setUp, to.queueId).name })
      return { of: { kind: 'queue', queueId: to.queueId }, to: serving }
    }
  }
}

/** Refused: noSuchAccount, notAmongThem. Nothing when nothing of it was unread. */
function readCircle(draft: Draft, { agentId, circle: of, throughNo }: Of<'readCircle'>): Ruling {
  const refused = noAccount(draft.state, agentId)
  if (refused !== null) return refused
  const circle = get(draft.state.circles, circleKey(of))
  if (circle === undefined || !isAmong(circle, agentId)) return refuse({ reason: 'notAmongThem' })
  const upTo = Math.min(throughNo, circle.lineCount)
  return unreadBy(circle, agentId).some((l) => l.no <= upTo) ? emit(draft, null, { kind: 'circleRead', circle: circle.of, agentId, throughNo: upTo }) : null
}

export const isAmong = ({ of, lines }: Circle, agentId: AgentId): boolean =>
  of.kind === 'pair' ? of.agentIds.includes(agentId) : lines.some((l) => l.byAgentId === agentId || l.to.includes(agentId))

export const CIRCLE_RULES: Rules<CircleCommand, RulingRefusal> = { writeToColleagues, readCircle }
