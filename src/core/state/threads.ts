// The part of the floor's state that is written: threads, whose hands they are in, and the lines they wait in.
import { holdThread } from '@/core/agents'
import type { AgentId } from '@/core/ids'
import { dequeue, enqueue } from '@/core/queues'
import { get, must } from '@/core/table'
import { addressKey, COMES_BACK_MS, evolveThread, handsMoved, lastWroteIn, type Thread, type ThreadEvent, threadWaitsIn } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import { createWritten, followThread } from '@/core/work'
import { changeAgent, changeWork, dropClosed } from './change'
import { setThreadDue } from './due'
import { type Place, put, remove, setFact } from './journal'

export function evolveThreads(place: Place, event: ThreadEvent, atMs: EpochMs): void {
  const { before, after } = recallThread(place, event, atMs)
  hold(place, before, after, atMs)
}

/** The same of an earlier day: in whose hands it was then is nothing that happens to them now. */
export function recallThread(place: Place, event: ThreadEvent, atMs: EpochMs): { readonly before: Thread | undefined; readonly after: Thread } {
  const { state } = place
  const id = event.threadId
  const before = get(state.threads, id)
  const after = evolveThread(before, event, atMs)
  if (before === undefined) {
    setFact(place, 'threadCount', state.threadCount + 1)
    put(place, 'work', id, createWritten(after, event.kind === 'threadOpened'))
  }
  put(place, 'threads', id, after)
  if (event.kind === 'threadCalled') handOver(place, event, after)
  stand(place, before, after)
  setThreadDue(place, id, after.state === 'ended' ? null : after)
  if (get(state.work, id) !== undefined) changeWork(place, id, (work) => followThread(work, before, after, atMs))
  if (before === undefined) remove(place, 'lastWrote', addressKey(after))
  if (after.state === 'ended') {
    noteLastWrote(place, after, atMs)
    dropClosed(place, id)
  }
  return { before, after }
}

/** An answer to it comes back to who wrote it, for some days. */
function noteLastWrote(place: Place, thread: Thread, atMs: EpochMs): void {
  const last = lastWroteIn(thread)
  if (last === null) return
  for (const [key, { atMs: then }] of place.state.lastWrote) if (atMs - then > COMES_BACK_MS) remove(place, 'lastWrote', key)
  put(place, 'lastWrote', addressKey(thread), last)
}

/** The call goes on with what was said, the notes and the script; who rings owes one outcome for both. */
function handOver(place: Place, { callId, byAgentId }: Extract<ThreadEvent, { kind: 'threadCalled' }>, { id, channel, lines }: Thread): void {
  const { state } = place
  const [written, call] = [get(state.work, id), get(state.work, callId)]
  if (call !== undefined && written !== undefined) {
    const { notes, followUp, run } = written
    put(place, 'work', callId, { ...call, notes, followUp, run: call.run ?? run, fromThread: { id, channel, lines } })
  }
  if (written !== undefined) put(place, 'work', id, { ...written, codedBy: [...written.codedBy.filter((a) => a !== byAgentId), byAgentId] })
}

/** The agent has closed something, or gone ready anew: what they let pass may be offered to them again. */
export function forgetPassed(place: Place, agentId: AgentId): void {
  for (const thread of place.state.threads.values())
    if (thread.passedBy.some((p) => p.agentId === agentId))
      put(place, 'threads', thread.id, { ...thread, passedBy: thread.passedBy.filter((p) => p.agentId !== agentId) })
}

/** In whose hands it is, as the agents have it. */
function hold(place: Place, before: Thread | undefined, after: Thread, atMs: EpochMs): void {
  for (const { agentId, hand } of handsMoved(before, after)) changeAgent(place, agentId, (agent) => holdThread(agent, after.id, hand, atMs))
}

function stand(place: Place, before: Thread | undefined, after: Thread): void {
  const { state } = place
  const stood = before === undefined ? null : threadWaitsIn(before)
  const stands = threadWaitsIn(after)
  if (stood === stands) return
  let waiting = state.threadsWaiting
  if (stood !== null) waiting = dequeue(waiting, stood, after.id)
  if (stands !== null) waiting = enqueue(waiting, stands, after, (id) => must(state.threads, id).place)
  setFact(place, 'threadsWaiting', waiting)
}
