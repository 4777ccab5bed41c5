// What colleagues do about callbacks and tasks: most are done when they are due, some later, and some are forgotten.
import type { Callback } from '@/core/callbacks'
import { createChance, seedFor } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { AgentId, CallbackId, TaskId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { HOUR, MINUTE } from '@/core/time'
import { mayCall } from './codes'

const FORGOTTEN_OFTEN = 0.1
/** Of those that were missed, so many nobody minds until tomorrow. */
const LEFT_OFTEN = 0.2
const TASK_LEFT_OFTEN = 0.25

/** How long after its time somebody gets to a callback; null when nobody remembers. */
export function callBackInMs(seed: number, callback: Callback): number | null {
  const isMissed = callback.escalatedAtMs !== null
  const chance = createChance(seedFor(seed, `call back ${callback.id} ${isMissed}`))
  if (chance.next() < (isMissed ? LEFT_OFTEN : FORGOTTEN_OFTEN)) return null
  return isMissed ? 5 * MINUTE + chance.exponential(30 * MINUTE) : chance.exponential(3 * MINUTE)
}

export function taskInMs(seed: number, taskId: TaskId): number | null {
  const chance = createChance(seedFor(seed, `task ${taskId}`))
  return chance.next() < TASK_LEFT_OFTEN ? null : 30 * MINUTE + chance.exponential(2 * HOUR)
}

/** By its owner, or whoever serves the queue and is free; `later` when nobody of them is. */
export function callBack(state: FloorState, plays: ReadonlySet<AgentId>, callbackId: CallbackId): readonly AgentCommand[] | 'later' {
  const callback = get(state.callbacks, callbackId)
  if (callback === undefined || callback.dialled !== null) return []
  const { ownerId, queueId, number } = callback
  if (ownerId !== null && !plays.has(ownerId)) return []
  const free = values(state.agents).find(
    (a) =>
      plays.has(a.id) &&
      a.state.name === 'ready' &&
      (ownerId === null ? queueId === null || a.shift?.queueIds.includes(queueId) : a.id === ownerId) &&
      mayCall(state.setUp, a.id, number),
  )
  return free === undefined ? 'later' : [{ kind: 'makeCall', agentId: free.id, typed: '', customer: null, callbackId }]
}

/** By whom it was given to, or anybody at work. */
export function doTask(state: FloorState, plays: ReadonlySet<AgentId>, taskId: TaskId): readonly AgentCommand[] {
  const task = get(state.tasks, taskId)
  const doer = values(state.agents).find((a) => plays.has(a.id) && a.shift !== null && (task?.assigneeId == null || a.id === task.assigneeId))
  return task === undefined || doer === undefined ? [] : [{ kind: 'closeTask', agentId: doer.id, taskId }]
}
