// Who calls, as the agent has it, and the ringing silenced.
import type { Agent } from '@/core/agents'
import type { Call } from '@/core/calls'
import { refuse } from '@/core/rules/rule'
import { type Draft, emit } from '@/core/state'
import type { Of, Ruling } from './commands'

/** The caller has a name from now on. Refused: notYourCall, callerUnnamed. */
export function identifyCaller(draft: Draft, agent: Agent, call: Call, { customer }: Of<'identifyCaller'>): Ruling {
  if (!agent.engagements.some((e) => e.callId === call.id)) return refuse({ reason: 'notYourCall' })
  if (customer === null || customer.name.trim() === '') return refuse({ reason: 'callerUnnamed' })
  return emit(draft, null, { kind: 'callerIdentified', callId: call.id, byAgentId: agent.id, customer })
}

/** Refused: notRinging. */
export function silence(draft: Draft, agent: Agent, call: Call): Ruling {
  if (!agent.engagements.some((e) => e.callId === call.id && e.state === 'alerting')) return refuse({ reason: 'notRinging' })
  // A consult has no work of its own to remember it by: that of the call it is about does.
  return emit(draft, null, { kind: 'ringSilenced', callId: call.workId ?? call.id, agentId: agent.id })
}
