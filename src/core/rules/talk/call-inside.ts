// A direct call to somebody of the centre (Make Call, ECMA-269, 17.1.20, to a device of the same centre), whether they were chosen by name or their extension was
// dialled. It rings like any call and is nobody's work.
import type { Agent } from '@/core/agents'
import { type Call, isInternal, services, type Target } from '@/core/calls'
import { deviceOfAgent } from '@/core/ids'
import { refuse } from '@/core/rules/rule'
import { busyOnCall, isAwaited } from '@/core/rules/shift'
import { type Draft, emit, nextCallId } from '@/core/state'
import { get } from '@/core/table'
import type { Ruling } from './commands'
import { reach } from './reach'

/** What came to nothing before (busy, no answer, refused) makes room for the next try. Refused: a call under way, personOnTheWay, and what reaching them refuses. */
export function callInside(draft: Draft, agent: Agent, target: Extract<Target, { kind: 'agent' | 'voicemail' }>): Ruling {
  const former = failedTry(draft, agent)
  const refused = busyOnCall(draft.state, { ...agent, engagements: agent.engagements.filter((e) => e.callId !== former?.id) })
  if (refused !== null) return refused
  if (isAwaited(draft.state, agent)) return refuse({ reason: 'personOnTheWay' })
  const callId = nextCallId(draft.state)
  const reaching = reach(draft, agent.id, { id: callId, outsideCount: 0, connections: [] }, target, 'send')
  if (!reaching.ok) return refuse(reaching.refusal)
  if (former !== undefined) {
    const cleared = services.clearConnection(former, deviceOfAgent(agent.id), 'hungUp')
    if (cleared.ok) emit(draft, null, ...cleared.events)
  }
  return emit(draft, null, { kind: 'internalCallOriginated', callId, agentId: agent.id, prompted: false }, ...reaching.reached.events(callId))
}

/** A call to a colleague on which nobody is left but this agent, with what became of the try. */
function failedTry({ state }: Draft, { id, engagements }: Agent): Call | undefined {
  const mine = deviceOfAgent(id)
  return engagements
    .flatMap((e) => get(state.calls, e.callId) ?? [])
    .find((call) => isInternal(call) && call.consultFor === null && call.connections.every((c) => c.deviceId === mine || c.state === 'failed'))
}
