// What follows when somebody answers: an outcome owed before is void, a caller who kept their place is dialled, the script
// opens, and a queue that records begins to.
import type { CallEvent } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import { pageOf } from '@/core/scripts'
import { queueSetUp, scriptFor, scriptVersion } from '@/core/set-up'
import { get } from '@/core/table'
import { dialKept } from './arrival'
import { type Draft, emit } from './draft'
import { agentOfDevice, recordingIdFor } from './state'

/** Whoever takes a call they had left before no longer owes an outcome for it: the call goes on. */
export function answered(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionEstablished' }>): void {
  const agentId = agentOfDevice(deviceId)
  const agent = agentId === null ? undefined : get(draft.state.agents, agentId)
  if (agentId !== null && [...(agent?.wrapUps ?? []), ...(agent?.owed ?? [])].some((w) => w.callId === callId))
    emit(draft, seq, { kind: 'wrapUpEnded', agentId, callId })
  dialKept(draft, seq, callId)
  openScript(draft, seq, callId)
  recordFromAnswer(draft, seq, callId)
}

/** A queue that records begins when an agent and the caller first hear each other. */
function recordFromAnswer(draft: Draft, causedBy: number, callId: Contact['callId']): void {
  const call = get(draft.state.calls, callId)
  if (call?.answeredAtMs !== draft.atMs || call.recording !== null || call.queueId === null) return
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
