// Call control services on one call: each is decided into events or refused with a reason. Services that open a
// call (make call, and the network's arrival) are decided by the floor, which alone knows numbers and queues.
import { type AgentId, type DeviceId, deviceOfAgent } from '@/core/ids'
import { type Call, connectionOf, isPerson } from './call'
import type { ClearCause } from './connection'
import type { CallEvent } from './event'
import type { Failure } from './failure'

export type CallRefusal =
  | { readonly reason: 'noSuchCall' }
  | { readonly reason: 'notRinging' }
  | { readonly reason: 'notConnected' }
  | { readonly reason: 'alreadyHeld' }
  | { readonly reason: 'notHeld' }
  | { readonly reason: 'notOnCall' }
  | { readonly reason: 'nobodyToHold' }
  | { readonly reason: 'alreadyAnswered' }

export type CallDecision = { readonly ok: true; readonly events: readonly CallEvent[] } | { readonly ok: false; readonly refusal: CallRefusal }

const done = (...events: CallEvent[]): CallDecision => ({ ok: true, events })
const refuse = (reason: CallRefusal['reason']): CallDecision => ({ ok: false, refusal: { reason } })

/** Answer Call (ECMA-269, 17.1.3): the agent's alerting connection becomes connected. Refused: notRinging. */
export function answer(call: Call, agentId: AgentId): CallDecision {
  const mine = connectionOf(call, deviceOfAgent(agentId))
  if (mine?.state !== 'alerting') return refuse('notRinging')
  return done({ kind: 'connectionEstablished', callId: call.id, deviceId: mine.deviceId })
}

/** Hold Call (17.1.15): the agent's own connection becomes held; the others stay as they are. */
export function hold(call: Call, agentId: AgentId): CallDecision {
  const mine = connectionOf(call, deviceOfAgent(agentId))
  if (mine === undefined) return refuse('notOnCall')
  if (mine.state === 'held') return refuse('alreadyHeld')
  if (mine.state !== 'connected') return refuse('notConnected')
  const others = call.connections.filter((c) => c !== mine && isPerson(c.party))
  if (!others.some((c) => c.state === 'connected')) return refuse('nobodyToHold')
  return done({ kind: 'connectionHeld', callId: call.id, deviceId: mine.deviceId })
}

/** Retrieve Call (17.1.24): the agent's held connection becomes connected again. */
export function retrieve(call: Call, agentId: AgentId): CallDecision {
  const mine = connectionOf(call, deviceOfAgent(agentId))
  if (mine === undefined) return refuse('notOnCall')
  if (mine.state !== 'held') return refuse('notHeld')
  return done({ kind: 'connectionRetrieved', callId: call.id, deviceId: mine.deviceId })
}

/**
 * Clear Connection (17.1.8): this party leaves. Whoever is then left alone is cleared as well, and a call with
 * no party left is cleared. An agent who was only ringing leaves the caller in the queue.
 */
export function clearConnection(call: Call, deviceId: DeviceId, cause: ClearCause): CallDecision {
  const mine = connectionOf(call, deviceId)
  if (mine === undefined) return refuse('notOnCall')
  const others = call.connections.filter((c) => c !== mine)
  const backToQueue = mine.state === 'alerting' && others.some((c) => c.state === 'queued')
  const talkersLeft = others.filter((c) => isPerson(c.party) && c.state !== 'alerting' && c.state !== 'failed')
  const first: CallEvent = { kind: 'connectionCleared', callId: call.id, deviceId, cause }
  if (backToQueue || talkersLeft.length > 1) return done(first)
  return done(
    first,
    ...clearAll(
      call,
      others.map((c) => c.deviceId),
      'lastParty',
    ),
  )
}

/** Clear Call (17.1.7): every connection ends, and the call with it. */
export function clearCall(call: Call, cause: ClearCause): CallDecision {
  return done(
    ...clearAll(
      call,
      call.connections.map((c) => c.deviceId),
      cause,
    ),
  )
}

/** What the public network reports about the far end of a call somebody dialled. */
export type NetworkReport = 'ringing' | 'answered' | Failure

/** Delivered, Established or Failed (ECMA-269, 16.1): the far end rings, answers or cannot be had. */
export function reportFarEnd(call: Call, farDeviceId: DeviceId, report: NetworkReport): CallDecision {
  const party = { kind: 'outside', number: call.number, name: call.customer?.name ?? null } as const
  const at = { callId: call.id, deviceId: farDeviceId }
  const known = connectionOf(call, farDeviceId)
  if (known?.state === 'connected') return refuse('alreadyAnswered')
  if (report === 'ringing') return known ? refuse('notRinging') : done({ kind: 'connectionDelivered', ...at, party })
  if (report === 'answered') return known ? done({ kind: 'connectionEstablished', ...at }) : refuse('notRinging')
  return done({ kind: 'connectionFailed', ...at, party, failure: report })
}

const clearAll = (call: Call, devices: readonly DeviceId[], cause: ClearCause): CallEvent[] => [
  ...devices.map((deviceId) => ({ kind: 'connectionCleared' as const, callId: call.id, deviceId, cause })),
  { kind: 'callCleared', callId: call.id },
]
