// Waiting calls are offered to ready agents, and put through at once where queue or account says so.
import { type Call, waitsIn } from '@/core/calls'
import { type AgentId, type CallId, deviceOfAgent } from '@/core/ids'
import type { FloorEvent } from '@/core/ledger'
import { anybodyWaits, assign, routingRules } from '@/core/queues'
import { agentSetUp, queueSetUp } from '@/core/set-up'
import { get, must, values } from '@/core/table'
import { answered } from './answered'
import { type Draft, emit } from './draft'

const FREES: ReadonlySet<FloorEvent['kind']> = new Set([
  'callQueued',
  'connectionQueued',
  'callOverflowed',
  'agentReady',
  'connectionCleared',
  'connectionFailed',
  'wrapUpEnded',
  'setUpChanged',
  'stormSwitched',
])

/** Whether a waiting call may find an agent after this that it could not find before. */
export const freesSomebody = ({ kind }: FloorEvent): boolean => FREES.has(kind)

/** Offers waiting calls to ready agents until one of the two runs out. */
export function route(draft: Draft): void {
  if (!anybodyWaits(draft.state.waiting)) return
  const ready = values(draft.state.agents).filter((a) => a.state.name === 'ready')
  if (ready.length === 0) return
  const causedBy = draft.state.seq
  const { calls, waiting, setUp, storm } = draft.state
  for (const { callId, agentId } of assign(waiting, (id) => must(calls, id), ready, routingRules(setUp, storm))) {
    const queueId = waitsIn(must(calls, callId))
    emit(draft, causedBy, { kind: 'connectionDelivered', callId, deviceId: deviceOfAgent(agentId), party: { kind: 'agent', agentId } })
    if (queueId !== null && answersItself(draft, agentId, queueId)) putThrough(draft, callId, agentId)
  }
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
