// What time itself will change and when: ends that reach the network, rings and parkings over their limit, calls that
// have waited long enough to overflow, notes that end, wrap-ups over their limit, callbacks nobody has made.
import type { WrapUp } from '@/core/agents'
import { escalationDueAtMs } from '@/core/callbacks'
import { type Call, ringDueAtMs, waitsIn } from '@/core/calls'
import type { AgentId, AttemptId, CallbackId, CallId, MessageId, WorkId } from '@/core/ids'
import { nextStep, routingRules } from '@/core/queues'
import { get } from '@/core/table'
import { offerDueAtMs, type Thread, threadWaitsIn } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import type { FloorState } from './floor-state'
import { type Place, put, remove, setFact } from './journal'
import type { Due } from './rows'

type Ruled = Pick<FloorState, 'setUp' | 'storm'>

const NOTE = 'note '
const DESK = 'desk '
const CALL = 'call '
const CALLBACK = 'callback '
const ATTEMPT = 'attempt '
const PREVIEW = 'preview '
const MESSAGE = 'message '
const THREAD = 'thread '
const wrapUpKey = (agentId: AgentId, callId: CallId): string => `wrapUp ${agentId} ${callId}`

/** Everything whose time has come by then, in the order it was set in. */
export function dueBy(state: FloorState, atMs: EpochMs): readonly Due[] {
  const all: Due[] = []
  for (const due of state.due.values()) if (due.atMs <= atMs) all.push(due)
  return all.sort((a, b) => a.no - b.no)
}

export function setCallDue(place: Place, callId: CallId, before: Call | undefined, after: Call | null): void {
  const { state } = place
  const was = before === undefined ? null : callDueAtMs(state, before)
  const is = after === null ? null : callDueAtMs(state, after)
  if (was !== is) setDue(place, CALL + callId, is === null ? null : { kind: 'call', callId, atMs: is })
}

/** Every call and every thread anew: the rules themselves have changed. */
export function setCallsDue(place: Place): void {
  const { state } = place
  for (const thread of state.threads.values()) setThreadDue(place, thread.id, thread)
  for (const call of state.calls.values()) {
    const atMs = callDueAtMs(state, call)
    setDue(place, CALL + call.id, atMs === null ? null : { kind: 'call', callId: call.id, atMs })
  }
}

export function setNoteDue(place: Place, agentId: AgentId, untilMs: EpochMs | null): void {
  setDue(place, NOTE + agentId, untilMs === null ? null : { kind: 'note', agentId, atMs: untilMs })
}

/** When something follows from a desk that is lost. */
export const setDeskDue = (place: Place, agentId: AgentId, atMs: EpochMs | null): void =>
  setDue(place, DESK + agentId, atMs === null ? null : { kind: 'desk', agentId, atMs })

/** The limits of an agent's wrap-ups, after some of them have changed. */
export function setWrapUpsDue(place: Place, agentId: AgentId, before: readonly WrapUp[], after: readonly WrapUp[]): void {
  for (const { callId } of before) if (!after.some((w) => w.callId === callId)) remove(place, 'due', wrapUpKey(agentId, callId))
  for (const { callId, startedAtMs, limitMs } of after)
    setDue(place, wrapUpKey(agentId, callId), limitMs === null ? null : { kind: 'wrapUp', agentId, callId, atMs: startedAtMs + limitMs })
}

/** When nobody will have called by then. */
export function setCallbackDue(place: Place, callbackId: CallbackId): void {
  const { state } = place
  const callback = get(state.callbacks, callbackId)
  const atMs = callback === undefined ? null : escalationDueAtMs(callback, state.setUp.callbackMissedAfterMs)
  setDue(place, CALLBACK + callbackId, atMs === null ? null : { kind: 'callback', callbackId, atMs })
}

export function setAttemptDue(place: Place, attemptId: AttemptId, atMs: EpochMs | null): void {
  const key = ATTEMPT + attemptId
  if ((get(place.state.due, key)?.atMs ?? null) !== atMs) setDue(place, key, atMs === null ? null : { kind: 'attempt', attemptId, atMs })
}

export function setPreviewDue(place: Place, agentId: AgentId, atMs: EpochMs | null): void {
  setDue(place, PREVIEW + agentId, atMs === null ? null : { kind: 'preview', agentId, atMs })
}

/** What is deleted goes for good then; null for what stands. */
export const setMessageDue = (place: Place, messageId: MessageId, atMs: EpochMs | null): void =>
  setDue(place, MESSAGE + messageId, atMs === null ? null : { kind: 'message', messageId, atMs })

export function setThreadDue(place: Place, threadId: WorkId, thread: Thread | null): void {
  const key = THREAD + threadId
  const atMs = thread === null ? null : threadDueAtMs(place.state, thread)
  if ((get(place.state.due, key)?.atMs ?? null) !== atMs) setDue(place, key, atMs === null ? null : { kind: 'thread', threadId, atMs })
}

/** When its offer goes on, it overflows, or it comes back from where it was put aside. */
function threadDueAtMs(state: Ruled, thread: Thread): EpochMs | null {
  return thread.parkedUntilMs ?? offerDueAtMs(thread, state.setUp.ringLimitMs) ?? threadOverflowDueAtMs(state, thread)
}

/** When a waiting thread is next offered to further agents; null when it waits for nobody else. */
export function threadOverflowDueAtMs({ setUp, storm }: Ruled, thread: Thread): EpochMs | null {
  const queueId = threadWaitsIn(thread)
  const rules = queueId === null ? undefined : routingRules(setUp, storm).queues.get(queueId)
  const step = rules && nextStep(rules, thread.alsoFor)
  return step === undefined ? null : thread.linedUpMs + step.afterMs
}

type Unnumbered<T> = T extends unknown ? Omit<T, 'no'> : never

function setDue(place: Place, key: string, due: Unnumbered<Due> | null): void {
  if (due === null) return remove(place, 'due', key)
  const no = place.state.dueCount + 1
  setFact(place, 'dueCount', no)
  put(place, 'due', key, { ...due, no })
}

function callDueAtMs(state: Ruled, call: Call): EpochMs | null {
  const ring = ringDueAtMs(call, state.setUp.ringLimitMs)
  const overflow = overflowDueAtMs(state, call)
  return ring === null ? overflow : Math.min(ring, overflow ?? Infinity)
}

/** When a waiting call is next offered to further agents; null when it waits for nobody else. */
export function overflowDueAtMs({ setUp, storm }: Ruled, call: Call): EpochMs | null {
  // Nobody is in a hurry for a message.
  const queueId = call.messageId === null ? waitsIn(call) : null
  const rules = queueId === null ? undefined : routingRules(setUp, storm).queues.get(queueId)
  const step = rules && nextStep(rules, call.alsoFor)
  const queued = call.connections.find((c) => c.state === 'queued')
  return step === undefined || queued === undefined ? null : queued.sinceMs + step.afterMs
}
