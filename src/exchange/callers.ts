// Callers who wait, one by one, for those who answer for the floor: who they are is nobody else's to see before they ring.
import { callerLabel } from '@/core/directory'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { type FloorState, revisionOf } from '@/core/state'
import { get } from '@/core/table'

export interface WaitingCaller {
  readonly callId: CallId
  readonly queueId: QueueId
  readonly label: string
  readonly sinceMs: number
  /** They have hung up and are called when their turn comes. */
  readonly kept: boolean
}

/** More of one queue than this are counted, not named. */
const MOST_NAMED = 40

/** The part of an account, made anew when calls have changed; null of one that does not supervise. */
export function createCallers(state: FloorState): (accountId: AgentId) => readonly WaitingCaller[] | null {
  let revision = -1
  let callers: readonly WaitingCaller[] = []
  return (accountId) => {
    if (unentitled(state, accountId, 'supervision') !== null) return null
    const now = revisionOf(state, 'calls')
    if (now !== revision) callers = callersOf(state)
    revision = now
    return callers
  }
}

export const callersOf = (state: FloorState): readonly WaitingCaller[] =>
  (Object.entries(state.waiting) as [QueueId, readonly CallId[]][]).flatMap(([queueId, line]) =>
    line.slice(0, MOST_NAMED).flatMap((callId) => {
      const call = get(state.calls, callId)
      return call === undefined ? [] : [{ callId, queueId, label: callerLabel(call), sinceMs: call.offeredAtMs, kept: call.keptFor !== null }]
    }),
  )
