// Listening in, whispering, stepping in, taking over: who may, and how it ends by itself.
import type { Agent } from '@/core/agents'
import { type Call, type CallEvent, listening, takesPart } from '@/core/calls'
import { type AgentId, deviceOfAgent } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { type Refused, refuse, take } from '@/core/rules/rule'
import { busy, isAwaited } from '@/core/rules/shift'
import { agentName } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get, values } from '@/core/table'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

/**
 * From another call that is listened to they come over at once. Refused: notEntitled, noSoundToListen, personOnTheWay, callUnderWay, callRings and outcomeOwed while there
 * is anything of their own to do, and what `listening.takeRole` refuses.
 */
export function takeRole(draft: Draft, agent: Agent, call: Call, { besideId, role }: Of<'takeRole'>): Ruling {
  return mayCome(draft, agent, call) ?? come(draft, agent, call, besideId, () => take(draft, listening.takeRole(call, agent.id, besideId, role)))
}

/** Refused: as taking a role is, agentConsults while the agent talks with somebody else about it, nobodyToTakeOver. */
export function takeOver(draft: Draft, agent: Agent, call: Call, { fromAgentId }: Of<'takeOver'>): Ruling {
  const refused = mayCome(draft, agent, call)
  if (refused !== null) return refused
  const from = get(draft.state.agents, fromAgentId)
  const consults = from?.engagements.some((e) => get(draft.state.calls, e.callId)?.consultFor === call.id)
  if (consults || call.consultFor !== null) return refuse({ reason: 'agentConsults', name: agentName(draft.state.setUp, fromAgentId) })
  return come(draft, agent, call, fromAgentId, () => take(draft, listening.takeOver(call, agent.id, fromAgentId)))
}

/** Refused: notOnCall. */
export const stopListening = (draft: Draft, agent: Agent, call: Call): Ruling => take(draft, listening.stopListening(call, agent.id))

function mayCome(draft: Draft, agent: Agent, call: Call): Refused<RulingRefusal> | null {
  const refused = unentitled(draft.state, agent.id, 'listening')
  if (refused !== null) return refused
  if (agent.shift?.soundLost || agent.shift?.soundPath === 'none') return refuse({ reason: 'noSoundToListen' })
  if (isAwaited(draft.state, agent)) return refuse({ reason: 'personOnTheWay' })
  // Who has stepped in is on this call already; whatever else they have comes first.
  return listening.besideOn(call, agent.id) === undefined ? busy(draft.state, agent) : null
}

/** What is refused leaves them where they listen; otherwise they leave there, and whoever asked for help is told who sees to it. */
function come(draft: Draft, agent: Agent, call: Call, besideId: AgentId, act: () => Ruling): Ruling {
  const refused = act()
  if (refused !== null) return refused
  for (const { callId, listens } of agent.engagements) {
    const other = listens && callId !== call.id ? get(draft.state.calls, callId) : undefined
    if (other !== undefined) take(draft, listening.stopListening(other, agent.id))
  }
  const help = get(draft.state.agents, besideId)?.help
  return help == null || help.callId !== call.id || help.takenBy === agent.id
    ? null
    : emit(draft, null, { kind: 'helpTaken', agentId: besideId, byAgentId: agent.id })
}

/** The agent somebody listens to has left the call: there is nothing more to listen to. */
export function followAgent(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionCleared' }>): void {
  const call = get(draft.state.calls, callId)
  for (const c of call?.connections ?? [])
    if (c.beside === deviceId && !takesPart(c)) emit(draft, seq, { kind: 'connectionCleared', callId, deviceId: c.deviceId, cause: 'lastParty' })
}

/** Whoever is no longer allowed to listen does not. */
export function stopUnentitled(draft: Draft, seq: number): void {
  for (const { id, engagements } of values(draft.state.agents))
    for (const { callId, listens } of engagements)
      if (listens && unentitled(draft.state, id, 'listening') !== null)
        emit(draft, seq, { kind: 'connectionCleared', callId, deviceId: deviceOfAgent(id), cause: 'hungUp' })
}

/** Whoever takes up a call of their own listens no longer: they hear one call at a time. */
export function stopWhereBusy(draft: Draft): void {
  for (const { id, engagements } of values(draft.state.agents)) {
    const [listened, own] = [engagements.find((e) => e.listens), engagements.some((e) => !e.listens && (e.state === 'connected' || e.state === 'initiated'))]
    if (listened !== undefined && own) emit(draft, null, { kind: 'connectionCleared', callId: listened.callId, deviceId: deviceOfAgent(id), cause: 'hungUp' })
  }
}
