// An agent asks for help with a call: whoever answers for the floor sees it before anything else. Nobody asks longer than they are on the call; that is
// part of the agent's own fold.
import type { Agent } from '@/core/agents'
import { type Call, services } from '@/core/calls'
import { barred } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Asked anew, about another call of theirs, it is about that one. Refused: notOnCall, helpAskedAlready. */
export function askForHelp(draft: Draft, agent: Agent, call: Call): Ruling {
  if (services.ownEnd(call, agent.id) === undefined) return refuse({ reason: 'notOnCall' })
  if (agent.help?.callId === call.id) return refuse({ reason: 'helpAskedAlready' })
  return emit(draft, null, { kind: 'helpAsked', agentId: agent.id, callId: call.id })
}

/** Refused: noHelpAsked. */
export function dropHelp(draft: Draft, agent: Agent): Ruling {
  return agent.help === null ? refuse({ reason: 'noHelpAsked' }) : emit(draft, null, { kind: 'helpEnded', agentId: agent.id })
}

/** Also by somebody who is not on shift, on the Floor. Refused: noSuchAccount, notEntitled, noHelpAsked. */
export function takeHelp(draft: Draft, { agentId, toAgentId }: Of<'takeHelp'>): Ruling {
  const refused = barred(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  const help = get(draft.state.agents, toAgentId)?.help
  if (help == null || help.takenBy === agentId) return refuse({ reason: 'noHelpAsked' })
  return emit(draft, null, { kind: 'helpTaken', agentId: toAgentId, byAgentId: agentId })
}
