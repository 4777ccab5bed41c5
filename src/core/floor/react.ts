// What follows by itself from what a command did: a call answered opens its script, a handover that failed comes back,
// a call over owes its outcome, and whoever is free gets the next waiting call. Reactions name the event they follow from.
import { type CallEvent, type Failure, isOnLine } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import type { LedgerEntry } from '@/core/ledger'
import type { OutcomeEvent } from '@/core/outcomes'
import { get } from '@/core/table'
import { answered, openScript, recordPage } from './answered'
import { carryOut } from './contact'
import { type Draft, emit } from './draft'
import { rescueStranded, returnCall } from './handover'
import { freesSomebody, route } from './route'
import { agentOfDevice, type FloorState } from './state'
import { beginWrapUp } from './wrap-up'

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
  else beginWrapUp(draft, seq, agentId, contact)
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
