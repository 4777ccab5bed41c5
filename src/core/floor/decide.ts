// decide: a command into events or a refusal. The floor's only way forward; people, stand-ins and time use it
// alike. Nothing here reads a clock or rolls dice.
import type { Agent } from '@/core/agents'
import { answer, type Call, type CallDecision, clearConnection, hold, reportFarEnd, retrieve } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import { readNumber } from '@/core/directory'
import { type CallId, deviceOfAgent, deviceOutside, toCallId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { get, must, values } from '@/core/table'
import type { EpochMs } from '@/core/time'
import type { AgentCommand, Command, NetworkCommand } from './command'
import { answerScript, draftNotes, saveOutcome, turnPage } from './contact'
import { type Draft, emit, type Ruling, refuse } from './draft'
import { react } from './react'
import type { FloorRefusal } from './refusal'
import { busy, endShift, goNotReady, goReady, setMute, startShift } from './shift'
import type { FloorState } from './state'

export interface Context {
  /** When the command takes effect. An instant before the floor's last event is taken as that event's. */
  readonly atMs: EpochMs
}

export type Decision =
  /** `state` is `entries` folded into the state decided on; no entries when the command changes nothing. */
  { readonly ok: true; readonly entries: readonly LedgerEntry[]; readonly state: FloorState } | { readonly ok: false; readonly refusal: FloorRefusal }

/** Decides the command whole, with all that follows from it by itself, or refuses it whole. Never throws for input. */
export function decide(state: FloorState, command: Command, context: Context): Decision {
  const draft: Draft = { state, atMs: Math.max(context.atMs, state.atMs), entries: [] }
  const refused = rule(draft, command)
  if (refused !== null) return refused
  if (draft.entries.length > 0) react(draft, state)
  return { ok: true, entries: draft.entries, state: draft.state }
}

/** The first event of a ledger; everything else is decided. */
export const openFloor = (floorId: string, setUp: FloorState['setUp'], atMs: EpochMs): LedgerEntry => ({
  version: 1,
  seq: 1,
  atMs,
  causedBy: null,
  event: { kind: 'floorOpened', floorId, setUp },
})

function rule(draft: Draft, command: Command): Ruling {
  switch (command.kind) {
    case 'callArrives':
    case 'farEnd':
    case 'callerHangsUp':
    case 'callerSays':
    case 'passTime':
      return ruleNetwork(draft, command)
    case 'startShift':
      return startShift(draft, command)
    default: {
      const agent = get(draft.state.agents, command.agentId)
      if (agent?.shift == null) return refuse({ reason: 'notOnShift' })
      return 'callId' in command ? ruleOnCall(draft, agent, command) : ruleShift(draft, agent, command)
    }
  }
}

type OnCall = Extract<AgentCommand, { callId: CallId }>

function ruleShift(draft: Draft, agent: Agent, command: Exclude<AgentCommand, OnCall | { kind: 'startShift' }>): Ruling {
  switch (command.kind) {
    case 'endShift':
      return endShift(draft, agent)
    case 'goReady':
      return goReady(draft, agent)
    case 'goNotReady':
      return goNotReady(draft, agent, command.reason)
    case 'setMute':
      return setMute(draft, agent, command.muted)
    case 'makeCall':
      return makeCall(draft, agent, command)
  }
}

function ruleOnCall(draft: Draft, agent: Agent, command: OnCall): Ruling {
  switch (command.kind) {
    case 'answer':
      return onCall(draft, command.callId, (call) => answer(call, agent.id))
    case 'decline':
      return onCall(draft, command.callId, (call) => decline(call, agent))
    case 'silence':
      return silence(draft, agent, command.callId)
    case 'hold':
      return onCall(draft, command.callId, (call) => hold(call, agent.id))
    case 'retrieve':
      return onCall(draft, command.callId, (call) => retrieve(call, agent.id))
    case 'hangUp':
      return onCall(draft, command.callId, (call) => hangUp(call, agent))
    case 'turnPage':
      return onContact(draft, agent, command.callId, (contact) => turnPage(draft, contact, command.direction))
    case 'answerScript':
      return onContact(draft, agent, command.callId, (contact) => answerScript(draft, contact, command))
    case 'draftNotes':
      return onContact(draft, agent, command.callId, (contact) => draftNotes(draft, contact, command))
    case 'saveOutcome':
      return onContact(draft, agent, command.callId, (contact) => saveOutcome(draft, agent, contact, command))
  }
}

/** Make Call (ECMA-269, 17.1.20). The network reports what becomes of the far end. */
function makeCall(draft: Draft, agent: Agent, command: Extract<AgentCommand, { kind: 'makeCall' }>): Ruling {
  const reading = readNumber(command.typed, draft.state.setUp.homeCountry)
  if (!reading.ok) return refuse(reading.refusal)
  const refused = busy(draft.state, agent)
  if (refused !== null) return refused
  const callId = nextCallId(draft.state)
  return emit(draft, null, { kind: 'callOriginated', callId, agentId: agent.id, number: reading.number.e164, customer: command.customer })
}

function decline(call: Call, agent: Agent): CallDecision {
  const mine = call.connections.find((c) => c.deviceId === deviceOfAgent(agent.id))
  return mine?.state === 'alerting' ? clearConnection(call, mine.deviceId, 'declined') : { ok: false, refusal: { reason: 'notRinging' } }
}

function hangUp(call: Call, agent: Agent): CallDecision {
  const mine = call.connections.find((c) => c.deviceId === deviceOfAgent(agent.id))
  const talks = mine !== undefined && mine.state !== 'alerting'
  return talks ? clearConnection(call, mine.deviceId, 'hungUp') : { ok: false, refusal: { reason: 'notOnCall' } }
}

function silence(draft: Draft, agent: Agent, callId: CallId): Ruling {
  if (!agent.engagements.some((e) => e.callId === callId && e.state === 'alerting')) return refuse({ reason: 'notRinging' })
  return emit(draft, null, { kind: 'ringSilenced', callId, agentId: agent.id })
}

function onCall(draft: Draft, callId: CallId, service: (call: Call) => CallDecision): Ruling {
  const call = get(draft.state.calls, callId)
  if (call === undefined) return refuse({ reason: 'noSuchCall' })
  const decision = service(call)
  return decision.ok ? emit(draft, null, ...decision.events) : refuse(decision.refusal)
}

function onContact(draft: Draft, agent: Agent, callId: CallId, work: (contact: Contact) => Ruling): Ruling {
  const contact = get(draft.state.contacts, callId)
  if (contact?.handledBy !== agent.id) return refuse({ reason: 'notYourCall' })
  return work(contact)
}

function ruleNetwork(draft: Draft, command: NetworkCommand): Ruling {
  switch (command.kind) {
    case 'callArrives': {
      const callId = nextCallId(draft.state)
      const { queueId, number, customer, path } = command
      return emit(draft, null, { kind: 'callQueued', callId, callerDeviceId: deviceOutside(callId, 1), queueId, number, customer, path })
    }
    case 'farEnd':
      return onCall(draft, command.callId, (call) => reportFarEnd(call, deviceOutside(call.id, 1), command.report))
    case 'callerHangsUp':
      return onCall(draft, command.callId, (call) => clearConnection(call, deviceOutside(call.id, 1), call.answeredAtMs === null ? 'abandoned' : 'hungUp'))
    case 'callerSays': {
      if (get(draft.state.calls, command.callId) === undefined) return refuse({ reason: 'noSuchCall' })
      return emit(draft, null, { kind: 'captionSpoken', callId: command.callId, turn: command.turn, text: command.text })
    }
    case 'passTime':
      return passTime(draft)
  }
}

/** Rings over the limit go to the next agent; the one who missed it is set not ready and told so by the reason. */
function passTime(draft: Draft): null {
  for (const { callId, agentId, dueAtMs } of ringsWithLimit(draft.state)) {
    if (dueAtMs > draft.atMs) continue
    const decision = clearConnection(must(draft.state.calls, callId), deviceOfAgent(agentId), 'noAnswer')
    if (!decision.ok) continue
    emit(draft, null, ...decision.events)
    emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId, reason: MISSED_RING })
  }
  return null
}

/** The reason the floor itself gives when an agent lets a call ring out. */
export const MISSED_RING = 'Missed ring'

/** When `passTime` next has something to do; null when nothing is due at any time. */
export function nextDueAtMs(state: FloorState): EpochMs | null {
  let due: EpochMs | null = null
  for (const { dueAtMs } of ringsWithLimit(state)) due = due === null ? dueAtMs : Math.min(due, dueAtMs)
  return due
}

function ringsWithLimit(state: FloorState) {
  const rings: { readonly callId: CallId; readonly agentId: Agent['id']; readonly dueAtMs: EpochMs }[] = []
  for (const agent of values(state.agents)) {
    const ringing = agent.engagements.find((e) => e.state === 'alerting')
    if (ringing !== undefined) rings.push({ callId: ringing.callId, agentId: agent.id, dueAtMs: agent.state.sinceMs + state.setUp.ringLimitMs })
  }
  return rings
}

const nextCallId = (state: FloorState): CallId => toCallId(`call_${state.floorId}_${state.callCount + 1}`)
