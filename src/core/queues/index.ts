// Queues: who waits in which order, and which agent the next call goes to. Skills, ageing and overflow will join
// the choice here.
import type { Agent } from '@/core/agents'
import type { Call } from '@/core/calls'
import type { CallId, QueueId } from '@/core/ids'
import type { QueueSetUp } from '@/core/set-up'

/** Waiting calls per queue in the order they were offered; a call that rings at an agent is not waiting. */
export type Waiting = Readonly<Record<QueueId, readonly CallId[]>>

/** Puts a call back where it belongs by the time it entered, so that a ring in vain costs no place. */
export function enqueue(waiting: Waiting, queueId: QueueId, call: Pick<Call, 'id' | 'offeredAtMs'>, offeredAtMs: (id: CallId) => number): Waiting {
  const line = waiting[queueId] ?? []
  const before = line.findLastIndex((id) => offeredAtMs(id) <= call.offeredAtMs)
  return { ...waiting, [queueId]: line.toSpliced(before + 1, 0, call.id) }
}

export function dequeue(waiting: Waiting, queueId: QueueId, callId: CallId): Waiting {
  const line = waiting[queueId]
  return line?.includes(callId) ? { ...waiting, [queueId]: line.filter((id) => id !== callId) } : waiting
}

/**
 * The agent longest ready among those who serve the queue; equal times go by id. An agent the call rang at in
 * vain is passed over until they have gone ready anew. `undefined` when nobody can take it.
 */
export function chooseAgent(queueId: QueueId, call: Pick<Call, 'passedBy'>, ready: readonly Agent[]): Agent | undefined {
  let best: Agent | undefined
  for (const agent of ready) {
    if (!agent.shift?.queueIds.includes(queueId) || hasPassed(call, agent)) continue
    if (best === undefined || goesBefore(agent, best)) best = agent
  }
  return best
}

const hasPassed = (call: Pick<Call, 'passedBy'>, agent: Agent): boolean => call.passedBy.some((p) => p.agentId === agent.id && agent.state.sinceMs <= p.atMs)

const goesBefore = (a: Agent, b: Agent): boolean => (a.state.sinceMs !== b.state.sinceMs ? a.state.sinceMs < b.state.sinceMs : a.id < b.id)

/** Queues in the order their calls are handed out: smaller priority first, then by id. */
export const inServiceOrder = (queues: readonly QueueSetUp[]): QueueSetUp[] => queues.toSorted((a, b) => a.priority - b.priority || (a.id < b.id ? -1 : 1))
