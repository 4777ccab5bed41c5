// What the network and time do: callers arrive, hang up and speak, far ends answer or fail, limits run out.
import { type Call, connectionOf, isOnLine, services } from '@/core/calls'
import { type CallId, type DeviceId, deviceOutside } from '@/core/ids'
import { MISSED_RING } from '@/core/set-up'
import { get } from '@/core/table'
import type { EpochMs } from '@/core/time'
import { arrive, overflow } from './arrival'
import { carryOutClearing } from './clearing'
import type { NetworkCommand } from './command'
import { type Draft, emit, type Ruling, refuse } from './draft'
import { returnCall } from './handover'
import { keepPlace } from './kept-place'
import type { FloorState } from './state'
import { endAtLimit } from './wrap-up'

export function ruleNetwork(draft: Draft, command: NetworkCommand): Ruling {
  switch (command.kind) {
    case 'callArrives':
      return arrive(draft, command)
    case 'keepPlace':
      return keepPlace(draft, command.callId)
    case 'farEnd':
      return onCall(draft, command.callId, (call) => services.reportFarEnd(call, deviceOf(command), command.report))
    case 'callerHangsUp':
      return onCall(draft, command.callId, (call) => {
        const gone = connectionOf(call, deviceOf(command))
        // Who has not answered yet cannot hang up: the network reports that as refused or no answer.
        if (gone !== undefined && !isOnLine(gone)) return { ok: false, refusal: { reason: 'notConnected' } }
        return services.clearConnection(call, deviceOf(command), call.answeredAtMs === null ? 'abandoned' : 'hungUp')
      })
    case 'callerSays': {
      const { callId, deviceId, turn, text } = command
      if (get(draft.state.calls, callId) === undefined) return refuse({ reason: 'noSuchCall' })
      return emit(draft, null, { kind: 'captionSpoken', callId, turn, text, ...(deviceId === undefined ? {} : { deviceId }) })
    }
    case 'digitsHeard': {
      const { callId, deviceId, digits } = command
      const hears = get(draft.state.calls, callId)?.connections.some((c) => c.deviceId === deviceId && c.state === 'connected')
      return hears ? emit(draft, null, { kind: 'digitsReceived', callId, deviceId, digits }) : refuse({ reason: 'noSuchParty' })
    }
    case 'passTime':
      return passTime(draft)
  }
}

const deviceOf = ({ callId, deviceId }: { readonly callId: CallId; readonly deviceId?: DeviceId }): DeviceId => deviceId ?? deviceOutside(callId, 1)

function onCall(draft: Draft, callId: CallId, service: (call: Call) => ReturnType<typeof services.hold>): Ruling {
  const call = get(draft.state.calls, callId)
  if (call === undefined) return refuse({ reason: 'noSuchCall' })
  const decision = service(call)
  return decision.ok ? emit(draft, null, ...decision.events) : refuse(decision.refusal)
}

/** Everything whose time has come: ends reach the network, parked calls ring back, rings over their limit move on. */
function passTime(draft: Draft): null {
  for (const due of draft.state.due) {
    if (due.atMs > draft.atMs) continue
    if (due.kind === 'note') {
      emit(draft, null, { kind: 'noteCleared', agentId: due.agentId, because: 'overdue' })
      continue
    }
    if (due.kind === 'wrapUp') {
      endAtLimit(draft, due.agentId, due.callId)
      continue
    }
    if (due.kind === 'callback') {
      emit(draft, null, { kind: 'callbackEscalated', callbackId: due.callbackId })
      continue
    }
    const { callId } = due
    const call = get(draft.state.calls, callId)
    if (call === undefined) continue
    if (call.clearing !== null && call.clearing.dueAtMs <= draft.atMs) carryOutClearing(draft, call)
    else if (call.handover?.dueAtMs != null && call.handover.dueAtMs <= draft.atMs) {
      // The slot gives the call up by itself: that is the event all else follows from.
      returnCall(draft, call, 'noAnswer', null)
    } else {
      overflow(draft, call)
      ringOut(draft, call)
    }
  }
  return null
}

/**
 * A ring over its limit. A queue's call goes to the next agent, and the one who missed it is set not ready and told so by the
 * reason; who consults or adds somebody sees that they do not answer; a handover goes back where it came from.
 */
function ringOut(draft: Draft, call: Call): void {
  for (const c of call.connections) {
    if (c.state !== 'alerting' || c.party.kind !== 'agent' || c.sinceMs + draft.state.setUp.ringLimitMs > draft.atMs) continue
    const at = { callId: call.id, deviceId: c.deviceId }
    if (services.isAwaited(call, c)) {
      emit(draft, null, { kind: 'connectionFailed', ...at, party: c.party, failure: 'noAnswer' })
      continue
    }
    emit(draft, null, { kind: 'connectionCleared', ...at, cause: 'noAnswer' })
    if (call.connections.some((x) => x.state === 'queued'))
      emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId: c.party.agentId, reason: MISSED_RING })
  }
}

/** When `passTime` next has something to do; null when nothing is due at any time. */
export const nextDueAtMs = ({ due }: FloorState): EpochMs | null => (due.length === 0 ? null : due.reduce((least, d) => Math.min(least, d.atMs), Infinity))
