// A question before a call, answered with one key.
import type { Agent } from '@/core/agents'
import { LONGEST_QUESTION, pairKey } from '@/core/colleagues'
import type { AgentId } from '@/core/ids'
import { type Refused, refuse } from '@/core/rules/rule'
import { agentName } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import { callColleague } from './call'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

/** Refused: questionEmpty, targetSelf, targetUnknown, targetOffShift, takesNoQuestions. A longer one is cut to `LONGEST_QUESTION` characters. */
export function askFirst(draft: Draft, agent: Agent, { toAgentId, text }: Of<'askFirst'>): Ruling {
  const said = text.trim().slice(0, LONGEST_QUESTION)
  if (said === '') return refuse({ reason: 'questionEmpty' })
  const refused = atDesk(draft, agent, toAgentId)
  if (refused !== null) return refused
  if (get(draft.state.agents, toAgentId)?.doNotDisturb) return refuse({ reason: 'takesNoQuestions', name: agentName(draft.state.setUp, toAgentId) })
  return emit(draft, null, { kind: 'questionAsked', byAgentId: agent.id, toAgentId, text: said })
}

/** `now` calls back, and is refused where that cannot be; the question is done with then. Refused: noSuchQuestion, and as calling is. */
export function answerQuestion(draft: Draft, agent: Agent, { byAgentId, answer }: Of<'answerQuestion'>): Ruling {
  const pair = { byAgentId, toAgentId: agent.id }
  const question = get(draft.state.questions, pairKey(pair))
  if (question === undefined || question.answered !== null) return refuse({ reason: 'noSuchQuestion' })
  if (answer === 'now') {
    const refused = callColleague(draft, agent, { kind: 'callColleague', agentId: agent.id, toAgentId: byAgentId, at: 'desk' })
    if (refused !== null) return refused
  }
  emit(draft, null, { kind: 'questionAnswered', ...pair, answer })
  return answer === 'now' ? emit(draft, null, { kind: 'questionClosed', ...pair, because: 'putAway' }) : null
}

/** Refused: noSuchQuestion. */
export function closeQuestion(draft: Draft, agent: Agent, { toAgentId }: Of<'closeQuestion'>): Ruling {
  const pair = { byAgentId: agent.id, toAgentId }
  if (get(draft.state.questions, pairKey(pair)) === undefined) return refuse({ reason: 'noSuchQuestion' })
  return emit(draft, null, { kind: 'questionClosed', ...pair, because: 'putAway' })
}

/** A colleague who is on shift. Refused: targetSelf, targetUnknown, targetOffShift. */
export function atDesk({ state }: Draft, asking: Agent, toAgentId: AgentId): Refused<RulingRefusal> | null {
  if (toAgentId === asking.id) return refuse({ reason: 'targetSelf' })
  const colleague = get(state.agents, toAgentId)
  if (colleague === undefined) return refuse({ reason: 'targetUnknown' })
  return colleague.shift === null ? refuse({ reason: 'targetOffShift', name: agentName(state.setUp, toAgentId) }) : null
}
