// Somebody comes into a conference: with one press, or from the conference line with its code by tones. The first one waits in it alone.
import type { Agent } from '@/core/agents'
import { type Call, type CallEvent, connectionOf, isOnLine, type Party, services } from '@/core/calls'
import { ASKS_CODE, type Conference, GOOD_BYE, isOpenAt, OPENS_BEFORE_MS, presentAt, WRONG_CODE } from '@/core/conferences'
import { type CallId, type DeviceId, deviceOfAgent, deviceOfConferences, deviceOutside } from '@/core/ids'
import { refuse, take } from '@/core/rules/rule'
import { busyOnCall, isAwaited } from '@/core/rules/shift'
import { agentName } from '@/core/set-up'
import { type Draft, emit, type FloorState, nextCallId } from '@/core/state'
import { get, values } from '@/core/table'
import type { Of, Ruling } from './commands'

const CODE_DIGITS = 6
const TRIES = 3

/** The call a conference goes on in; undefined while nobody is there. */
export const callOf = ({ calls }: Pick<FloorState, 'calls'>, { id }: Pick<Conference, 'id'>): Call | undefined =>
  values(calls).find((c) => c.conferenceId === id)

/** Its host, whoever is invited, by name or with a queue of theirs. */
export function isInvited({ setUp }: Pick<FloorState, 'setUp'>, { hostAgentId, plan }: Conference, agentId: Agent['id']): boolean {
  if (hostAgentId === agentId) return true
  const queueIds = setUp.agents.find((a) => a.id === agentId)?.queueIds ?? []
  return plan.invited.some((i) => (i.kind === 'agent' ? i.agentId === agentId : i.kind === 'queue' && queueIds.includes(i.queueId)))
}

/** Refused: noSuchConference, notInvited, conferenceOver, conferenceNotYet, alreadyInConference, a call under way, personOnTheWay. */
export function joinConference(draft: Draft, agent: Agent, { conferenceId }: Of<'joinConference'>): Ruling {
  const { state, atMs } = draft
  const conference = get(state.conferences, conferenceId)
  if (conference === undefined) return refuse({ reason: 'noSuchConference' })
  if (!isInvited(state, conference, agent.id)) return refuse({ reason: 'notInvited', host: agentName(state.setUp, conference.hostAgentId) })
  const opensAtMs = conference.plan.startsAtMs - OPENS_BEFORE_MS
  if (conference.cancelledAtMs === null && atMs < opensAtMs) return refuse({ reason: 'conferenceNotYet', opensInMs: opensAtMs - atMs })
  if (!isOpenAt(conference, atMs)) return refuse({ reason: 'conferenceOver' })
  const open = callOf(state, conference)
  if (agent.engagements.some((e) => e.callId === open?.id)) return refuse({ reason: 'alreadyInConference' })
  const refused = busyOnCall(state, agent)
  if (refused !== null) return refused
  if (isAwaited(state, agent)) return refuse({ reason: 'personOnTheWay' })
  const callId = open?.id ?? nextCallId(state)
  const deviceId = deviceOfAgent(agent.id)
  const party = { kind: 'agent', agentId: agent.id } as const
  if (open === undefined)
    emit(
      draft,
      null,
      { kind: 'internalCallOriginated', callId, agentId: agent.id, prompted: false },
      { kind: 'conferenceOpened', callId, conferenceId },
      { kind: 'connectionEstablished', callId, deviceId },
    )
  else emit(draft, null, { kind: 'connectionDelivered', callId, deviceId, party }, { kind: 'connectionEstablished', callId, deviceId })
  return emit(draft, draft.state.seq, joined(draft, conference, callId, deviceId, party))
}

function joined({ state }: Draft, { id: conferenceId }: Conference, callId: CallId, deviceId: DeviceId, party: Party) {
  const who =
    party.kind === 'agent'
      ? { agentId: party.agentId, name: agentName(state.setUp, party.agentId), number: null }
      : { agentId: null, name: party.kind === 'outside' ? party.name : null, number: party.kind === 'outside' ? party.number : null }
  return { kind: 'conferenceJoined', conferenceId, callId, deviceId, ...who } as const
}

/** The events by which a call reaches the conference line. */
const lineAnswers = (callId: CallId): readonly CallEvent[] => [
  { kind: 'connectionDelivered', callId, deviceId: deviceOfConferences(callId), party: { kind: 'conferenceLine' } },
  { kind: 'connectionEstablished', callId, deviceId: deviceOfConferences(callId) },
]

/** An agent has dialled the number of conferences. */
export function dialConferenceLine(draft: Draft, agent: Agent): null {
  const callId = nextCallId(draft.state)
  return emit(draft, null, { kind: 'internalCallOriginated', callId, agentId: agent.id, prompted: false }, ...lineAnswers(callId))
}

/** Refused: noConferenceLine. */
export function conferenceLineRings(draft: Draft, { number, customer }: Of<'conferenceLineRings'>): Ruling {
  if (draft.state.setUp.conferenceNumber === '') return refuse({ reason: 'noConferenceLine' })
  const callId = nextCallId(draft.state)
  return emit(
    draft,
    null,
    { kind: 'mailboxCalled', callId, callerDeviceId: deviceOutside(callId, 1), number, customer, matches: [], path: null },
    ...lineAnswers(callId),
  )
}

/** Digits keyed by somebody from outside. Refused: notOnConferenceLine. */
export function callerKeys(draft: Draft, { callId, digits }: Of<'callerKeys'>): Ruling {
  const deviceId = deviceOfConferences(callId)
  const call = get(draft.state.calls, callId)
  if (call === undefined || connectionOf(call, deviceId)?.state !== 'connected') return refuse({ reason: 'notOnConferenceLine' })
  return emit(draft, null, { kind: 'digitsReceived', callId, deviceId, digits })
}

/** The conference line has picked up. */
export function askForCode(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionEstablished' }>): void {
  if (deviceId === deviceOfConferences(callId)) emit(draft, seq, { kind: 'captionSpoken', callId, deviceId, turn: 0, text: ASKS_CODE })
}

/** Digits have come in: six of them are a code, which leads into a conference or is asked for again. */
export function codeKeyed(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'digitsReceived' }>): void {
  if (deviceId !== deviceOfConferences(callId)) return
  const call = get(draft.state.calls, callId)
  const keyed = (call && connectionOf(call, deviceId)?.received.replace(/\D/g, '')) ?? ''
  if (call === undefined || keyed === '' || keyed.length % CODE_DIGITS !== 0) return
  const code = keyed.slice(-CODE_DIGITS)
  const conference = values(draft.state.conferences).find((c) => c.code === code && isOpenAt(c, draft.atMs))
  if (conference !== undefined) return comeIn(draft, seq, call, conference)
  const isLast = keyed.length >= TRIES * CODE_DIGITS
  emit(draft, seq, { kind: 'captionSpoken', callId, deviceId, turn: 0, text: isLast ? GOOD_BYE : WRONG_CODE })
  if (!isLast) return
  const cleared = services.clearConnection(call, deviceId, 'hungUp')
  if (cleared.ok) emit(draft, draft.state.seq, ...cleared.events)
}

/** Whoever is on the line goes on into the conference: their call becomes it, or they come into the one that is on. */
function comeIn(draft: Draft, seq: number, own: Call, conference: Conference): void {
  const line = deviceOfConferences(own.id)
  const people = own.connections.filter((c) => c.deviceId !== line && isOnLine(c))
  const open = callOf(draft.state, conference)
  if (open === undefined) {
    emit(
      draft,
      seq,
      { kind: 'conferenceOpened', callId: own.id, conferenceId: conference.id },
      { kind: 'connectionCleared', callId: own.id, deviceId: line, cause: 'hungUp' },
    )
    for (const { deviceId, party } of people) emit(draft, draft.state.seq, joined(draft, conference, own.id, deviceId, party))
    return
  }
  const cleared = services.clearConnection(own, line, 'hungUp')
  if (cleared.ok) emit(draft, seq, ...cleared.events)
  for (const { party } of people) {
    const now = get(draft.state.calls, open.id)
    if (now === undefined) return
    const deviceId = party.kind === 'agent' ? deviceOfAgent(party.agentId) : deviceOutside(open.id, now.outsideCount + 1)
    emit(
      draft,
      draft.state.seq,
      { kind: 'connectionDelivered', callId: open.id, deviceId, party },
      { kind: 'connectionEstablished', callId: open.id, deviceId },
      joined(draft, conference, open.id, deviceId, party),
    )
  }
}

const LETS_GO: ReadonlySet<string> = new Set(['connectionCleared', 'callCleared', 'callTransferred', 'callsJoined', 'connectionFailed'])

/** Whoever is not on its call any more has left, however that came about. */
export function followConferences(draft: Draft): void {
  if (!draft.entries.some(({ event }) => LETS_GO.has(event.kind))) return
  for (const conference of values(draft.state.conferences)) {
    for (const { callId, deviceId } of presentAt(conference)) {
      const call = get(draft.state.calls, callId)
      if (call?.conferenceId !== conference.id || connectionOf(call, deviceId) === undefined)
        emit(draft, draft.state.seq, { kind: 'conferenceLeft', conferenceId: conference.id, callId, deviceId })
    }
  }
}

/** Refused: notOnCall, needsConference, noSuchParty. */
export function muteOthers(draft: Draft, agent: Agent, call: Call, { deviceId }: Of<'muteOthers'>): Ruling {
  if (connectionOf(call, deviceId) === undefined) return refuse({ reason: 'noSuchParty' })
  const others = call.connections.filter((c) => c.deviceId !== deviceOfAgent(agent.id) && isOnLine(c) && c.silenced === (c.deviceId === deviceId))
  if (others.length === 0) return refuse({ reason: 'partyMuteUnchanged' })
  for (const c of others) {
    const refused = take(draft, services.muteParty(get(draft.state.calls, call.id) ?? call, agent.id, c.deviceId, c.deviceId !== deviceId))
    if (refused !== null) return refused
  }
  return null
}
