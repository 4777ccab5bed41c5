// Direct calls to colleagues: one by name, or several called together into one call.
import type { Agent } from '@/core/agents'
import { unentitled } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { busyOnCall, isAwaited } from '@/core/rules/shift'
import { callInside, reach, tellOfEmergency } from '@/core/rules/talk'
import { type Draft, emit, nextCallId } from '@/core/state'
import { must } from '@/core/table'
import type { Of, Ruling } from './commands'

/**
 * Also in wrap-up, which waits meanwhile. What came to nothing makes room for the next try. Where the colleague takes no calls it goes to their mailbox, or to the
 * number they divert to. Refused: a call under way, personOnTheWay, and what reaching them refuses.
 */
export const callColleague = (draft: Draft, agent: Agent, { toAgentId, at }: Of<'callColleague'>): Ruling =>
  callInside(draft, agent, { kind: at === 'voicemail' ? 'voicemail' : 'agent', agentId: toAgentId })

/**
 * Everybody is called at once into one call, the agent being on it from the beginning. Whoever cannot be had stands on it as failed. Refused: notEntitled, a
 * call under way, personOnTheWay, targetNotForThis, and what reaching any of them refuses: then nobody is called.
 */
export function callTogether(draft: Draft, agent: Agent, { targets }: Of<'callTogether'>): Ruling {
  const refused = unentitled(draft.state, agent.id, 'conference') ?? busyOnCall(draft.state, agent)
  if (refused !== null) return refused
  if (isAwaited(draft.state, agent)) return refuse({ reason: 'personOnTheWay' })
  const callId = nextCallId(draft.state)
  emit(draft, null, { kind: 'internalCallOriginated', callId, agentId: agent.id, prompted: false })
  for (const target of targets) {
    if (target.kind === 'queue' || target.kind === 'voicemail' || target.kind === 'queueVoicemail')
      return refuse({ reason: 'targetNotForThis', what: target.kind })
    const reaching = reach(draft, agent.id, must(draft.state.calls, callId), target, 'talk')
    if (!reaching.ok) return refuse(reaching.refusal)
    const { party } = reaching.reached
    if (party.kind === 'queue') return refuse({ reason: 'targetNotForThis', what: party.kind })
    emit(draft, null, ...reaching.reached.events(callId))
    tellOfEmergency(draft, agent.id, callId, party)
  }
  return null
}
