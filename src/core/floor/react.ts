// What follows by itself from what a command did: a call answered opens its script, a call over owes its outcome,
// and whoever is free gets the next waiting call. Reactions name the event they follow from.
import type { Contact } from '@/core/contacts'
import { deviceOfAgent } from '@/core/ids'
import type { FloorEvent, LedgerEntry } from '@/core/ledger'
import { chooseAgent, inServiceOrder, type Waiting } from '@/core/queues'
import { queueSetUp, type SetUp, scriptFor } from '@/core/set-up'
import { get, must, values } from '@/core/table'
import { carryOut } from './contact'
import { type Draft, emit } from './draft'
import { agentOfDevice, type FloorState } from './state'

/** Wrap-up recommended after a call that no queue gives a time for. */
const OUTSIDE_WRAP_UP_MS = 30_000

export function react(draft: Draft, before: FloorState): void {
  const primary = draft.entries.slice()
  for (const entry of primary) follow(draft, entry, before)
  if (draft.entries.some(({ event }) => freesSomebody(event))) route(draft)
}

function follow(draft: Draft, { seq, event }: LedgerEntry, before: FloorState): void {
  if (event.kind === 'connectionEstablished') openScript(draft, seq, event.callId)
  if (event.kind !== 'connectionCleared') return
  const agentId = agentOfDevice(event.deviceId)
  const contact = get(before.contacts, event.callId)
  if (agentId === null || contact?.handledBy !== agentId) return
  if (contact.outcome !== null) carryOut(draft, agentId, contact.outcome.andThen)
  else emit(draft, seq, { kind: 'wrapUpStarted', agentId, callId: event.callId, recommendedMs: recommendedWrapUpMs(draft.state.setUp, contact) })
}

function openScript(draft: Draft, causedBy: number, callId: Contact['callId']): void {
  const contact = must(draft.state.contacts, callId)
  const script = scriptFor(draft.state.setUp, contact.queueId)
  if (contact.run !== null || contact.handledBy === null || script === null) return
  emit(draft, causedBy, { kind: 'scriptStarted', callId, scriptId: script.id, version: script.version, pageId: script.startPage })
}

const recommendedWrapUpMs = (setUp: SetUp, contact: Contact): number =>
  contact.queueId === null ? OUTSIDE_WRAP_UP_MS : queueSetUp(setUp, contact.queueId).recommendedWrapUpMs

/** Events after which a waiting call may find an agent it could not find before. */
function freesSomebody(event: FloorEvent): boolean {
  return event.kind === 'callQueued' || event.kind === 'agentReady' || event.kind === 'connectionCleared' || event.kind === 'wrapUpEnded'
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
