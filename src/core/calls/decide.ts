// Call control services on one call (ECMA-269, clause 17): each is decided into events or refused with a reason.
// Services that open a second call or need to know the floor (consult, transfer, park ...) are decided there.
import type { AgentId, DeviceId } from '@/core/ids'
import { agentConnection, type Call, connectionOf, isConference, isKept, onLine } from './call'
import { type ClearCause, type Connection, type Endpoint, isOnLine, takesPart } from './connection'
import type { CallEvent } from './event'
import type { Failure } from './failure'
import type { CallRefusal } from './refusal'

export type CallDecision = { readonly ok: true; readonly events: readonly CallEvent[] } | { readonly ok: false; readonly refusal: CallRefusal }

const done = (...events: CallEvent[]): CallDecision => ({ ok: true, events })
const refuse = (refusal: CallRefusal | Exclude<CallRefusal['reason'], 'notDigits'>): CallDecision => ({
  ok: false,
  refusal: typeof refusal === 'string' ? { reason: refusal } : refusal,
})

/** Answer Call (17.1.3): the agent's alerting connection becomes connected. Refused: notRinging, beingCleared. */
export function answer(call: Call, agentId: AgentId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine?.state !== 'alerting') return refuse('notRinging')
  if (call.clearing?.deviceId === mine.deviceId) return refuse('beingCleared')
  return done({ kind: 'connectionEstablished', callId: call.id, deviceId: mine.deviceId })
}

/**
 * Hold Call (17.1.15): the agent's own connection becomes held; the others stay as they are, so a conference goes
 * on without the agent. Refused: notOnCall, alreadyHeld, notConnected, nobodyToHold, beingCleared.
 */
export function hold(call: Call, agentId: AgentId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || mine.state === 'failed' || !takesPart(mine)) return refuse('notOnCall')
  if (mine.state === 'held') return refuse('alreadyHeld')
  if (mine.state !== 'connected') return refuse('notConnected')
  if (leaves(call, mine)) return refuse('beingCleared')
  if (!onLine(call).some((c) => c !== mine && c.state === 'connected')) return refuse('nobodyToHold')
  return done({ kind: 'connectionHeld', callId: call.id, deviceId: mine.deviceId })
}

/** Retrieve Call (17.1.24): the agent's held connection becomes connected again. The floor sees to other calls. */
export function retrieve(call: Call, agentId: AgentId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined) return refuse('notOnCall')
  if (mine.state !== 'held') return refuse('notHeld')
  return done({ kind: 'connectionRetrieved', callId: call.id, deviceId: mine.deviceId })
}

/**
 * Clear Connection (17.1.8): this party leaves. Whoever is then left alone is cleared as well, and a call with
 * no party left is cleared. An end that was only ringing or failed goes without touching the others.
 */
export function clearConnection(call: Call, deviceId: DeviceId, cause: ClearCause): CallDecision {
  const mine = connectionOf(call, deviceId)
  if (mine === undefined) return refuse('notOnCall')
  const others = call.connections.filter((c) => c !== mine)
  const first: CallEvent = { kind: 'connectionCleared', callId: call.id, deviceId, cause }
  if (staysWithout(call, mine, others)) return done(first)
  const rest = others.map((c) => c.deviceId)
  return done(first, ...clearAll(call, rest, 'lastParty'))
}

/** Whether the call goes on without this end: it only listened, others talk on, or it only rang and they still wait, talk, or keep a place. */
function staysWithout(call: Call, mine: Connection, others: readonly Connection[]): boolean {
  if (!takesPart(mine)) return true
  const left = others.filter((c) => c.state !== 'failed' && takesPart(c))
  // Whoever came first to a conference, or stays last, waits there.
  if (call.conferenceId !== null && left.some(isOnLine)) return true
  if (left.filter(isOnLine).length > 1) return true
  if (isOnLine(mine)) return false
  // A message stays with its agent when nobody was reached.
  if (call.messageId !== null && left.some(isOnLine)) return true
  if (isKept(call) && left.some((c) => c.state === 'queued')) return true
  return left.length > 1 || left.some((c) => c.party.kind === 'outside' && c.state === 'connected')
}

/**
 * The agent leaves: with one other party the call ends, with more the others stay, as long as one of them is an agent
 * or `outsidersMayStay` (the centre's rule). Refused: notOnCall, onlyOutsidersLeft.
 */
export function leave(call: Call, agentId: AgentId, outsidersMayStay: boolean): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || mine.state === 'alerting' || mine.state === 'failed') return refuse('notOnCall')
  if (!takesPart(mine)) return clearConnection(call, mine.deviceId, 'hungUp')
  const staying = onLine(call).filter((c) => c !== mine)
  const insider = staying.some((c) => c.party.kind === 'agent')
  if (staying.length > 1 && !insider && !outsidersMayStay && call.conferenceId === null) return refuse('onlyOutsidersLeft')
  return clearConnection(call, mine.deviceId, 'hungUp')
}

/** Clear Call (17.1.7): every connection ends, and the call with it. Only for who is on it. Refused: notOnCall. */
export function endForEveryone(call: Call, agentId: AgentId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || !isOnLine(mine)) return refuse('notOnCall')
  const devices = call.connections.map((c) => c.deviceId)
  return done(...clearAll(call, devices, 'endedForEveryone'))
}

/** One party is taken off the call by an agent on it; a failed attempt is put away. Refused: notOnCall, noSuchParty. */
export function removeParty(call: Call, agentId: AgentId, deviceId: DeviceId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || mine.state === 'alerting' || !takesPart(mine)) return refuse('notOnCall')
  const theirs = connectionOf(call, deviceId)
  if (theirs === undefined || theirs === mine || !takesPart(theirs)) return refuse('noSuchParty')
  return clearConnection(call, deviceId, theirs.state === 'failed' ? 'failed' : 'removed')
}

/** A party is muted for everybody on the call, or heard again. Their own mute is theirs: an agent is not muted so. */
export function muteParty(call: Call, agentId: AgentId, deviceId: DeviceId, muted: boolean): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || !isOnLine(mine)) return refuse('notOnCall')
  if (!isConference(call)) return refuse('needsConference')
  const theirs = connectionOf(call, deviceId)
  if (theirs === undefined || theirs === mine || !isOnLine(theirs)) return refuse('noSuchParty')
  if (theirs.silenced === muted) return refuse('partyMuteUnchanged')
  return done({ kind: 'partyMuteChanged', callId: call.id, deviceId, muted, byAgentId: agentId })
}

/** Two of a conference talk apart until the agent comes back. Refused: needsConference, noSuchParty, asideUnderWay. */
export function startAside(call: Call, agentId: AgentId, deviceId: DeviceId, othersHear: 'music' | 'eachOther'): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine?.state !== 'connected' || !takesPart(mine)) return refuse('notOnCall')
  if (!isConference(call)) return refuse('needsConference')
  const theirs = connectionOf(call, deviceId)
  if (theirs?.state !== 'connected' || theirs === mine || !takesPart(theirs)) return refuse('noSuchParty')
  if (call.aside !== null) return refuse('asideUnderWay')
  return done({ kind: 'asideStarted', callId: call.id, deviceId, byAgentId: agentId, othersHear })
}

export function endAside(call: Call, agentId: AgentId): CallDecision {
  if (call.aside?.byAgentId !== agentId) return refuse('noAside')
  return done({ kind: 'asideEnded', callId: call.id, byAgentId: agentId })
}

/** Generate Digits (19.1.3): the sixteen characters of ITU-T Q.23. Refused: notOnCall, notDigits. */
export function sendDigits(call: Call, agentId: AgentId, digits: string): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine?.state !== 'connected' || !takesPart(mine)) return refuse('notOnCall')
  if (!/^[0-9*#A-D]{1,40}$/.test(digits)) return refuse({ reason: 'notDigits', typed: digits })
  return done({ kind: 'digitsSent', callId: call.id, byAgentId: agentId, digits })
}

/** The agent goes on with the same call on another of their devices. Mute and hold stay as they are. */
export function moveTo(call: Call, agentId: AgentId, endpoint: Endpoint): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || !isOnLine(mine)) return refuse('notOnCall')
  if (mine.endpoint === endpoint) return refuse('alreadyThere')
  return done({ kind: 'connectionMoved', callId: call.id, deviceId: mine.deviceId, endpoint })
}

/** Starts, pauses, goes on with or stops the recording of a call. Refused: notConnected, recordingUnchanged. */
export function changeRecording(call: Call, agentId: AgentId, to: 'on' | 'paused' | 'off', newRecordingId: string): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || !isOnLine(mine)) return refuse('notOnCall')
  if (call.answeredAtMs === null) return refuse('notConnected')
  if ((call.recording?.state ?? 'off') === to || (to === 'paused' && call.recording === null)) return refuse('recordingUnchanged')
  return done({ kind: 'recordingChanged', callId: call.id, recordingId: call.recording?.recordingId ?? newRecordingId, to, byAgentId: agentId })
}

/** Whether an agent on the line waits for this ringing colleague, as in a consult; otherwise a queue or a sender has the call. */
export const isAwaited = (call: Call, ringing: Connection): boolean =>
  call.handover === null &&
  !call.connections.some((c) => c.state === 'queued') &&
  call.connections.some((c) => c !== ringing && c.party.kind === 'agent' && (isOnLine(c) || c.state === 'initiated'))

/** What the public network reports about the far end of a call somebody dialled. */
export type NetworkReport = 'ringing' | 'answered' | Failure

/** Delivered, Established or Failed (16.1): the far end rings, answers or cannot be had. Refused: notRinging, alreadyAnswered. */
export function reportFarEnd(call: Call, farDeviceId: DeviceId, report: NetworkReport): CallDecision {
  const known = connectionOf(call, farDeviceId)
  if (known !== undefined && known.party.kind !== 'outside') return refuse('noSuchParty')
  const party =
    known?.party ??
    ({ kind: 'outside', number: call.number, name: call.customer?.name ?? null, ...(call.extension === null ? {} : { extension: call.extension }) } as const)
  const at = { callId: call.id, deviceId: farDeviceId }
  if (known?.state === 'connected' || known?.state === 'held') return refuse('alreadyAnswered')
  if (known === undefined && ((call.direction !== 'outbound' && call.direction !== 'campaign') || call.outsideCount > 0)) return refuse('noSuchParty')
  if (known?.state === 'failed') return refuse('notRinging')
  if (report === 'ringing') return known?.state === 'alerting' ? refuse('notRinging') : done({ kind: 'connectionDelivered', ...at, party })
  if (report === 'answered') return known?.state === 'alerting' ? done({ kind: 'connectionEstablished', ...at }) : refuse('notRinging')
  return done({ kind: 'connectionFailed', ...at, party, failure: report })
}

/** The agent's own end when they are on the line and stay there; undefined when there is nothing they could do with it. */
export function ownEnd(call: Call, agentId: AgentId): Connection | undefined {
  const mine = agentConnection(call, agentId)
  return mine === undefined || !isOnLine(mine) || leaves(call, mine) ? undefined : mine
}

/** Whether this end is about to be cut off. */
export const leaves = ({ clearing }: Call, { deviceId }: Connection): boolean =>
  clearing !== null && (clearing.what === 'endForEveryone' || clearing.deviceId === deviceId)

const clearAll = (call: Call, devices: readonly DeviceId[], cause: ClearCause): CallEvent[] => [
  ...devices.map((deviceId) => ({ kind: 'connectionCleared' as const, callId: call.id, deviceId, cause })),
  { kind: 'callCleared', callId: call.id },
]
