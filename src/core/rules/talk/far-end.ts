// What the network reports of a call: its far ends ring, answer, fail, speak, press digits and hang up.
import { type Call, type CallDecision, connectionOf, isOnLine, services } from '@/core/calls'
import { type CallId, type DeviceId, deviceOutside } from '@/core/ids'
import { refuse, take } from '@/core/rules/rule'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Refused: noSuchCall, and as the service does. */
export const farEnd = (draft: Draft, command: Of<'farEnd'>): Ruling =>
  onLiveCall(draft, command, (call) => services.reportFarEnd(call, deviceOf(command), command.report))

/** Refused: noSuchCall; notConnected for who has not answered yet: the network reports that as refused or no answer. */
export const callerHangsUp = (draft: Draft, command: Of<'callerHangsUp'>): Ruling =>
  onLiveCall(draft, command, (call) => {
    const gone = connectionOf(call, deviceOf(command))
    if (gone !== undefined && !isOnLine(gone)) return { ok: false, refusal: { reason: 'notConnected' } }
    return services.clearConnection(call, deviceOf(command), call.answeredAtMs === null ? 'abandoned' : 'hungUp')
  })

/** Refused: noSuchCall. */
export function callerSays(draft: Draft, { callId, deviceId, turn, text }: Of<'callerSays'>): Ruling {
  if (get(draft.state.calls, callId) === undefined) return refuse({ reason: 'noSuchCall' })
  return emit(draft, null, { kind: 'captionSpoken', callId, turn, text, ...(deviceId === undefined ? {} : { deviceId }) })
}

/** Refused: noSuchParty. */
export function lineMeasured(draft: Draft, { callId, deviceId, line }: Of<'lineMeasured'>): Ruling {
  const isThere = get(draft.state.calls, callId)?.connections.some((c) => c.deviceId === deviceId && c.party.kind === 'outside')
  return isThere ? emit(draft, null, { kind: 'lineMeasured', callId, deviceId, line }) : refuse({ reason: 'noSuchParty' })
}

/** Refused: noSuchParty. */
export function digitsHeard(draft: Draft, { callId, deviceId, digits }: Of<'digitsHeard'>): Ruling {
  const hears = get(draft.state.calls, callId)?.connections.some((c) => c.deviceId === deviceId && c.state === 'connected')
  return hears ? emit(draft, null, { kind: 'digitsReceived', callId, deviceId, digits }) : refuse({ reason: 'noSuchParty' })
}

interface OfParty {
  readonly callId: CallId
  readonly deviceId?: DeviceId
}

const deviceOf = ({ callId, deviceId }: OfParty): DeviceId => deviceId ?? deviceOutside(callId, 1)

function onLiveCall(draft: Draft, { callId }: OfParty, service: (call: Call) => CallDecision): Ruling {
  const call = get(draft.state.calls, callId)
  return call === undefined ? refuse({ reason: 'noSuchCall' }) : take(draft, service(call))
}
