// Acts on callers who wait, and on the doors of queues.
import { type Call, connectionOf, waitsIn } from '@/core/calls'
import { deviceOutside } from '@/core/ids'
import { offer } from '@/core/rules/door'
import { barred } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { isAwaited } from '@/core/rules/shift'
import { agentName, queueSetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

/**
 * A call that waits goes to the head of its queue, to another queue, to an agent who is ready, or its caller is told to hang up and called when their turn
 * comes. Refused: noSuchCall, notWaitingNow, targetUnknown, agentNotReady, personComesTo, callerUnnumbered, alreadyAtHead.
 */
export function moveWaiting(draft: Draft, command: Of<'moveWaiting'>): Ruling {
  const { agentId, callId, to } = command
  const refused = barred(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  const call = get(draft.state.calls, callId)
  const queueId = call === undefined ? null : waitsIn(call)
  if (call === undefined || queueId === null) return refuse({ reason: 'notWaitingNow' })
  const no = mayMove(draft, call, command)
  if (no !== null) return no
  const by = { kind: 'waitingMoved', callId, byAgentId: agentId, to } as const
  emit(draft, null, by)
  const causedBy = draft.state.seq
  switch (to.kind) {
    case 'head':
      return emit(draft, causedBy, { kind: 'connectionQueued', callId, queueId, place: 'head' })
    case 'queue': {
      const own = call.connections.find((c) => c.state === 'queued')
      if (own !== undefined && to.queueId !== queueId) emit(draft, causedBy, { kind: 'connectionCleared', callId, deviceId: own.deviceId, cause: 'diverted' })
      return emit(draft, causedBy, { kind: 'connectionQueued', callId, queueId: to.queueId, place: 'tail' })
    }
    case 'agent':
      offer(draft, callId, to.agentId, causedBy)
      return null
    case 'callback':
      return emit(draft, causedBy, { kind: 'placeKept', callId, number: call.number ?? '' })
  }
}

function mayMove({ state }: Draft, call: Call, { to }: Of<'moveWaiting'>): Refused<RulingRefusal> | null {
  switch (to.kind) {
    case 'head':
      return state.waiting[waitsIn(call) ?? ('' as never)]?.[0] === call.id ? refuse({ reason: 'alreadyAtHead' }) : null
    case 'queue': {
      const queue = state.setUp.queues.find((q) => q.id === to.queueId && !q.retired)
      return queue === undefined || to.queueId === waitsIn(call) ? refuse({ reason: 'targetUnknown' }) : null
    }
    case 'agent': {
      const agent = get(state.agents, to.agentId)
      if (agent === undefined) return refuse({ reason: 'targetUnknown' })
      const name = agentName(state.setUp, to.agentId)
      if (agent.state.name !== 'ready') return refuse({ reason: 'agentNotReady', name })
      return isAwaited(state, agent) ? refuse({ reason: 'personComesTo', name }) : null
    }
    case 'callback':
      if (call.number === null) return refuse({ reason: 'callerUnnumbered' })
      return connectionOf(call, deviceOutside(call.id, 1)) === undefined ? refuse({ reason: 'notWaitingNow' }) : null
  }
}

/** Opens or closes a queue whatever its hours say; null gives it back to them. Refused: targetUnknown, doorUnchanged. */
export function setDoor(draft: Draft, { agentId, queueId, door }: Of<'setDoor'>): Ruling {
  const refused = barred(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  if (!draft.state.setUp.queues.some((q) => q.id === queueId && !q.retired)) return refuse({ reason: 'targetUnknown' })
  if ((draft.state.doors[queueId] ?? null) === door) return refuse({ reason: 'doorUnchanged', queue: queueSetUp(draft.state.setUp, queueId).name })
  return emit(draft, null, { kind: 'queueDoorSet', queueId, door, byAgentId: agentId })
}
