// A direct call to a colleague (Make Call, ECMA-269, 17.1.20, to a device of the same centre). It rings like any call and is nobody's work.
import type { Agent } from '@/core/agents'
import { type Call, isInternal, services } from '@/core/calls'
import { deviceOfAgent } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { busyOnCall, isAwaited } from '@/core/rules/shift'
import { reach, tellOfEmergency } from '@/core/rules/talk'
import { type Draft, emit, nextCallId } from '@/core/state'
import { get, must } from '@/core/table'
import type { Of, Ruling } from './commands'

/**
 * Also in wrap-up, which waits meanwhile. What came to nothing (busy, no answer, refused) makes room for the next try. Where the colleague takes no
 * calls it goes to their mailbox, or to the number they divert to. Refused: a call
 * under way, personOnTheWay, and what reaching them refuses.
 */
export function callColleague(draft: Draft, agent: Agent, { toAgentId, at }: Of<'callColleague'>): Ruling {
  const former = failedTry(draft, agent)
  const refused = busyOnCall(draft.state, { ...agent, engagements: agent.engagements.filter((e) => e.callId !== former?.id) })
  if (refused !== null) return refused
  if (isAwaited(draft.state, agent)) return refuse({ reason: 'personOnTheWay' })
  const callId = nextCallId(draft.state)
  const target = at === 'voicemail' ? ({ kind: 'voicemail', agentId: toAgentId } as const) : ({ kind: 'agent', agentId: toAgentId } as const)
  const reaching = reach(draft, agent.id, { id: callId, outsideCount: 0, connections: [] }, target, 'send')
  if (!reaching.ok) return refuse(reaching.refusal)
  if (former !== undefined) {
    const cleared = services.clearConnection(former, deviceOfAgent(agent.id), 'hungUp')
    if (cleared.ok) emit(draft, null, ...cleared.events)
  }
  return emit(draft, null, { kind: 'internalCallOriginated', callId, agentId: agent.id, prompted: false }, ...reaching.reached.events(callId))
}

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

/** A call to a colleague on which nobody is left but this agent, with what became of the try. */
function failedTry({ state }: Draft, { id, engagements }: Agent): Call | undefined {
  const mine = deviceOfAgent(id)
  return engagements
    .flatMap((e) => get(state.calls, e.callId) ?? [])
    .find((call) => isInternal(call) && call.consultFor === null && call.connections.every((c) => c.deviceId === mine || c.state === 'failed'))
}
