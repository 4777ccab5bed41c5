// The floor's state and its fold over events. `evolve` never refuses: the event already happened.
import { type Agent, createAgent, evolveAgent } from '@/core/agents'
import { type Call, evolveCall } from '@/core/calls'
import { type Contact, createContact, evolveContact, isClosed } from '@/core/contacts'
import { type AgentId, type CallId, type QueueId, toAgentId } from '@/core/ids'
import { concernedAgents, type FloorEvent } from '@/core/ledger'
import { dequeue, enqueue, type Waiting } from '@/core/queues'
import type { SetUp } from '@/core/set-up'
import { emptyTable, get, must, put, remove, type Table } from '@/core/table'
import type { EpochMs } from '@/core/time'

export interface FloorState {
  readonly floorId: string
  readonly setUp: SetUp
  /** Of the last event folded in; 0 before the first. */
  readonly seq: number
  readonly atMs: EpochMs
  readonly callCount: number
  readonly agents: Table<Agent>
  readonly calls: Table<Call>
  /** Calls under way and calls whose outcome is owed. */
  readonly contacts: Table<Contact>
  readonly waiting: Waiting
}

export function createFloor(floorId: string, setUp: SetUp): FloorState {
  let agents: Table<Agent> = emptyTable()
  for (const { id } of setUp.agents) agents = put(agents, id, createAgent(id))
  return { floorId, setUp, seq: 0, atMs: 0, callCount: 0, agents, calls: emptyTable(), contacts: emptyTable(), waiting: {} }
}

/** Throws on an event that contradicts the state: that is damage or a bug, never a person's mistake. */
export function evolve(state: FloorState, event: FloorEvent, atMs: EpochMs): FloorState {
  const base = { ...state, seq: state.seq + 1, atMs }
  switch (event.kind) {
    case 'floorOpened':
      return { ...createFloor(event.floorId, event.setUp), seq: base.seq, atMs }
    case 'floorResumed':
      return base
    case 'shiftStarted':
    case 'shiftEnded':
    case 'agentReady':
    case 'agentNotReady':
    case 'wrapUpStarted':
    case 'wrapUpEnded':
    case 'muteChanged':
      return withAgents(base, event, [event.agentId], atMs)
    case 'outcomeSaved':
      return withAgents(
        withContact(base, event.callId, (contact) => evolveContact(contact, event, atMs)),
        event,
        [event.agentId],
        atMs,
      )
    case 'notesDrafted':
    case 'captionSpoken':
    case 'ringSilenced':
    case 'scriptStarted':
    case 'scriptPageShown':
    case 'scriptAnswered':
      return withContact(base, event.callId, (contact) => evolveContact(contact, event, atMs))
    default:
      return withCall(base, event, atMs)
  }
}

type CallEventOnFloor = Parameters<typeof evolveCall>[1]

function withCall(state: FloorState, event: CallEventOnFloor, atMs: EpochMs): FloorState {
  const before = get(state.calls, event.callId)
  const after = evolveCall(before, event, atMs)
  const onCall = (after ?? before)?.connections.flatMap((c) => (c.party.kind === 'agent' ? [c.party.agentId] : [])) ?? []
  const agentsMoved = withAgents(
    state,
    event,
    concernedAgents(event, () => onCall),
    atMs,
  )
  const calls = after === null ? remove(state.calls, event.callId) : put(state.calls, event.callId, after)
  return withWaiting(withContactOfCall({ ...agentsMoved, calls }, event, after, atMs), event.callId, before, after)
}

function withContactOfCall(state: FloorState, event: CallEventOnFloor, call: Call | null, atMs: EpochMs): FloorState {
  switch (event.kind) {
    case 'callQueued':
    case 'callOriginated': {
      const contact = createContact(call as Call)
      const handled = event.kind === 'callOriginated' ? { ...contact, handledBy: event.agentId, handledSinceMs: atMs } : contact
      return { ...state, callCount: state.callCount + 1, contacts: put(state.contacts, event.callId, handled) }
    }
    case 'connectionDelivered':
      return withContact(state, event.callId, (contact) => (contact.ringSilenced ? { ...contact, ringSilenced: false } : contact))
    case 'connectionEstablished': {
      const agentId = agentOfDevice(event.deviceId)
      if (agentId === null) return state
      return withContact(state, event.callId, (contact) => (contact.handledBy === null ? { ...contact, handledBy: agentId, handledSinceMs: atMs } : contact))
    }
    case 'callCleared':
      return withContact(state, event.callId, (contact) => ({ ...contact, endedAtMs: atMs }))
    default:
      return state
  }
}

/** The waiting line of the call's queue, after a call that stood in it left it or one that did not joined it. */
function withWaiting(state: FloorState, callId: CallId, before: Call | undefined, after: Call | null): FloorState {
  const stood = before === undefined ? null : waitsIn(before)
  const stands = after === null ? null : waitsIn(after)
  if (stood === stands) return after === null ? dropClosed(state, callId) : state
  const offeredAtMs = (id: CallId) => must(state.calls, id).offeredAtMs
  let { waiting } = state
  if (stood !== null) waiting = dequeue(waiting, stood, callId)
  if (stands !== null && after !== null) waiting = enqueue(waiting, stands, after, offeredAtMs)
  return after === null ? dropClosed({ ...state, waiting }, callId) : { ...state, waiting }
}

/** The queue a call waits in; null while it rings at an agent or is in no queue. */
function waitsIn(call: Call): QueueId | null {
  let queueId: QueueId | null = null
  for (const { state, party } of call.connections) {
    if (state === 'alerting') return null
    if (state === 'queued' && party.kind === 'queue') queueId = party.queueId
  }
  return queueId
}

function withContact(state: FloorState, callId: CallId, change: (contact: Contact) => Contact): FloorState {
  const contact = get(state.contacts, callId)
  if (contact === undefined) throw new Error(`no contact for ${callId}`)
  return dropClosed({ ...state, contacts: put(state.contacts, callId, change(contact)) }, callId)
}

function dropClosed(state: FloorState, callId: CallId): FloorState {
  const contact = get(state.contacts, callId)
  return contact !== undefined && isClosed(contact) ? { ...state, contacts: remove(state.contacts, callId) } : state
}

function withAgents(state: FloorState, event: Parameters<typeof evolveAgent>[1], ids: readonly AgentId[], atMs: EpochMs): FloorState {
  let { agents } = state
  for (const id of ids) agents = put(agents, id, evolveAgent(must(agents, id), event, atMs))
  return agents === state.agents ? state : { ...state, agents }
}

/** The agent whose device this is; null for outside parties and queues. */
export const agentOfDevice = (deviceId: string): AgentId | null => (deviceId.startsWith('dev_agent_') ? toAgentId(deviceId.slice('dev_'.length)) : null)
