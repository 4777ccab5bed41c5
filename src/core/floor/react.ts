// What follows by itself from what a command did: a call answered opens its script, a handover that failed comes back,
// a call over owes its outcome, and whoever is free gets the next waiting call. Reactions name the event they follow from.
import { type CallEvent, type Failure, isOnLine } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import { deviceOfAgent } from '@/core/ids'
import type { FloorEvent, LedgerEntry } from '@/core/ledger'
import type { OutcomeEvent } from '@/core/outcomes'
import { chooseAgent, inServiceOrder, type Waiting } from '@/core/queues'
import { pageOf } from '@/core/scripts'
import { queueSetUp, type SetUp, scriptById, scriptFor } from '@/core/set-up'
import { get, must, values } from '@/core/table'
import { carryOut } from './contact'
import { type Draft, emit } from './draft'
import { rescueStranded, returnCall } from './handover'
import { agentOfDevice, type FloorState, recordingIdFor } from './state'

/** Wrap-up recommended after a call that no queue gives a time for. */
const OUTSIDE_WRAP_UP_MS = 30_000

export function react(draft: Draft, before: FloorState): void {
  const primary = draft.entries.slice()
  for (const entry of primary) follow(draft, entry, before)
  if (draft.entries.some(({ event }) => freesSomebody(event))) route(draft)
}

function follow(draft: Draft, { seq, event }: LedgerEntry, before: FloorState): void {
  switch (event.kind) {
    case 'connectionEstablished':
      return answered(draft, seq, event)
    case 'callsJoined':
      return openScript(draft, seq, event.callId)
    case 'scriptPageShown':
      return recordPage(draft, seq, event.callId, get(before.contacts, event.callId)?.run?.pageId ?? null)
    case 'connectionFailed':
      handoverFailed(draft, seq, event, event.failure)
      return rescue(draft, seq, event)
    case 'connectionCleared':
      if (event.cause === 'noAnswer' || event.cause === 'declined') handoverFailed(draft, seq, event, event.cause === 'declined' ? 'refused' : 'noAnswer')
      left(draft, seq, event, before)
      return rescue(draft, seq, event)
    default:
      return
  }
}

/** Whoever takes a call they had left before no longer owes an outcome for it: the call goes on. */
function answered(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionEstablished' }>): void {
  const agentId = agentOfDevice(deviceId)
  if (agentId !== null && get(draft.state.agents, agentId)?.wrapUps.some((w) => w.callId === callId)) emit(draft, seq, { kind: 'wrapUpEnded', agentId, callId })
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
function recordPage(draft: Draft, causedBy: number, callId: Contact['callId'], leaves: string | null): void {
  const recording = get(draft.state.calls, callId)?.recording
  const run = get(draft.state.contacts, callId)?.run
  if (recording == null || run == null) return
  const script = scriptById(draft.state.setUp, run.scriptId)
  const now = pageOf(script, run.pageId).sensitive
  const wasSensitive = leaves !== null && pageOf(script, leaves).sensitive
  const to = now ? 'paused' : wasSensitive ? 'on' : recording.state
  if (to !== recording.state) emit(draft, causedBy, { kind: 'recordingChanged', callId, recordingId: recording.recordingId, to, byAgentId: null })
}

function openScript(draft: Draft, causedBy: number, callId: Contact['callId']): void {
  const contact = get(draft.state.contacts, callId)
  if (contact === undefined) return
  const script = scriptFor(draft.state.setUp, contact.queueId)
  if (contact.run !== null || contact.handledBy === null || script === null) return
  emit(draft, causedBy, { kind: 'scriptStarted', callId, scriptId: script.id, version: script.version, pageId: script.startPage })
}

function handoverFailed(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { deviceId: unknown }>, failure: Failure): void {
  const call = get(draft.state.calls, callId)
  if (call?.handover?.toDeviceId === deviceId) returnCall(draft, call, failure, seq)
}

/** The agent who handled a call and leaves it owes its outcome, or has given it and goes on as they chose. */
function left(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionCleared' }>, before: FloorState): void {
  const agentId = agentOfDevice(deviceId)
  const contact = get(before.contacts, callId)
  if (agentId === null || contact?.handledBy !== agentId) return
  // A ring in vain at somebody who had left before is not leaving again.
  const was = get(before.calls, callId)?.connections.find((c) => c.deviceId === deviceId)?.state
  if (was === 'alerting' || was === 'failed' || was === undefined) return
  const outcome = outcomeOf(draft, contact, agentId)
  if (outcome !== null) carryOut(draft, agentId, outcome.andThen)
  else emit(draft, seq, { kind: 'wrapUpStarted', agentId, callId, recommendedMs: recommendedWrapUpMs(draft.state.setUp, contact) })
  const next = get(draft.state.calls, callId)?.connections.find((c) => c.party.kind === 'agent' && isOnLine(c))?.party
  if (next?.kind === 'agent') emit(draft, seq, { kind: 'contactTaken', callId, agentId: next.agentId })
}

function outcomeOf(draft: Draft, before: Contact, agentId: Contact['handledBy']): OutcomeEvent | null {
  for (const { event } of draft.entries) if (event.kind === 'outcomeSaved' && event.callId === before.callId && event.agentId === agentId) return event
  return agentId !== null && before.codedBy.includes(agentId) ? before.outcome : null
}

function rescue(draft: Draft, seq: number, { callId }: Extract<CallEvent, { kind: 'connectionCleared' | 'connectionFailed' }>): void {
  const call = get(draft.state.calls, callId)
  if (call !== undefined) rescueStranded(draft, call, seq)
}

const recommendedWrapUpMs = (setUp: SetUp, contact: Contact): number =>
  contact.queueId === null ? OUTSIDE_WRAP_UP_MS : queueSetUp(setUp, contact.queueId).recommendedWrapUpMs

/** Events after which a waiting call may find an agent it could not find before. */
function freesSomebody({ kind }: FloorEvent): boolean {
  return (
    kind === 'callQueued' ||
    kind === 'connectionQueued' ||
    kind === 'agentReady' ||
    kind === 'connectionCleared' ||
    kind === 'connectionFailed' ||
    kind === 'wrapUpEnded'
  )
}

/** Offers waiting calls to ready agents until one of the two runs out. */
function route(draft: Draft): void {
  if (!anybodyWaits(draft.state.waiting)) return
  let ready = values(draft.state.agents).filter((a) => a.state.name === 'ready')
  const causedBy = draft.state.seq
  for (const queue of inServiceOrder(draft.state.setUp.queues))
    for (const callId of draft.state.waiting[queue.id] ?? []) {
      if (ready.length === 0) return
      const agent = chooseAgent(queue.id, must(draft.state.calls, callId), ready)
      if (agent === undefined) continue
      ready = ready.filter((a) => a !== agent)
      emit(draft, causedBy, {
        kind: 'connectionDelivered',
        callId,
        deviceId: deviceOfAgent(agent.id),
        party: { kind: 'agent', agentId: agent.id },
      })
    }
}

function anybodyWaits(waiting: Waiting): boolean {
  for (const queueId in waiting) if ((waiting[queueId as keyof Waiting]?.length ?? 0) > 0) return true
  return false
}
