// What follows when somebody answers: an outcome owed before is void, a caller who kept their place is dialled, the script
// opens, and a queue that records begins to.
import { agentsOn, type CallEvent } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import { type AgentId, type DeviceId, deviceOutside } from '@/core/ids'
import { pageOf } from '@/core/scripts'
import { queueSetUp, scriptFor, scriptVersion } from '@/core/set-up'
import { get } from '@/core/table'
import { type Draft, emit } from './draft'
import { dialKept } from './kept-place'
import { agentOfDevice, recordingIdFor } from './state'

/** Whoever takes a call they had left before no longer owes an outcome for it: the call goes on. */
export function answered(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionEstablished' }>): void {
  const agentId = agentOfDevice(deviceId)
  const agent = agentId === null ? undefined : get(draft.state.agents, agentId)
  if (agentId !== null && [...(agent?.wrapUps ?? []), ...(agent?.owed ?? [])].some((w) => w.callId === callId))
    emit(draft, seq, { kind: 'wrapUpEnded', agentId, callId })
  dialKept(draft, seq, callId)
  openScript(draft, seq, callId)
  recordFromAnswer(draft, seq, callId, agentId)
  dialExtension(draft, seq, callId, deviceId)
}

/** The number that was dialled has answered: what was typed behind it is sent. */
function dialExtension(draft: Draft, causedBy: number, callId: Contact['callId'], deviceId: DeviceId): void {
  const call = get(draft.state.calls, callId)
  if (call?.extension == null || deviceId !== deviceOutside(callId, 1)) return
  const [byAgentId] = agentsOn(call)
  if (byAgentId !== undefined) emit(draft, causedBy, { kind: 'digitsSent', callId, byAgentId, digits: call.extension })
}

/**
 * A queue that records begins when an agent and the caller first hear each other, and also when the call was handed on to it and
 * one of its agents takes it. Who stopped a recording by hand is not overruled by somebody who only joins.
 */
function recordFromAnswer(draft: Draft, causedBy: number, callId: Contact['callId'], agentId: AgentId | null): void {
  const call = get(draft.state.calls, callId)
  if (call === undefined || call.answeredAtMs === null || call.recording !== null || call.queueId === null) return
  const contact = get(draft.state.contacts, callId)
  const takenNow = agentId !== null && contact?.handledBy === agentId && contact.handledSinceMs === draft.atMs
  if (call.answeredAtMs !== draft.atMs && !takenNow) return
  if (!queueSetUp(draft.state.setUp, call.queueId).records) return
  emit(draft, causedBy, { kind: 'recordingChanged', callId, recordingId: recordingIdFor(draft.state, callId), to: 'on', byAgentId: null })
  recordPage(draft, causedBy, callId, null)
}

/** A recording pauses when a sensitive page is shown and goes on when it is left for another. */
export function recordPage(draft: Draft, causedBy: number, callId: Contact['callId'], leaves: string | null): void {
  const recording = get(draft.state.calls, callId)?.recording
  const run = get(draft.state.contacts, callId)?.run
  if (recording == null || run == null) return
  const script = scriptVersion(draft.state.setUp, run)
  const now = pageOf(script, run.pageId).sensitive
  const wasSensitive = leaves !== null && pageOf(script, leaves).sensitive
  const to = now ? 'paused' : wasSensitive ? 'on' : recording.state
  if (to !== recording.state) emit(draft, causedBy, { kind: 'recordingChanged', callId, recordingId: recording.recordingId, to, byAgentId: null })
}

export function openScript(draft: Draft, causedBy: number, callId: Contact['callId']): void {
  const contact = get(draft.state.contacts, callId)
  if (contact === undefined) return
  const script = scriptFor(draft.state.setUp, contact.queueId, { path: contact.path, group: contact.customer?.group ?? null })
  if (contact.run !== null || contact.handledBy === null || script === null) return
  emit(draft, causedBy, { kind: 'scriptStarted', callId, scriptId: script.id, version: script.version, pageId: script.startPage })
}
