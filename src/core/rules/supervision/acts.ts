// Acts on agents by whoever answers for the floor: each is an event of the agent, followed by one that tells them who did it. All of those named, or none.
import type { Agent, ToldWhat } from '@/core/agents'
import type { AgentId } from '@/core/ids'
import { barred } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { endShiftOwing, goNotReady, goReady } from '@/core/rules/shift'
import { agentName, isChosenReason } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

/** Characters of a word to agents; what is longer is cut. */
export const LONGEST_WORD = 240

/** Those named who are on shift. Refused: nobodyChosen, agentOffShift naming the first who is not. */
export function onShiftAll(draft: Draft, agentIds: readonly AgentId[]): { readonly ok: true; readonly agents: readonly Agent[] } | Refused<RulingRefusal> {
  const agents: Agent[] = []
  for (const id of new Set(agentIds)) {
    const agent = get(draft.state.agents, id)
    if (agent === undefined) return refuse({ reason: 'targetUnknown' })
    if (agent.shift === null) return refuse({ reason: 'agentOffShift', name: agentName(draft.state.setUp, id) })
    agents.push(agent)
  }
  return agents.length === 0 ? refuse({ reason: 'nobodyChosen' }) : { ok: true, agents }
}

export const tell = (draft: Draft, agentId: AgentId, byAgentId: AgentId, what: ToldWhat): null =>
  emit(draft, draft.entries[0]?.seq ?? null, { kind: 'agentTold', agentId, byAgentId, what })

/**
 * Sets agents ready or not ready, as they could themselves; within a call it says what follows. Who is that way already is left as they are. Refused as
 * `onShiftAll` does, unknownReason, agentCannotBeReady with why.
 */
export function setReadiness(draft: Draft, { agentId: byAgentId, agentIds, ready, reason }: Of<'setReadiness'>): Ruling {
  const refused = barred(draft.state, byAgentId, 'supervision')
  if (refused !== null) return refused
  if (!ready && !isChosenReason(draft.state.setUp, reason)) return refuse({ reason: 'unknownReason' })
  const chosen = onShiftAll(draft, agentIds)
  if (!chosen.ok) return chosen
  const reached: AgentId[] = []
  for (const agent of chosen.agents) {
    const { id: agentId } = agent
    const ruling = ready ? goReady(draft, agent) : goNotReady(draft, agent, { kind: 'goNotReady', agentId, reason })
    if (ruling === null) reached.push(agentId)
    else if (ruling.refusal.reason !== 'alreadyReady' && ruling.refusal.reason !== 'alreadyNotReady')
      return refuse({
        reason: 'agentCannotBeReady',
        name: agentName(draft.state.setUp, agentId),
        why: ruling.refusal.reason === 'soundIsLost' ? 'sound' : ruling.refusal.reason === 'deskIsLost' ? 'desk' : 'owes',
      })
  }
  for (const agentId of reached) if (agentId !== byAgentId) tell(draft, agentId, byAgentId, ready ? { is: 'ready' } : { is: 'notReady', reason })
  return null
}

/** A forgotten shift: what it owes stays owed. Refused as `onShiftAll` does, agentAtWork while a call is on. */
export function endShiftOf(draft: Draft, { agentId: byAgentId, toAgentId }: Of<'endShiftOf'>): Ruling {
  const refused = barred(draft.state, byAgentId, 'supervision')
  if (refused !== null) return refused
  const chosen = onShiftAll(draft, [toAgentId])
  if (!chosen.ok) return chosen
  const [agent] = chosen.agents as [Agent]
  if (endShiftOwing(draft, agent) !== null) return refuse({ reason: 'agentAtWork', name: agentName(draft.state.setUp, toAgentId) })
  return tell(draft, toAgentId, byAgentId, { is: 'shiftEnded' })
}

/** A word to one, several or all, which each of them puts away. Refused as `onShiftAll` does, wordEmpty. */
export function sendWord(draft: Draft, { agentId: byAgentId, agentIds, text }: Of<'sendWord'>): Ruling {
  const refused = barred(draft.state, byAgentId, 'supervision')
  if (refused !== null) return refused
  const said = text.trim().slice(0, LONGEST_WORD)
  if (said === '') return refuse({ reason: 'wordEmpty' })
  const chosen = onShiftAll(draft, agentIds)
  if (!chosen.ok) return chosen
  for (const { id } of chosen.agents) tell(draft, id, byAgentId, { is: 'word', text: said })
  return null
}

/** What they were told, read. Refused: nothingToClear. */
export function putAwayTold(draft: Draft, { agentId, no }: Of<'putAwayTold'>): Ruling {
  const agent = get(draft.state.agents, agentId)
  if (!agent?.told.some((t) => t.no === no)) return refuse({ reason: 'nothingToClear' })
  return emit(draft, null, { kind: 'toldPutAway', agentId, no })
}
