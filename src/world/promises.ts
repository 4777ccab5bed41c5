// What colleagues do about callbacks and tasks: most are done when they are due, some later, and some are forgotten.
import type { Callback } from '@/core/callbacks'
import { createChance, seedFor } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { CallbackId, TaskId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { HOUR, MINUTE } from '@/core/time'
import { mayCall } from './codes'
import type { Acts, Scene } from './scene'

const FORGOTTEN_OFTEN = 0.1
/** Of those that were missed, so many nobody minds until tomorrow. */
const LEFT_OFTEN = 0.2
const TASK_LEFT_OFTEN = 0.25

const LATER_MS = MINUTE

/** How long after its time somebody gets to a callback; null when nobody remembers. */
function callBackInMs(seed: number, callback: Callback): number | null {
  const isMissed = callback.escalatedAtMs !== null
  const chance = createChance(seedFor(seed, `call back ${callback.id} ${isMissed}`))
  if (chance.next() < (isMissed ? LEFT_OFTEN : FORGOTTEN_OFTEN)) return null
  return isMissed ? 5 * MINUTE + chance.exponential(30 * MINUTE) : chance.exponential(3 * MINUTE)
}

export function mindCallback({ memory, note }: Scene, state: FloorState, callbackId: CallbackId, atMs: number): void {
  const callback = get(state.callbacks, callbackId)
  const inMs = callback === undefined ? null : callBackInMs(memory.seed, callback)
  if (callback !== undefined && inMs !== null) note(Math.max(atMs, callback.dueAtMs) + inMs, { kind: 'callBack', callbackId })
}

export function mindTask({ memory, note }: Scene, taskId: TaskId, atMs: number): void {
  const chance = createChance(seedFor(memory.seed, `task ${taskId}`))
  if (chance.next() >= TASK_LEFT_OFTEN) note(atMs + 30 * MINUTE + chance.exponential(2 * HOUR), { kind: 'doTask', taskId })
}

/** Callbacks and tasks that are open when the world begins. */
export function mindOpen(scene: Scene, state: FloorState, atMs: number): void {
  for (const { id } of values(state.callbacks).sort((a, b) => (a.id < b.id ? -1 : 1))) mindCallback(scene, state, id, atMs)
  for (const { taskId } of values(state.tasks).sort((a, b) => (a.taskId < b.taskId ? -1 : 1))) mindTask(scene, taskId, atMs)
}

/** By its owner, or whoever serves the queue and is free; `later` when nobody of them is. */
function callBack({ stage, memory: { plays, gone } }: Scene, state: FloorState, callbackId: CallbackId): readonly AgentCommand[] | 'later' {
  const callback = get(state.callbacks, callbackId)
  if (callback === undefined || callback.dialled !== null) return []
  const { ownerId, queueId, number } = callback
  if (ownerId !== null && !plays.has(ownerId)) return []
  const free = values(state.agents).find(
    (a) =>
      plays.has(a.id) &&
      !gone.has(a.id) &&
      a.state.name === 'ready' &&
      (ownerId === null ? queueId === null || a.shift?.queueIds.includes(queueId) : a.id === ownerId) &&
      mayCall(stage, state.setUp, a.id, number),
  )
  return free === undefined ? 'later' : [{ kind: 'makeCall', agentId: free.id, typed: '', customer: null, callbackId }]
}

export const PROMISES: Acts<'callBack' | 'doTask'> = {
  callBack(scene, act, floor, atMs) {
    // In a quiet world nobody is at work; whoever comes later minds it then.
    if (scene.memory.pace === 'quiet') return []
    const commands = callBack(scene, floor, act.callbackId)
    if (commands !== 'later') return commands
    scene.note(atMs + LATER_MS, act)
    return []
  },
  /** By whom it was given to, or anybody at work. */
  doTask({ memory: { plays, gone } }, { taskId }, floor) {
    const task = get(floor.tasks, taskId)
    const doer = values(floor.agents).find(
      (a) => plays.has(a.id) && !gone.has(a.id) && a.shift !== null && (task?.assigneeId == null || a.id === task.assigneeId),
    )
    return task === undefined || doer === undefined ? [] : [{ kind: 'closeTask', agentId: doer.id, taskId }]
  },
}
