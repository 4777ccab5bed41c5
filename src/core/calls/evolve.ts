// The fold of events over calls. It never refuses: the event already happened. An event for a call that does not
// exist throws, because a ledger that says so is damaged.
import { type CallId, type DeviceId, deviceOfAgent, deviceOfPark, deviceOfQueue, deviceOutside } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import { type Call, carriesWork, connectionOf, isInternal, isOutsider } from './call'
import { type Connection, type ConnectionState, isMachine, isOnLine, isPerson, takesPart } from './connection'
import type { CallEvent, Customer } from './event'
import type { Party } from './party'

/** What an event did to a call; `after` is null once the call is over. */
export interface CallChange {
  readonly callId: CallId
  readonly before: Call | undefined
  readonly after: Call | null
}

/** The calls an event changes: one, or two when calls are joined. */
export function evolveCalls(callOf: (id: CallId) => Call | undefined, event: CallEvent, atMs: EpochMs): readonly CallChange[] {
  const before = callOf(event.callId)
  if (event.kind === 'callsJoined') return joined(existing(before, event), existing(callOf(event.fromCallId), event), event, atMs)
  const about = event.kind === 'consultationOriginated' ? callOf(event.consultFor) : undefined
  return [{ callId: event.callId, before, after: withWork(evolveCall(before, event, about, atMs), atMs) }]
}

/** An internal call that somebody from outside comes to is a call like any other from then on: one that an agent has dialled. */
function withWork(call: Call | null, atMs: EpochMs): Call | null {
  if (call === null || call.workId !== null || call.consultFor !== null) return call
  const outsider = call.connections.find((c) => isOutsider(c.party) && c.state !== 'failed')
  if (outsider?.party.kind !== 'outside') return call
  const { number, name } = outsider.party
  const customer = name === null ? null : { name, group: '', facts: [] }
  const answeredAtMs = isOnLine(outsider) ? atMs : null
  return { ...call, workId: call.id, direction: 'outbound', number, customer: call.customer ?? customer, answeredAtMs }
}

function evolveCall(before: Call | undefined, event: Exclude<CallEvent, { kind: 'callsJoined' }>, about: Call | undefined, atMs: EpochMs): Call | null {
  if (isOpening(event)) return createCall(event, about, atMs)
  const call = existing(before, event)
  switch (event.kind) {
    case 'connectionInitiated':
      return withConnection(counted(call, event.party), fresh(event.deviceId, event.party, 'initiated', atMs))
    case 'connectionDelivered':
      return withConnection(
        nextToRing({ ...(known(call, event.deviceId) ? call : counted(call, event.party)), hushed: false }),
        fresh(event.deviceId, event.party, 'alerting', atMs),
      )
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
    case 'connectionQueued':
      return {
        ...withConnection(call, fresh(deviceOfQueue(event.queueId), { kind: 'queue', queueId: event.queueId }, 'queued', atMs)),
        queueId: event.queueId,
        alsoFor: [],
        place: event.place === 'head' ? 0 : atMs,
        passedBy: [],
      }
    case 'callCleared':
      return null
    case 'callOverflowed':
      return { ...call, alsoFor: [...call.alsoFor, event.offer] }
    case 'placeKept':
      return { ...call, keptFor: event.number, connections: call.connections.filter((c) => c.party.kind !== 'outside') }
    case 'callerIdentified':
      return identified(call, event.customer)
    case 'callTransferred':
    case 'callDiverted': {
      const kind = event.kind === 'callDiverted' ? 'divert' : 'transfer'
      // An attended transfer is over with its event: there is nobody to wait for.
      const pending = event.kind === 'callDiverted' || event.how === 'blind'
      return pending ? { ...call, handover: { kind, byAgentId: event.byAgentId, toDeviceId: event.toDeviceId, dueAtMs: null } } : call
    }
    case 'callParked': {
      const deviceId = deviceOfPark(event.slot)
      const parked = withConnection(call, fresh(deviceId, { kind: 'park', slot: event.slot }, 'queued', atMs))
      return { ...parked, handover: { kind: 'park', byAgentId: event.byAgentId, toDeviceId: deviceId, dueAtMs: atMs + event.limitMs } }
    }
    case 'callReturned':
      return { ...call, handover: null }
    case 'partyMuteChanged':
      return changed(call, event.deviceId, { silenced: event.muted })
    case 'asideStarted':
      return { ...call, aside: { byAgentId: event.byAgentId, deviceId: event.deviceId, othersHear: event.othersHear } }
    case 'asideEnded':
      return { ...call, aside: null }
    case 'digitsSent':
    case 'waitingMoved':
      return call
    case 'callTakenOver':
      return changed(call, deviceOfAgent(event.byAgentId), { beside: null })
    case 'lineMeasured':
      return changed(call, event.deviceId, { line: event.line })
    case 'digitsReceived':
      return changed(call, event.deviceId, { received: (connectionOf(call, event.deviceId)?.received ?? '') + event.digits })
    case 'roleTaken': {
      const { deviceId, role, whispersTo, beside } = event
      const there = known(call, deviceId) ? call : withConnection(call, fresh(deviceId, event.party, 'connected', atMs))
      return changed(there, deviceId, { role, whispersTo, beside })
    }
    case 'connectionMoved':
      return changed(call, event.deviceId, { endpoint: event.endpoint })
    case 'recordingChanged':
      return { ...call, recording: event.to === 'off' ? null : { recordingId: event.recordingId, state: event.to, sinceMs: atMs } }
    case 'conferenceOpened':
      return { ...call, conferenceId: event.conferenceId }
    case 'messageBegun': {
      const { messageId, box, deviceId, recordingId, toneAtMs, untilMs, greetingId } = event
      return { ...call, leaving: { messageId, box, deviceId, recordingId, toneAtMs, untilMs, greetingId, words: [] } }
    }
    case 'clearRequested':
      return { ...call, clearing: { what: event.what, byAgentId: event.byAgentId, deviceId: event.deviceId, dueAtMs: event.dueAtMs } }
    case 'clearTakenBack':
      return { ...call, clearing: null }
  }
}

/** What a party says is remembered with it, and of a message as part of it. */
export function withSaid(call: Call, deviceId: DeviceId, text: string, atMs: EpochMs): Call {
  const { leaving } = call
  const isMessage = leaving !== null && deviceId !== leaving.deviceId && atMs >= leaving.toneAtMs
  const heard = isMessage ? { ...call, leaving: { ...leaving, words: [...leaving.words, { atMs: atMs - leaving.toneAtMs, text }] } } : call
  return changed(heard, deviceId, { said: text })
}

const OPENINGS = [
  'callQueued',
  'callOriginated',
  'callPutThrough',
  'consultationOriginated',
  'internalCallOriginated',
  'mailboxCalled',
  'messageQueued',
] as const
type Opening = Extract<CallEvent, { kind: (typeof OPENINGS)[number] }>
/** Whether a call begins with it. */
export const isOpening = (event: { readonly kind: string }): event is Opening => (OPENINGS as readonly string[]).includes(event.kind)

/** `about` is the call a consult is about. */
function createCall(event: Opening, about: Call | undefined, atMs: EpochMs): Call {
  const common = {
    id: event.callId,
    queueId: null,
    number: null,
    extension: null,
    customer: null,
    matches: [],
    path: null,
    offeredAtMs: atMs,
    answeredAtMs: null,
    passedBy: [],
    place: atMs,
    headStartMs: 0,
    alsoFor: [],
    keptFor: null,
    hushed: false,
    outsideCount: 0,
    workId: event.callId,
    consultFor: null,
    handover: null,
    aside: null,
    clearing: null,
    leaving: null,
    messageId: null,
    conferenceId: null,
    recording: null,
  }
  if (event.kind === 'callQueued') {
    const caller: Party = { kind: 'outside', number: event.number, name: event.customer?.name ?? null }
    const { queueId, number, customer, path, headStartMs, matches } = event
    const connections = [fresh(event.callerDeviceId, caller, 'connected', atMs), fresh(deviceOfQueue(queueId), { kind: 'queue', queueId }, 'queued', atMs)]
    return { ...common, direction: 'inbound', queueId, number, customer, matches, path, headStartMs, place: atMs - headStartMs, outsideCount: 1, connections }
  }
  if (event.kind === 'mailboxCalled') {
    const { number, customer, path, matches } = event
    const caller: Party = { kind: 'outside', number, name: customer?.name ?? null }
    return {
      ...common,
      direction: 'inbound',
      number,
      customer,
      matches,
      path,
      outsideCount: 1,
      connections: [fresh(event.callerDeviceId, caller, 'connected', atMs)],
    }
  }
  if (event.kind === 'messageQueued') {
    const { queueId, messageId, number, customer } = event
    const connections = [fresh(deviceOfQueue(queueId), { kind: 'queue', queueId }, 'queued', atMs)]
    return { ...common, direction: 'message', queueId, messageId, keptFor: number, number, customer, connections }
  }
  const agent = { kind: 'agent', agentId: event.agentId } as const
  if (event.kind === 'callPutThrough') {
    const { callId, number, customer } = event
    const person: Party = { kind: 'outside', number, name: customer?.name ?? null }
    const connections = [fresh(deviceOutside(callId, 1), person, 'connected', atMs), fresh(deviceOfAgent(event.agentId), agent, 'connected', atMs)]
    return { ...common, direction: 'campaign', number, customer, outsideCount: 1, answeredAtMs: atMs, connections }
  }
  const connections = [fresh(deviceOfAgent(event.agentId), agent, 'initiated', atMs)]
  if (event.kind === 'internalCallOriginated') {
    const own = event.prompted ? [fresh(deviceOfAgent(event.agentId), agent, 'alerting', atMs)] : connections
    return { ...common, direction: 'internal', workId: null, connections: own }
  }
  if (event.kind === 'consultationOriginated')
    return { ...common, direction: 'internal', workId: about === undefined ? event.consultFor : about.workId, consultFor: event.consultFor, connections }
  return {
    ...common,
    direction: event.ofCampaign ? 'campaign' : 'outbound',
    queueId: event.queueId,
    number: event.number,
    extension: event.extension,
    customer: event.customer,
    connections,
  }
}

/** The first outside party is the caller, and is called by the name from now on. */
function identified(call: Call, customer: Customer): Call {
  const caller = call.connections.findIndex((c) => c.party.kind === 'outside' && c.party.number === call.number)
  const connections = call.connections.map((c, i) => (i === caller && c.party.kind === 'outside' ? { ...c, party: { ...c.party, name: customer.name } } : c))
  return { ...call, customer, matches: [], connections }
}

function established(call: Call, deviceId: DeviceId, atMs: EpochMs): Call {
  const joined = inState(call, deviceId, 'connected', atMs)
  // A queue or a slot has done its work once somebody answers: its connection becomes null.
  const connections = joined.connections.filter((c) => isPerson(c.party))
  // Whoever answers has the call: what it was on its way to no longer counts.
  return { ...nextToRing(joined), connections, handover: null, answeredAtMs: call.answeredAtMs ?? (hearEachOther(call, connections) ? atMs : null) }
}

/** An agent and the outside party of a call with work; of an internal one, any two people. A consult is not answered: it is about a call that is. */
function hearEachOther(call: Call, connections: readonly Connection[]): boolean {
  if (isInternal(call)) return call.consultFor === null && connections.filter((c) => c.state === 'connected' && takesPart(c) && !isMachine(c.party)).length > 1
  return carriesWork(call) && connections.some((c) => c.party.kind === 'agent' && takesPart(c)) && connections.some((c) => c.party.kind === 'outside')
}

/** Clearing an agent who was still ringing leaves the call in its queue and remembers whom it passed. */
function cleared(call: Call, deviceId: DeviceId, atMs: EpochMs): Call {
  const gone = connectionOf(call, deviceId)
  const rangInVain = gone?.state === 'alerting' && gone.party.kind === 'agent'
  const passedBy = rangInVain && gone.party.kind === 'agent' ? [...call.passedBy, { agentId: gone.party.agentId, atMs }] : call.passedBy
  // Whoever had stepped in beside them is a party like any other from now on; a listener goes too, by an event of their own.
  const staying = (c: Connection): Connection => (c.beside === deviceId && takesPart(c) ? { ...c, beside: null } : c)
  const connections = call.connections.filter((c) => c.deviceId !== deviceId).map(staying)
  return {
    ...call,
    leaving: call.leaving?.deviceId === deviceId ? null : call.leaving,
    passedBy,
    connections,
    aside: call.aside !== null && (call.aside.deviceId === deviceId || deviceOfAgent(call.aside.byAgentId) === deviceId) ? null : call.aside,
    clearing: call.clearing !== null && stillMeant(call.clearing.deviceId, deviceOfAgent(call.clearing.byAgentId), deviceId) ? call.clearing : null,
  }
}

/** What was to be cleared is pointless once its party, or the agent who asked for it, has gone. */
const stillMeant = (target: DeviceId, asker: DeviceId, gone: DeviceId): boolean => target !== gone && asker !== gone

function joined(kept: Call, from: Call, event: Extract<CallEvent, { kind: 'callsJoined' }>, atMs: EpochMs): readonly CallChange[] {
  const mine = deviceOfAgent(event.byAgentId)
  const coming = from.connections.filter((c) => c.deviceId !== mine && c.state !== 'failed' && isPerson(c.party))
  // Outside devices are numbered within their call; the newcomers keep the devices they came with.
  // A failed attempt at somebody who comes along after all is no longer of interest.
  const staying = inState(kept, mine, 'connected', atMs).connections.filter((c) => !coming.some((n) => n.deviceId === c.deviceId))
  const connections = [...staying, ...coming.map((c) => ({ ...c, sinceMs: atMs }))]
  const after: Call = { ...kept, connections, clearing: null }
  return [
    { callId: from.id, before: from, after: null },
    { callId: kept.id, before: kept, after: withWork(after, atMs) },
  ]
}

/** Once the network rings the far end, the caller's own end goes from initiated to connected. */
const nextToRing = (call: Call): Call =>
  call.connections.some((c) => c.state === 'initiated' && c.party.kind === 'agent')
    ? { ...call, connections: call.connections.map((c) => (c.state === 'initiated' && c.party.kind === 'agent' ? { ...c, state: 'connected' as const } : c)) }
    : call

const counted = (call: Call, party: Party): Call => (party.kind === 'outside' ? { ...call, outsideCount: call.outsideCount + 1 } : call)
const known = (call: Call, deviceId: DeviceId): boolean => connectionOf(call, deviceId) !== undefined

const fresh = (deviceId: DeviceId, party: Party, state: ConnectionState, sinceMs: EpochMs): Connection => ({
  deviceId,
  party,
  state,
  sinceMs,
  failure: null,
  silenced: false,
  role: 'talks',
  whispersTo: null,
  beside: null,
  endpoint: 'computer',
  said: null,
  received: '',
  line: null,
})

const withConnection = (call: Call, connection: Connection): Call => ({
  ...call,
  connections: [...call.connections.filter((c) => c.deviceId !== connection.deviceId), connection],
})

const changed = (call: Call, deviceId: DeviceId, change: Partial<Connection>): Call => ({
  ...call,
  connections: call.connections.map((c) => (c.deviceId === deviceId ? { ...c, ...change } : c)),
})

const inState = (call: Call, deviceId: DeviceId, state: ConnectionState, sinceMs: EpochMs): Call => changed(call, deviceId, { state, sinceMs })

function existing(call: Call | undefined, event: CallEvent): Call {
  if (call === undefined) throw new Error(`${event.kind} for ${event.callId}, which does not exist`)
  return call
}
