// An agent asks for help with a call: whoever answers for the floor sees it before anything else.
import type { Agent } from '@/core/agents'
import { type Call, type CallEvent, services } from '@/core/calls'
import type { AgentId } from '@/core/ids'
import { noAccount, unentitled } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { agentOfDevice, type Draft, emit } from '@/core/state'
import { get, values } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Asked anew, about another call of theirs, it is about that one. Refused: notOnCall, helpAskedAlready. */
export function askForHelp(draft: Draft, agent: Agent, call: Call): Ruling {
  if (services.ownEnd(call, agent.id) === undefined) return refuse({ reason: 'notOnCall' })
  if (agent.help?.callId === call.id) return refuse({ reason: 'helpAskedAlready' })
  return emit(draft, null, { kind: 'helpAsked', agentId: agent.id, callId: call.id })
}

/** Refused: noHelpAsked. */
export function dropHelp(draft: Draft, agent: Agent): Ruling {
  return agent.help === null ? refuse({ reason: 'noHelpAsked' }) : emit(draft, null, { kind: 'helpEnded', agentId: agent.id, because: 'takenBack' })
}

/** Also by somebody who is not on shift, on the Floor. Refused: noSuchAccount, notEntitled, noHelpAsked. */
export function takeHelp(draft: Draft, { agentId, toAgentId }: Of<'takeHelp'>): Ruling {
  const refused = noAccount(draft.state, agentId) ?? unentitled(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  const help = get(draft.state.agents, toAgentId)?.help
  if (help == null || help.takenBy === agentId) return refuse({ reason: 'noHelpAsked' })
  return emit(draft, null, { kind: 'helpTaken', agentId: toAgentId, byAgentId: agentId })
}

/** The call they asked about is over for them. */
export function endHelp(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionCleared' }>): void {
  const agentId: AgentId | null = agentOfDevice(deviceId)
  const help = agentId === null ? null : get(draft.state.agents, agentId)?.help
  if (agentId !== null && help?.callId === callId) emit(draft, seq, { kind: 'helpEnded', agentId, because: 'leftCall' })
}

/** Lines that were joined are one call: what was asked about the one is asked about the other, by whoever is still on it. */
export function moveHelp(draft: Draft, seq: number, { callId, fromCallId }: Extract<CallEvent, { kind: 'callsJoined' }>): void {
  for (const { id, help, engagements } of values(draft.state.agents)) {
    if (help?.callId !== fromCallId) continue
    if (!engagements.some((e) => e.callId === callId)) emit(draft, seq, { kind: 'helpEnded', agentId: id, because: 'leftCall' })
    else {
      emit(draft, seq, { kind: 'helpAsked', agentId: id, callId })
      if (help.takenBy !== null) emit(draft, seq, { kind: 'helpTaken', agentId: id, byAgentId: help.takenBy })
    }
  }
}
