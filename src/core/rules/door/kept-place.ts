// Callers who would rather hang up and keep their place than wait: they are called back when their turn comes.
import { connectionOf, waitsIn } from '@/core/calls'
import { type CallId, deviceOutside } from '@/core/ids'
import { type Ruling, refuse } from '@/core/rules/rule'
import { queueSetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { DoorCommand } from './commands'
import type { DoorRefusal } from './refusals'

/** The caller hangs up and is dialled when their turn comes. Refused: notWaiting, placesNotKept, numberWithheld. */
export function keepPlace(draft: Draft, { callId }: Extract<DoorCommand, { kind: 'keepPlace' }>): Ruling<DoorRefusal> {
  const call = get(draft.state.calls, callId)
  const queueId = call && waitsIn(call)
  if (call === undefined || queueId == null || connectionOf(call, deviceOutside(callId, 1)) === undefined) return refuse({ reason: 'notWaiting' })
  const queue = queueSetUp(draft.state.setUp, queueId)
  if (!queue.keepsPlaces) return refuse({ reason: 'placesNotKept', queue: queue.name })
  if (call.number === null) return refuse({ reason: 'numberWithheld' })
  return emit(draft, null, { kind: 'placeKept', callId, number: call.number })
}

/** The agent has taken a call whose caller kept their place: now they are dialled. */
export function dialKept(draft: Draft, causedBy: number, callId: CallId): void {
  const call = get(draft.state.calls, callId)
  if (call === undefined || call.keptFor === null || call.connections.some((c) => c.party.kind === 'outside')) return
  const party = { kind: 'outside', number: call.keptFor, name: call.customer?.name ?? null } as const
  emit(draft, causedBy, { kind: 'connectionInitiated', callId, deviceId: deviceOutside(callId, 1), party })
}
