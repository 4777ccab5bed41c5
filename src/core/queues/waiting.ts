// Who waits in which order. A call's place is the time it entered, earlier by its caller's head start: within one queue the
// order never changes by itself, and between queues only the queues' own head starts come in.
import type { Call } from '@/core/calls'
import type { CallId, QueueId } from '@/core/ids'

/** Waiting calls per queue, by place; a call that rings at an agent is not waiting. */
export type Waiting = Readonly<Record<QueueId, readonly CallId[]>>

/** Puts a call where it belongs by its place, so that a ring in vain costs none. */
export function enqueue(waiting: Waiting, queueId: QueueId, call: Pick<Call, 'id' | 'place'>, placeOf: (id: CallId) => number): Waiting {
  const line = waiting[queueId] ?? []
  const before = line.findLastIndex((id) => placeOf(id) <= call.place)
  return { ...waiting, [queueId]: line.toSpliced(before + 1, 0, call.id) }
}

export function dequeue(waiting: Waiting, queueId: QueueId, callId: CallId): Waiting {
  const line = waiting[queueId] ?? []
  const at = line.indexOf(callId)
  return at < 0 ? waiting : { ...waiting, [queueId]: line.toSpliced(at, 1) }
}

export function anybodyWaits(waiting: Waiting): boolean {
  for (const queueId in waiting) if ((waiting[queueId as QueueId]?.length ?? 0) > 0) return true
  return false
}
