// What follows when somebody answers: an outcome owed before is void, a caller who kept their place is dialled, the script
// opens, and a queue that records begins to.
import { agentsOn, type CallEvent } from '@/core/calls'
import { type AgentId, type DeviceId, deviceOutside, type WorkId } from '@/core/ids'
import { openScript, recordPage } from '@/core/rules/closing'
import { takeMessage } from '@/core/rules/voicemail'
import { queueSetUp } from '@/core/set-up'
import { agentOfDevice, type Draft, emit, recordingIdFor } from '@/core/state'
import { get } from '@/core/table'
import { dialKept } from './kept-place'

/** Whoever takes a call they had left before no longer owes an outcome for it: the call goes on. */
export function answered(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionEstablished' }>): void {
  const agentId = agentOfDevice(deviceId)
  const agent = agentId === null ? undefined : get(draft.state.agents, agentId)
  if (agentId !== null && [...(agent?.wrapUps ?? []), ...(agent?.owed ?? [])].some((w) => w.callId === callId))
    emit(draft, seq, { kind: 'wrapUpEnded', agentId, callId })
  dialKept(draft, seq, callId)
  takeMessage(draft, seq, { callId, deviceId })
  openScript(draft, seq, { callId })
  recordFromAnswer(draft, seq, callId, agentId)
  dialExtension(draft, seq, callId, deviceId)
}

/** A number has answered: what was typed behind it is sent, in the name of whoever is on the call or, sent there by one who has left it, of who had it last. */
function dialExtension(draft: Draft, causedBy: number, callId: WorkId, deviceId: DeviceId): void {
  const call = get(draft.state.calls, callId)
  const party = call?.connections.find((c) => c.deviceId === deviceId)?.party
  if (call === undefined || party?.kind !== 'outside') return
  const digits = party.extension ?? (deviceId === deviceOutside(callId, 1) ? call.extension : null)
  const byAgentId = agentsOn(call)[0] ?? get(draft.state.work, call.workId ?? '')?.handledBy
  if (digits !== null && byAgentId != null) emit(draft, causedBy, { kind: 'digitsSent', callId, byAgentId, digits })
}

/**
 * A queue that records begins when an agent and the caller first hear each other, and also when the call was handed on to it and
 * one of its agents takes it. Who stopped a recording by hand is not overruled by somebody who only joins.
 */
function recordFromAnswer(draft: Draft, causedBy: number, callId: WorkId, agentId: AgentId | null): void {
  const call = get(draft.state.calls, callId)
  if (call === undefined || call.answeredAtMs === null || call.recording !== null || call.queueId === null) return
  const work = get(draft.state.work, callId)
  const takenNow = agentId !== null && work?.handledBy === agentId && work.handledSinceMs === draft.atMs
  if (call.answeredAtMs !== draft.atMs && !takenNow) return
  if (!queueSetUp(draft.state.setUp, call.queueId).records) return
  emit(draft, causedBy, { kind: 'recordingChanged', callId, recordingId: recordingIdFor(draft.state, callId), to: 'on', byAgentId: null })
  recordPage(draft, causedBy, { callId })
}
