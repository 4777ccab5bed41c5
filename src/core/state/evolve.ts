// The fold of the floor's state over events. `evolve` never refuses: the event already happened.
import { type Agent, engageAgent, engagementsOf, evolveAgent } from '@/core/agents'
import { type Call, type CallChange, type CallEvent, evolveCalls, waitsIn, withSaid } from '@/core/calls'
import { type Contact, createContact, evolveContact, followCall, isClosed, queueOfPart } from '@/core/contacts'
import { type AgentId, type CallId, deviceOutside } from '@/core/ids'
import type { FloorEvent } from '@/core/ledger'
import { dequeue, enqueue, foldHandleMs } from '@/core/queues'
import { get, must, put, remove, type Table, values } from '@/core/table'
import type { EpochMs } from '@/core/time'
import { withCarriedOver } from './carried-over'
import { withCallDue, withCallsDue, withNoteDue, withWrapUpsDue } from './due'
import { createFloor, type FloorState, withAccounts } from './floor-state'
import { codedKey, withPromised } from './promised'

/** Throws on an event that contradicts the state: that is damage or a bug, never a person's mistake. */
export function evolve(state: FloorState, event: FloorEvent, atMs: EpochMs): FloorState {
  const base = { ...state, seq: state.seq + 1, atMs }
  switch (event.kind) {
    case 'floorOpened':
      return { ...createFloor(event.floorId, event.setUp), seq: base.seq, setUpSeq: base.seq, atMs }
    case 'floorResumed':
    case 'clockMoved':
    case 'storageCleared':
    case 'callTurnedAway':
      return base
    case 'carriedOver':
      return withCarriedOver(base, event)
    case 'setUpChanged':
      return withCallsDue(withAccounts({ ...base, setUp: event.setUp, setUpSeq: base.seq, setUpBy: event.byAgentId }))
    case 'stormSwitched': {
      const others = state.storm.filter((id) => id !== event.queueId)
      return withCallsDue({ ...base, storm: event.on ? [...others, event.queueId].toSorted() : others })
    }
    case 'noteSet':
    case 'noteCleared': {
      const noted = withAgent(base, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      return { ...noted, due: withNoteDue(base.due, event.agentId, event.kind === 'noteSet' ? event.untilMs : null) }
    }
    case 'shiftEnded': {
      const lately = remove(base.lately, event.agentId)
      let { coded } = base
      for (const { callId, agentId } of values(coded)) if (agentId === event.agentId) coded = remove(coded, codedKey(callId, agentId))
      return withAgent({ ...base, coded, lately }, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    }
    case 'shiftStarted':
    case 'agentReady':
    case 'agentNotReady':
    case 'muteChanged':
    case 'seatMoved':
    case 'soundPathChosen':
    case 'soundPathLost':
    case 'doNotDisturbChanged':
    case 'diversionChanged':
      return withAgent(base, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    case 'wrapUpExtended':
      return withWrapUps(
        withAgent(base, event.agentId, (agent) => evolveAgent(agent, event, atMs)),
        event.agentId,
      )
    case 'wrapUpStarted':
    case 'wrapUpEnded':
    case 'outcomeOwed':
    case 'outcomeSaved': {
      const moved = withAgent(base, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      const agentMoved = event.kind === 'outcomeSaved' ? withCoded(moved, event, base) : withWrapUps(moved, event.agentId)
      // A wrap-up may end after its contact was closed by the outcome that ended it.
      if (event.kind === 'wrapUpEnded' && get(base.contacts, event.callId) === undefined) return agentMoved
      return withContact(agentMoved, event.callId, (contact) => evolveContact(contact, event, atMs))
    }
    case 'outcomeTakenBack': {
      const taken = withAgent(base, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      const before = get(base.lately, event.agentId)?.contact
      if (before?.callId !== event.callId) throw new Error(`${event.agentId} has not coded ${event.callId} lately`)
      const lists = { coded: remove(base.coded, codedKey(event.callId, event.agentId)), lately: remove(base.lately, event.agentId) }
      // Nobody owes it until the next event of the same decision says that this agent does.
      const mine = (ids: readonly AgentId[]) => ids.filter((id) => id !== event.agentId)
      // A contact that was closed had been coded by everybody else who had the call, whatever was owed when this agent coded it.
      const contact = get(base.contacts, event.callId) ?? { ...before, owedBy: [], codedBy: before.takenFrom.map((t) => t.agentId) }
      const { outcome, notes, followUp } = before
      // What whoever goes on with the call has written stays theirs.
      const written = contact.handledBy === null || contact.handledBy === event.agentId ? { outcome, notes, followUp } : {}
      const open = { ...contact, ...written, owedBy: mine(contact.owedBy), codedBy: mine(contact.codedBy) }
      return { ...taken, ...lists, contacts: put(base.contacts, event.callId, open) }
    }
    case 'outcomeCorrected': {
      const coded =
        values(base.coded).find((c) => c.callId === event.callId && c.agentId === event.byAgentId) ?? values(base.coded).find((c) => c.callId === event.callId)
      return coded === undefined ? base : { ...base, coded: put(base.coded, codedKey(event.callId, coded.agentId), { ...coded, code: event.code }) }
    }
    case 'callbackDialled':
      return withContact(withPromised(base, event, atMs), event.callId, (contact) => evolveContact(contact, event, atMs))
    case 'callbackAgreed':
    case 'callbackMoved':
    case 'callbackHandedOver':
    case 'callbackEscalated':
    case 'callbackClosed':
    case 'doNotCallAdded':
    case 'doNotCallRemoved':
    case 'doNotCallWaived':
    case 'numberStruck':
    case 'numberRestored':
    case 'taskFiled':
    case 'taskClosed':
      return withPromised(base, event, atMs)
    case 'captionSpoken':
      return withCaption(base, event, atMs)
    case 'notesDrafted':
    case 'callerTold':
    case 'ringSilenced':
    case 'contactTaken':
    case 'scriptStarted':
    case 'scriptPageShown':
    case 'scriptAnswered':
      return withContact(base, event.callId, (contact) => evolveContact(contact, event, atMs))
    default:
      return withCalls(base, event, atMs)
  }
}

function withCalls(state: FloorState, event: CallEvent, atMs: EpochMs): FloorState {
  let next = state
  for (const change of evolveCalls((id) => get(state.calls, id), event, atMs)) next = withCall(next, event, change, atMs)
  return next
}

function withCall(state: FloorState, event: CallEvent, change: CallChange, atMs: EpochMs): FloorState {
  const { callId, before, after } = change
  const calls = after === null ? remove(state.calls, callId) : put(state.calls, callId, after)
  const moved = { ...state, calls, agents: withEngagements(state.agents, change, atMs), due: withCallDue(state, callId, before, after) }
  return withWaiting(withContactOfCall(moved, event, change, atMs), callId, before, after)
}

/** Every agent's end of the call, as the call has it now. */
function withEngagements(table: Table<Agent>, change: CallChange, atMs: EpochMs): Table<Agent> {
  let agents = table
  for (const { agentId, state } of engagementsOf(change)) {
    const agent = must(agents, agentId)
    const engaged = engageAgent(agent, change.callId, state, atMs)
    if (engaged !== agent) agents = put(agents, agentId, engaged)
  }
  return agents
}

function withContactOfCall(state: FloorState, event: CallEvent, { callId, before, after }: CallChange, atMs: EpochMs): FloorState {
  if (before === undefined) {
    const call = after as Call
    const counted = { ...state, callCount: state.callCount + 1 }
    if (call.consultFor !== null) return counted
    return { ...counted, contacts: put(state.contacts, callId, followCall(createContact(call), undefined, call, atMs)) }
  }
  const contact = get(state.contacts, callId)
  if (contact === undefined) return state
  const followed = { ...followCall(contact, before, after, atMs), ...about(event, contact) }
  const contacts = put(state.contacts, callId, followed)
  const handleMs = event.kind === 'callCleared' ? withHandleMs(state, contact, atMs) : state.handleMs
  return { ...state, contacts, handleMs }
}

/** What a call event means for the contact besides who handles it. */
function about(event: CallEvent, contact: Contact): Partial<Contact> {
  if (event.kind === 'connectionDelivered' && contact.ringSilenced) return { ringSilenced: false }
  if (event.kind === 'callerIdentified') return { customer: event.customer }
  if (event.kind === 'callReturned') return { returned: { from: event.from, failure: event.failure } }
  return {}
}

function withHandleMs(state: FloorState, contact: Contact, atMs: EpochMs): FloorState['handleMs'] {
  if (contact.queueId === null || contact.handledSinceMs === null) return state.handleMs
  return { ...state.handleMs, [contact.queueId]: foldHandleMs(state.handleMs[contact.queueId], atMs - contact.handledSinceMs) }
}

function withCaption(state: FloorState, event: Extract<FloorEvent, { kind: 'captionSpoken' }>, atMs: EpochMs): FloorState {
  const first = deviceOutside(event.callId, 1)
  const speaker = event.deviceId ?? first
  const call = get(state.calls, event.callId)
  const said = call === undefined ? state : { ...state, calls: put(state.calls, event.callId, withSaid(call, speaker, event.text)) }
  // The contact keeps what its own outside party says; what colleagues say to each other is not about the caller.
  const ofContact = speaker === first && get(state.contacts, event.callId) !== undefined
  return ofContact ? withContact(said, event.callId, (contact) => evolveContact(contact, event, atMs)) : said
}

/** The waiting line of the call's queue, after a call that stood in it left it or one that did not joined it. */
function withWaiting(state: FloorState, callId: CallId, before: Call | undefined, after: Call | null): FloorState {
  const stood = before === undefined ? null : waitsIn(before)
  const stands = after === null ? null : waitsIn(after)
  // Sent to the queue it stands in already, a call goes to another place of the same line.
  if (stood === stands && before?.place === after?.place) return after === null ? dropClosed(state, callId) : state
  const placeOf = (id: CallId) => must(state.calls, id).place
  let { waiting } = state
  if (stood !== null) waiting = dequeue(waiting, stood, callId)
  if (stands !== null && after !== null) waiting = enqueue(waiting, stands, after, placeOf)
  return after === null ? dropClosed({ ...state, waiting }, callId) : { ...state, waiting }
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

const withWrapUps = (state: FloorState, agentId: AgentId): FloorState => ({
  ...state,
  due: withWrapUpsDue(state.due, agentId, must(state.agents, agentId).wrapUps),
})

/** The last to code a call may correct it, for as long as their shift lasts. */
function withCoded(
  state: FloorState,
  { callId, agentId, code, notes, followUp }: Extract<FloorEvent, { kind: 'outcomeSaved' }>,
  before: FloorState,
): FloorState {
  const contact = get(state.contacts, callId)
  if (contact === undefined) return state
  const key = codedKey(callId, agentId)
  const queueId = queueOfPart(contact, agentId)
  const coded = put(state.coded, key, { callId, agentId, queueId, dialled: contact.dialled, code })
  // A part that is coded again is not one more.
  const agent = must(state.agents, agentId)
  const counted = get(before.coded, key) === undefined ? state.agents : put(state.agents, agentId, { ...agent, codedCount: agent.codedCount - 1 })
  const clearing = get(state.calls, callId)?.clearing
  const hangsUp = clearing?.byAgentId === agentId && clearing.what !== 'remove'
  // During the call it is simply saved again.
  if (contact.endedAtMs === null && !hangsUp) return { ...state, coded, agents: counted }
  // Coding a call that is being hung up ends it at once: what would have been wrapped up can be taken back all the same.
  const endedAtMs = contact.endedAtMs ?? state.atMs
  const inWrapUp = hangsUp || must(before.agents, agentId).wrapUps.some((w) => w.callId === callId)
  const lately = put(state.lately, agentId, { agentId, contact: { ...contact, endedAtMs, notes, followUp }, savedAtMs: state.atMs, inWrapUp })
  return { ...state, coded, lately, agents: counted }
}

const withAgent = (state: FloorState, id: AgentId, change: (agent: Agent) => Agent): FloorState => ({
  ...state,
  agents: put(state.agents, id, change(must(state.agents, id))),
})
