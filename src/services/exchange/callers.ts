// Callers who wait, one by one, for those who answer for the floor: who they are is nobody else's to see before they ring.
import { callerLabel } from '@/core/directory'
import type { CallId, QueueId } from '@/core/ids'
import type { FloorState } from '@/core/state'
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

export const callersOf = (state: FloorState): readonly WaitingCaller[] =>
  (Object.entries(state.waiting) as [QueueId, readonly CallId[]][]).flatMap(([queueId, line]) =>
    line.slice(0, MOST_NAMED).flatMap((callId) => {
      const call = get(state.calls, callId)
      return call === undefined ? [] : [{ callId, queueId, label: callerLabel(call), sinceMs: call.offeredAtMs, kept: call.keptFor !== null }]
    }),
  )
