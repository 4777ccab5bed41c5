// decide: a command into events or a refusal. The floor's only way forward; people, stand-ins and time use it
// alike. Nothing here reads a clock or rolls dice.
import type { Agent } from '@/core/agents'
import { type Call, type CallDecision, type Customer, services } from '@/core/calls'
import { type Contact, mayWrite } from '@/core/contacts'
import { type CallId, deviceOfAgent } from '@/core/ids'
import { type CarriedOver, LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import { get } from '@/core/table'
import type { EpochMs } from '@/core/time'
import { clear, endNow, takeBack } from './clearing'
import type { AgentCommand, Command } from './command'
import { answerScript, draftNotes, saveOutcome, turnPage } from './contact'
import { correctOutcome, takeBackOutcome } from './corrections'
import { addDoNotCall, removeDoNotCall } from './do-not-call'
import { type Draft, emit, type Ruling, refuse } from './draft'
import { unentitled } from './entitled'
import { divert, park, pickUp, transfer } from './handover'
import { addParty, alternate, completeTransfer, conference, consult, endConsult, heardBesides } from './lines'
import { makeCall } from './make-call'
import { ruleNetwork } from './network'
import { changeSetUp, switchStorm } from './owner'
import { chooseSoundPath, clearNote, reportSoundLost, setDiversion, setDoNotDisturb, setNote } from './presence'
import { closeTask, dropCallback, handOverCallback, moveCallback } from './promises'
import { react } from './react'
import type { FloorRefusal } from './refusal'
import { endShift, goNotReady, goReady, mayOpenLine, moveSeat, setMute, startShift } from './shift'
import { type FloorState, recordingIdFor } from './state'
import { extendWrapUp, keepOwedLimit } from './wrap-up'

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

/** What earlier days left is taken up; whoever owes too much by that gets no further call. */
export function takeUp(state: FloorState, left: CarriedOver, context: Context): Extract<Decision, { ok: true }> {
  const draft: Draft = { state, atMs: Math.max(context.atMs, state.atMs), entries: [] }
  emit(draft, null, left)
  for (const { agentId } of left.owed) keepOwedLimit(draft, agentId)
  react(draft, state)
  return { ok: true, entries: draft.entries, state: draft.state }
}

/** The first event of a ledger; everything else is decided. */
export const openFloor = (floorId: string, setUp: FloorState['setUp'], atMs: EpochMs): LedgerEntry => ({
  version: LEDGER_VERSION,
  seq: 1,
  atMs,
  causedBy: null,
  event: { kind: 'floorOpened', floorId, setUp },
})

function rule(draft: Draft, command: Command): Ruling {
  switch (command.kind) {
    case 'callArrives':
    case 'keepPlace':
    case 'farEnd':
    case 'callerHangsUp':
    case 'callerSays':
    case 'digitsHeard':
    case 'passTime':
      return ruleNetwork(draft, command)
    case 'startShift':
      return startShift(draft, command)
    case 'moveSeat':
      return moveSeat(draft, command)
    case 'switchStorm':
      return switchStorm(draft, command)
    case 'changeSetUp':
      return changeSetUp(draft, command)
    case 'addDoNotCall':
      return addDoNotCall(draft, command)
    case 'removeDoNotCall':
      return removeDoNotCall(draft, command)
    case 'correctOutcome':
      return correctOutcome(draft, command)
    default: {
      const agent = get(draft.state.agents, command.agentId)
      if (agent?.shift == null) return refuse({ reason: 'notOnShift' })
      return 'callId' in command ? ruleOnCall(draft, agent, command) : ruleShift(draft, agent, command)
    }
  }
}

/** Given with a PIN, whoever is on shift. */
type WithPin = Extract<
  AgentCommand,
  { kind: 'startShift' | 'moveSeat' | 'switchStorm' | 'changeSetUp' | 'addDoNotCall' | 'removeDoNotCall' | 'correctOutcome' }
>
type OnCall = Exclude<Extract<AgentCommand, { callId: CallId }>, WithPin>
type OnContact = Extract<OnCall, { kind: 'turnPage' | 'answerScript' | 'draftNotes' | 'saveOutcome' | 'extendWrapUp' }>

function ruleShift(draft: Draft, agent: Agent, command: Exclude<AgentCommand, OnCall | WithPin>): Ruling {
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
    case 'chooseSoundPath':
      return chooseSoundPath(draft, agent, command.path)
    case 'reportSoundLost':
      return reportSoundLost(draft, agent, command.why)
    case 'setNote':
      return setNote(draft, agent, command)
    case 'clearNote':
      return clearNote(draft, agent)
    case 'setDoNotDisturb':
      return setDoNotDisturb(draft, agent, command.on)
    case 'setDiversion':
      return setDiversion(draft, agent, command)
    case 'moveCallback':
      return moveCallback(draft, agent, command)
    case 'handOverCallback':
      return handOverCallback(draft, agent, command)
    case 'dropCallback':
      return dropCallback(draft, agent, command)
    case 'closeTask':
      return closeTask(draft, agent, command)
  }
}

function ruleOnCall(draft: Draft, agent: Agent, command: OnCall): Ruling {
  switch (command.kind) {
    case 'turnPage':
    case 'answerScript':
    case 'draftNotes':
    case 'saveOutcome':
    case 'extendWrapUp':
      return ruleOnContact(draft, agent, command)
    case 'takeBackOutcome':
      return takeBackOutcome(draft, agent, command.callId)
    default: {
      const call = get(draft.state.calls, command.callId)
      return call === undefined ? refuse({ reason: 'noSuchCall' }) : ruleCall(draft, agent, call, command)
    }
  }
}

function ruleCall(draft: Draft, agent: Agent, call: Call, command: Exclude<OnCall, OnContact | { kind: 'takeBackOutcome' }>): Ruling {
  const mine = deviceOfAgent(agent.id)
  switch (command.kind) {
    case 'answer':
      return heardBesides(draft, agent, [call.id]) ?? take(draft, services.answer(call, agent.id))
    case 'identifyCaller':
      return identifyCaller(draft, agent, call, command.customer)
    case 'silence':
      return silence(draft, agent, call)
    case 'hold':
      return take(draft, services.hold(call, agent.id))
    case 'retrieve':
      return heardBesides(draft, agent, [call.id]) ?? take(draft, services.retrieve(call, agent.id))
    case 'alternate':
      return alternate(draft, agent, call)
    case 'decline':
    case 'hangUp':
    case 'endForEveryone':
      return clear(draft, agent, call, command.kind, mine)
    case 'removeParty':
      return clear(draft, agent, call, 'remove', command.deviceId)
    case 'takeBack':
      return takeBack(draft, agent, call)
    case 'endNow':
      return endNow(draft, agent, call)
    case 'sendDigits':
      return take(draft, services.sendDigits(call, agent.id, command.digits))
    case 'moveCall':
      return take(draft, services.moveTo(call, agent.id, command.endpoint))
    case 'record':
      return (
        unentitled(draft.state, agent.id, 'recording') ??
        take(draft, services.changeRecording(call, agent.id, command.to, recordingIdFor(draft.state, call.id)))
      )
    case 'muteParty':
      return take(draft, services.muteParty(call, agent.id, command.deviceId, command.muted))
    case 'startAside':
      return take(draft, services.startAside(call, agent.id, command.deviceId, command.othersHear))
    case 'endAside':
      return take(draft, services.endAside(call, agent.id))
    case 'consult':
      return consult(draft, agent, call, command.target)
    case 'endConsult':
      return endConsult(draft, agent, call)
    case 'completeTransfer':
      return completeTransfer(draft, agent, call)
    case 'conference':
      return unentitled(draft.state, agent.id, 'conference') ?? conference(draft, agent, call)
    case 'transfer':
      return transfer(draft, agent, call, command.target)
    case 'addParty':
      return unentitled(draft.state, agent.id, 'conference') ?? addParty(draft, agent, call, command.target)
    case 'divert':
      return divert(draft, agent, call, command.target)
    case 'park':
      return park(draft, agent, call)
    case 'pickUp':
      return mayOpenLine(draft.state, agent) ?? pickUp(draft, agent, call)
  }
}

const take = (draft: Draft, decision: CallDecision): Ruling => (decision.ok ? emit(draft, null, ...decision.events) : refuse(decision.refusal))

/** The caller has a name from now on. Refused: notYourCall, callerUnnamed. */
function identifyCaller(draft: Draft, agent: Agent, call: Call, customer: Customer | null): Ruling {
  if (!agent.engagements.some((e) => e.callId === call.id)) return refuse({ reason: 'notYourCall' })
  if (customer === null || customer.name.trim() === '') return refuse({ reason: 'callerUnnamed' })
  return emit(draft, null, { kind: 'callerIdentified', callId: call.id, byAgentId: agent.id, customer })
}

function silence(draft: Draft, agent: Agent, call: Call): Ruling {
  if (!agent.engagements.some((e) => e.callId === call.id && e.state === 'alerting')) return refuse({ reason: 'notRinging' })
  // A consult has no contact of its own to remember it by: that of the call it is about does.
  const callId = call.consultFor ?? call.id
  if (get(draft.state.contacts, callId) === undefined) return null
  return emit(draft, null, { kind: 'ringSilenced', callId, agentId: agent.id })
}

function ruleOnContact(draft: Draft, agent: Agent, command: OnContact): Ruling {
  const contact = get(draft.state.contacts, command.callId)
  if (contact === undefined || !mayWrite(contact, agent.id)) return refuse({ reason: 'notYourCall' })
  return onContact(draft, agent, contact, command)
}

function onContact(draft: Draft, agent: Agent, contact: Contact, command: OnContact): Ruling {
  switch (command.kind) {
    case 'turnPage':
      return turnPage(draft, agent, contact, command)
    case 'answerScript':
      return answerScript(draft, agent, contact, command)
    case 'draftNotes':
      return draftNotes(draft, agent, contact, command)
    case 'saveOutcome':
      return saveOutcome(draft, agent, contact, command)
    case 'extendWrapUp':
      return extendWrapUp(draft, agent, contact, command)
  }
}
