// A waiting call rings at an agent, and is put through at once where queue or account says so.
import { type Call, waitsIn } from '@/core/calls'
import { type AgentId, type CallId, deviceOfAgent } from '@/core/ids'
import { agentSetUp, queueSetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get, must } from '@/core/table'
import { answered } from './answered'

export function offer(draft: Draft, callId: CallId, agentId: AgentId, causedBy: number): void {
  const call = must(draft.state.calls, callId)
  // A message is no caller who would wait: it always rings.
  const queueId = call.messageId === null ? waitsIn(call) : null
  emit(draft, causedBy, { kind: 'connectionDelivered', callId, deviceId: deviceOfAgent(agentId), party: { kind: 'agent', agentId } })
  if (queueId !== null && answersItself(draft, agentId, queueId)) putThrough(draft, callId, agentId)
}

/** Only where a person sits: stand-ins press Answer themselves. */
function answersItself(draft: Draft, agentId: AgentId, queueId: Call['queueId'] & string): boolean {
  if (get(draft.state.agents, agentId)?.shift?.seat !== 'desk') return false
  return agentSetUp(draft.state.setUp, agentId).answersItself || queueSetUp(draft.state.setUp, queueId).answersItself
}

function putThrough(draft: Draft, callId: CallId, agentId: AgentId): void {
  const causedBy = draft.state.seq
  const deviceId = deviceOfAgent(agentId)
  emit(draft, causedBy, { kind: 'connectionEstablished', callId, deviceId })
  answered(draft, draft.state.seq, { kind: 'connectionEstablished', callId, deviceId })
}
