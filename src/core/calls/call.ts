// A call and its parties, however many, each with its own connection. Folded from events; holds no rule (decide.ts)
// and no knowledge of agents, queues or scripts beyond their ids.
import { type AgentId, type CallId, type DeviceId, deviceOfAgent, deviceOfQueue, type QueueId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { Connection, ConnectionState, Party } from './connection'
import type { CallEvent, Customer } from './event'

export type CallDirection = 'inbound' | 'outbound' | 'campaign' | 'internal'

export interface Call {
  readonly id: CallId
  readonly direction: CallDirection
  readonly queueId: QueueId | null
  readonly number: string | null
  readonly customer: Customer | null
  /** What the caller chose on the way in. */
  readonly path: string | null
  readonly offeredAtMs: EpochMs
  /** An agent and the outside party first heard each other. */
  readonly answeredAtMs: EpochMs | null
  /** Agents this call rang at in vain, and when: it is not offered to them again until they have gone ready anew. */
  readonly passedBy: readonly { readonly agentId: AgentId; readonly atMs: EpochMs }[]
  readonly connections: readonly Connection[]
}

export const connectionOf = (call: Call, deviceId: DeviceId): Connection | undefined => call.connections.find((c) => c.deviceId === deviceId)

export const agentConnection = (call: Call, agentId: AgentId): Connection | undefined => connectionOf(call, deviceOfAgent(agentId))

export const isPerson = (party: Party): boolean => party.kind !== 'queue'

/** The outside party's name when known, otherwise their number, otherwise `Withheld number`. */
export const callerLabel = (call: Pick<Call, 'customer' | 'number'>): string => call.customer?.name ?? call.number ?? 'Withheld number'

/** The call after the event; `null` once it is cleared. Throws on an event for a call that does not exist. */
export function evolveCall(call: Call | undefined, event: CallEvent, atMs: EpochMs): Call | null {
  if (event.kind === 'callQueued' || event.kind === 'callOriginated') return createCall(event, atMs)
  if (call === undefined) throw new Error(`${event.kind} for ${event.callId}, which does not exist`)
  switch (event.kind) {
    case 'connectionDelivered':
      return withConnection(nextToRing(call), fresh(event.deviceId, event.party, 'alerting', atMs))
    case 'connectionFailed':
      return withConnection(nextToRing(call), { ...fresh(event.deviceId, event.party, 'failed', atMs), failure: event.failure })
    case 'connectionEstablished':
      return established(call, event.deviceId, atMs)
    case 'connectionHeld':
      return inState(call, event.deviceId, 'held', atMs)
    case 'connectionRetrieved':
      return inState(call, event.deviceId, 'connected', atMs)
    case 'connectionCleared':
      return cleared(call, event.deviceId, atMs)
    case 'callCleared':
      return null
  }
}

function createCall(event: Extract<CallEvent, { kind: 'callQueued' | 'callOriginated' }>, atMs: EpochMs): Call {
  const common = { id: event.callId, number: event.number, customer: event.customer, offeredAtMs: atMs, answeredAtMs: null, passedBy: [] }
  if (event.kind === 'callOriginated')
    return {
      ...common,
      direction: 'outbound',
      queueId: null,
      path: null,
      connections: [fresh(deviceOfAgent(event.agentId), { kind: 'agent', agentId: event.agentId }, 'initiated', atMs)],
    }
  const caller: Party = { kind: 'outside', number: event.number, name: event.customer?.name ?? null }
  return {
    ...common,
    direction: 'inbound',
    queueId: event.queueId,
    path: event.path,
    connections: [
      fresh(event.callerDeviceId, caller, 'connected', atMs),
      fresh(deviceOfQueue(event.queueId), { kind: 'queue', queueId: event.queueId }, 'queued', atMs),
    ],
  }
}

function established(call: Call, deviceId: DeviceId, atMs: EpochMs): Call {
  const joined = inState(call, deviceId, 'connected', atMs)
  // The queue has done its work once a person answers: its connection becomes null.
  const connections = joined.connections.filter((c) => isPerson(c.party))
  const bothSides = connections.some((c) => c.party.kind === 'agent') && connections.some((c) => c.party.kind === 'outside')
  return { ...joined, connections, answeredAtMs: call.answeredAtMs ?? (bothSides ? atMs : null) }
}

/** Clearing an agent who was still ringing leaves the call in its queue and remembers whom it passed. */
function cleared(call: Call, deviceId: DeviceId, atMs: EpochMs): Call {
  const gone = connectionOf(call, deviceId)
  const rangInVain = gone?.state === 'alerting' && gone.party.kind === 'agent'
  const passedBy = rangInVain ? [...call.passedBy, { agentId: gone.party.agentId, atMs }] : call.passedBy
  return { ...call, passedBy, connections: call.connections.filter((c) => c.deviceId !== deviceId) }
}

/** Once the network rings the far end, the caller's own end goes from initiated to connected. */
const nextToRing = (call: Call): Call => ({
  ...call,
  connections: call.connections.map((c) => (c.state === 'initiated' ? { ...c, state: 'connected' as const } : c)),
})

const fresh = (deviceId: DeviceId, party: Party, state: ConnectionState, sinceMs: EpochMs): Connection => ({
  deviceId,
  party,
  state,
  sinceMs,
  failure: null,
})

const withConnection = (call: Call, connection: Connection): Call => ({
  ...call,
  connections: [...call.connections.filter((c) => c.deviceId !== connection.deviceId), connection],
})

const inState = (call: Call, deviceId: DeviceId, state: ConnectionState, sinceMs: EpochMs): Call => ({
  ...call,
  connections: call.connections.map((c) => (c.deviceId === deviceId ? { ...c, state, sinceMs } : c)),
})
