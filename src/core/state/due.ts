// What time itself will change and when: ends that reach the network, rings and parkings over their limit, calls that
// have waited long enough to overflow, notes that end, wrap-ups over their limit, callbacks nobody has made.

import type { WrapUp } from '@/core/agents'
import { type Callback, escalationDueAtMs } from '@/core/callbacks'
import { type Call, ringDueAtMs, waitsIn } from '@/core/calls'
import type { AgentId, CallbackId, CallId, QueueId } from '@/core/ids'
import { nextStep, routingRules } from '@/core/queues'
import type { SetUp } from '@/core/set-up'
import { type Table, values } from '@/core/table'
import type { EpochMs } from '@/core/time'

export type Due =
  | { readonly kind: 'call'; readonly callId: CallId; readonly atMs: EpochMs }
  | { readonly kind: 'note'; readonly agentId: AgentId; readonly atMs: EpochMs }
  | { readonly kind: 'wrapUp'; readonly agentId: AgentId; readonly callId: CallId; readonly atMs: EpochMs }
  | { readonly kind: 'callback'; readonly callbackId: CallbackId; readonly atMs: EpochMs }

interface Ruled {
  readonly setUp: SetUp
  readonly storm: readonly QueueId[]
  readonly due: readonly Due[]
}

export function withCallDue(state: Ruled, callId: CallId, before: Call | undefined, after: Call | null): readonly Due[] {
  const was = before === undefined ? null : callDueAtMs(state, before)
  const is = after === null ? null : callDueAtMs(state, after)
  if (was === is) return state.due
  const others = was === null ? state.due : state.due.filter((d) => d.kind !== 'call' || d.callId !== callId)
  return is === null ? others : [...others, { kind: 'call', callId, atMs: is }]
}

/** Every call anew: the rules themselves have changed. */
export function withCallsDue<S extends Ruled & { readonly calls: Table<Call> }>(state: S): S {
  const due = values(state.calls).flatMap((call): Due[] => {
    const atMs = callDueAtMs(state, call)
    return atMs === null ? [] : [{ kind: 'call', callId: call.id, atMs }]
  })
  return { ...state, due: [...state.due.filter((d) => d.kind !== 'call'), ...due] }
}

export function withNoteDue(due: readonly Due[], agentId: AgentId, untilMs: EpochMs | null): readonly Due[] {
  const others = due.filter((d) => d.kind !== 'note' || d.agentId !== agentId)
  return untilMs === null ? others : [...others, { kind: 'note', agentId, atMs: untilMs }]
}

/** The limits of an agent's wrap-ups, after some of them have changed. */
export function withWrapUpsDue(due: readonly Due[], agentId: AgentId, wrapUps: readonly WrapUp[]): readonly Due[] {
  const others = due.filter((d) => d.kind !== 'wrapUp' || d.agentId !== agentId)
  const limited = wrapUps.flatMap(({ callId, startedAtMs, limitMs }): Due[] =>
    limitMs === null ? [] : [{ kind: 'wrapUp', agentId, callId, atMs: startedAtMs + limitMs }],
  )
  return limited.length === 0 && others.length === due.length ? due : [...others, ...limited]
}

export function withCallbackDue(due: readonly Due[], callbackId: CallbackId, callback: Callback | null, missedAfterMs: number): readonly Due[] {
  const others = due.filter((d) => d.kind !== 'callback' || d.callbackId !== callbackId)
  const atMs = callback === null ? null : escalationDueAtMs(callback, missedAfterMs)
  return atMs === null ? others : [...others, { kind: 'callback', callbackId, atMs }]
}

function callDueAtMs(state: Ruled, call: Call): EpochMs | null {
  const ring = ringDueAtMs(call, state.setUp.ringLimitMs)
  const overflow = overflowDueAtMs(state, call)
  return ring === null ? overflow : Math.min(ring, overflow ?? Infinity)
}

/** When a waiting call is next offered to further agents; null when it waits for nobody else. */
export function overflowDueAtMs({ setUp, storm }: Ruled, call: Call): EpochMs | null {
  const queueId = waitsIn(call)
  const rules = queueId === null ? undefined : routingRules(setUp, storm).queues.get(queueId)
  const step = rules && nextStep(rules, call.alsoFor)
  const queued = call.connections.find((c) => c.state === 'queued')
  return step === undefined || queued === undefined ? null : queued.sinceMs + step.afterMs
}

/** When time next changes something; null when nothing is due at any time. */
export const nextDueAtMs = ({ due }: Pick<Ruled, 'due'>): EpochMs | null =>
  due.length === 0 ? null : due.reduce((least, d) => Math.min(least, d.atMs), Infinity)
