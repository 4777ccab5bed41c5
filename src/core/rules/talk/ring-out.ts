// Rings over their limit.
import { type Call, type Connection, services } from '@/core/calls'
import { MISSED_RING } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'

/**
 * A ring over its limit. A queue's call goes to the next agent, and the one who missed it is set not ready and told so by the
 * reason; who consults or adds somebody sees that they do not answer; a handover goes back where it came from; a call that nobody else is on is over.
 */
export function ringOut(draft: Draft, { id, connections }: Call): void {
  for (const c of connections) {
    if (c.state !== 'alerting' || c.party.kind !== 'agent' || c.sinceMs + draft.state.setUp.ringLimitMs > draft.atMs) continue
    // The ring before this one may have been the last of it.
    const call = get(draft.state.calls, id)
    if (call === undefined) return
    if (passRing(draft, call, c, 'noAnswer')) emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId: c.party.agentId, reason: MISSED_RING })
  }
}

/** It rings there no more, and goes on as one that nobody answered. Gives whether it was a call of a queue, which still has its place. */
export function passRing(draft: Draft, call: Call, c: Connection, cause: 'noAnswer' | 'failed'): boolean {
  const at = { callId: call.id, deviceId: c.deviceId }
  if (services.isAwaited(call, c)) {
    emit(draft, null, { kind: 'connectionFailed', ...at, party: c.party, failure: 'noAnswer' })
    return false
  }
  const queued = call.connections.some((x) => x.state === 'queued')
  if (queued) emit(draft, null, { kind: 'connectionCleared', ...at, cause })
  // Who sent it on hears why it comes back.
  else if (call.handover?.toDeviceId === c.deviceId) emit(draft, null, { kind: 'connectionCleared', ...at, cause: 'noAnswer' })
  else {
    const cleared = services.clearConnection(call, c.deviceId, 'noAnswer')
    if (cleared.ok) emit(draft, null, ...cleared.events)
  }
  return queued
}
