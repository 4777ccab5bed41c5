// Rings over their limit.
import { type Call, services } from '@/core/calls'
import { MISSED_RING } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'

/**
 * A ring over its limit. A queue's call goes to the next agent, and the one who missed it is set not ready and told so by the
 * reason; who consults or adds somebody sees that they do not answer; a handover goes back where it came from.
 */
export function ringOut(draft: Draft, call: Call): void {
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
