// Queues: who waits in which order, and which agent the next call goes to. Skills, ageing and overflow will join
// the choice here.
import type { Agent } from '@/core/agents'
import type { Call } from '@/core/calls'
import type { CallId, QueueId } from '@/core/ids'
import type { QueueSetUp } from '@/core/set-up'

/** Waiting calls per queue in the order they were offered; a call that rings at an agent is not waiting. */
export type Waiting = Readonly<Record<QueueId, readonly CallId[]>>

/** Puts a call where it belongs by its place (the time it entered), so that a ring in vain costs none. */
export function enqueue(waiting: Waiting, queueId: QueueId, call: Pick<Call, 'id' | 'place'>, placeOf: (id: CallId) => number): Waiting {
  const line = waiting[queueId] ?? []
  const before = line.findLastIndex((id) => placeOf(id) <= call.place)
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

/** How fast the running mean of handle times forgets: the last ten calls or so count. */
const NEWEST_WEIGHS = 0.1

/** A running mean: the newest call counts a tenth, the ones before it ever less. */
export const foldHandleMs = (meanMs: number | undefined, newestMs: number): number =>
  meanMs === undefined ? newestMs : meanMs + NEWEST_WEIGHS * (newestMs - meanMs)

/**
 * When a caller who joins the line now can expect an answer: everybody ahead and they themselves, handed out at the rate at
 * which the agents who serve the queue come free. 0 when somebody is ready; null when nobody serves it or nothing is known yet.
 */
export function expectedWaitMs(
  line: { readonly waiting: number; readonly serving: number; readonly ready: number },
  handleMs: number | undefined,
): number | null {
  if (line.serving === 0) return null
  if (line.ready > line.waiting) return 0
  return handleMs === undefined ? null : ((line.waiting + 1) * handleMs) / line.serving
}
