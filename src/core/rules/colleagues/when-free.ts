// Calls that come about by themselves once two colleagues are free (after Call Back, ECMA-269, 17.1.5: the switch watches the busy one and calls both).
import { type Agent, canBeReached } from '@/core/agents'
import { type Pair, pairKey } from '@/core/colleagues'
import { type AgentId, deviceOfAgent } from '@/core/ids'
import { refuse } from '@/core/rules/rule'
import { isAwaited } from '@/core/rules/shift'
import { agentName } from '@/core/set-up'
import { type Draft, emit, nextCallId } from '@/core/state'
import { get, type Table, values } from '@/core/table'
import { atDesk } from './ask'
import type { Of, Ruling } from './commands'

/** Refused: targetSelf, targetUnknown, targetOffShift, alreadyWished. */
export function callWhenFree(draft: Draft, agent: Agent, { toAgentId }: Of<'callWhenFree'>): Ruling {
  const refused = atDesk(draft, agent, toAgentId)
  if (refused !== null) return refused
  const pair = { byAgentId: agent.id, toAgentId }
  if (get(draft.state.whenFree, pairKey(pair)) !== undefined) return refuse({ reason: 'alreadyWished', name: agentName(draft.state.setUp, toAgentId) })
  return emit(draft, null, { kind: 'callWhenFreeWished', ...pair })
}

/** Refused: nothingWished. */
export function dropCallWhenFree(draft: Draft, agent: Agent, { toAgentId }: Of<'dropCallWhenFree'>): Ruling {
  const pair = { byAgentId: agent.id, toAgentId }
  if (get(draft.state.whenFree, pairKey(pair)) === undefined) return refuse({ reason: 'nothingWished' })
  return emit(draft, null, { kind: 'callWhenFreeEnded', ...pair, because: 'dropped' })
}

/** Whoever waits in a queue goes before: this is asked once they have had their turn. */
export function ringWhoAreFree(draft: Draft): void {
  // Who wished it first comes first; the order of the table is nobody's order.
  const wishes = values(draft.state.whenFree).toSorted((a, b) => a.sinceMs - b.sinceMs || (pairKey(a) < pairKey(b) ? -1 : 1))
  for (const { byAgentId, toAgentId } of wishes) {
    const [by, to] = [get(draft.state.agents, byAgentId), get(draft.state.agents, toAgentId)]
    if (by === undefined || to === undefined || !isFree(draft, by) || !isFree(draft, to) || to.state.name !== 'ready') continue
    if (to.doNotDisturb || to.diversion !== null) continue
    emit(draft, draft.state.seq, { kind: 'callWhenFreeEnded', byAgentId, toAgentId, because: 'rung' })
    const callId = nextCallId(draft.state)
    emit(draft, draft.state.seq, { kind: 'internalCallOriginated', callId, agentId: byAgentId, prompted: true })
    const party = { kind: 'agent', agentId: toAgentId } as const
    emit(draft, draft.state.seq, { kind: 'connectionDelivered', callId, deviceId: deviceOfAgent(toAgentId), party })
  }
}

/** Not ready does for whoever wished it: they may have gone so to wait for it. */
const isFree = ({ state }: Draft, agent: Agent): boolean =>
  (agent.state.name === 'ready' || agent.state.name === 'notReady') &&
  canBeReached(agent) &&
  get(state.previews, agent.id) === undefined &&
  !isAwaited(state, agent)

/** The same order on every floor that holds the same. */
const sorted = <T extends Pair>(table: Table<T>): readonly T[] => values(table).toSorted((a, b) => (pairKey(a) < pairKey(b) ? -1 : 1))

/** Nobody is asked anything, or rung, on behalf of somebody who has gone home. */
export function forgetAsked(draft: Draft, causedBy: number, agentId: AgentId): void {
  const isOf = (pair: Pair) => pair.byAgentId === agentId || pair.toAgentId === agentId
  for (const { byAgentId, toAgentId } of sorted(draft.state.questions).filter(isOf))
    emit(draft, causedBy, { kind: 'questionClosed', byAgentId, toAgentId, because: 'shiftEnded' })
  for (const { byAgentId, toAgentId } of sorted(draft.state.whenFree).filter(isOf))
    emit(draft, causedBy, { kind: 'callWhenFreeEnded', byAgentId, toAgentId, because: 'shiftEnded' })
}
