// The public network has lines that are far away and lines that lose something: what its far ends measure is reported once somebody is on them.
import { connectionOf } from '@/core/calls'
import type { CallId, DeviceId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { type Acts, chanceIn, type Scene, type Sees } from './scene'

/** A few seconds of sound tell how a line is. */
const MEASURED_AFTER_MS = 2_500

export const LINES: Acts<'measureLine'> = {
  measureLine(scene, { callId, deviceId }, floor) {
    const call = get(floor.calls, callId)
    const party = call && connectionOf(call, deviceId)?.party
    if (party?.kind !== 'outside') return []
    const chance = chanceIn(scene, callId, `line ${deviceId}`)
    const kind = scene.stage.lines.find((l) => party.number?.startsWith(l.prefix))
    if (kind === undefined || chance.next() >= kind.often) return []
    return [{ kind: 'lineMeasured', callId, deviceId, line: kind.line }]
  },
}

const isOutside = (floor: FloorState, callId: CallId, deviceId: DeviceId): boolean => {
  const call = get(floor.calls, callId)
  return call !== undefined && connectionOf(call, deviceId)?.party.kind === 'outside'
}

export const LINES_SEE: Sees = {
  callQueued: ({ note }: Scene, { callId, callerDeviceId }, _, atMs) =>
    note(atMs + MEASURED_AFTER_MS, { kind: 'measureLine', callId, deviceId: callerDeviceId }),
  connectionEstablished({ note }, { callId, deviceId }, floor, atMs) {
    if (isOutside(floor, callId, deviceId)) note(atMs + MEASURED_AFTER_MS, { kind: 'measureLine', callId, deviceId })
  },
}
