// Callers who would rather not wait: they hang up, keep their place and are called back when their turn comes, or leave a message.
import { connectionOf, waitsIn } from '@/core/calls'
import { type CallId, deviceOutside } from '@/core/ids'
import { type Ruling, refuse } from '@/core/rules/rule'
import { reachedBy } from '@/core/rules/voicemail'
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

/** The caller goes on to the queue's mailbox. Refused: notWaiting, messagesNotTaken. */
export function leaveMessage(draft: Draft, { callId }: Extract<DoorCommand, { kind: 'leaveMessage' }>): Ruling<DoorRefusal> {
  const call = get(draft.state.calls, callId)
  const queueId = call && waitsIn(call)
  if (call === undefined || queueId == null || connectionOf(call, deviceOutside(callId, 1)) === undefined) return refuse({ reason: 'notWaiting' })
  const queue = queueSetUp(draft.state.setUp, queueId)
  if (!queue.takesMessages) return refuse({ reason: 'messagesNotTaken', queue: queue.name })
  return emit(draft, null, ...reachedBy({ kind: 'queue', queueId }, callId))
}

/** The agent has taken a call whose caller kept their place: now they are dialled. */
export function dialKept(draft: Draft, causedBy: number, callId: CallId): void {
  const call = get(draft.state.calls, callId)
  if (call === undefined || call.keptFor === null || call.messageId !== null || call.connections.some((c) => c.party.kind === 'outside')) return
  const party = { kind: 'outside', number: call.keptFor, name: call.customer?.name ?? null } as const
  emit(draft, causedBy, { kind: 'connectionInitiated', callId, deviceId: deviceOutside(callId, 1), party })
}
