// The fold of the floor's state over events, in place. It never refuses: the event already happened.
import { type Agent, createAgent, deskDueAtMs, engageAgent, engagementsOf, evolveAgent, moveHelp, withoutTime } from '@/core/agents'
import { type Call, type CallChange, type CallEvent, carriesWork, evolveCalls, waitsIn, withSaid } from '@/core/calls'
import { createRun } from '@/core/campaigns'
import type { CircleLine } from '@/core/circles'
import { evolveQuestion, evolveWhenFree, pairKey } from '@/core/colleagues'
import { type AgentId, type CallId, deviceOutside } from '@/core/ids'
import { closedStretch, type FloorEvent, type LedgerEntry } from '@/core/ledger'
import { dequeue, enqueue, foldHandleMs } from '@/core/queues'
import { get, must } from '@/core/table'
import type { EpochMs } from '@/core/time'
import { behalfOfPart, createWork, evolveWork, followCall, type Work } from '@/core/work'
import { evolveCampaigning } from './campaigning'
import { takeCarriedOver } from './carried-over'
import { changeAgent, changeWork, dropClosed } from './change'
import { codedBySomebody, codedKey } from './coded'
import { setCallDue, setCallsDue, setDeskDue, setNoteDue } from './due'
import { createFloor, type FloorState } from './floor-state'
import { forgetAbout } from './forgotten'
import { type Journal, type Place, put, remove, setFact } from './journal'
import { evolvePromised } from './promised'
import { evolveThreads, forgetPassed } from './threads'

/** Nobody was at a desk meanwhile. */
function closedOver(place: Place, event: FloorEvent, atMs: EpochMs): void {
  const closed = closedStretch(event, atMs)
  if (closed === null) return
  for (const { id } of [...place.state.agents.values()]) changeAgent(place, id, (agent) => withoutTime(agent, closed.toMs - closed.fromMs))
}

/**
 * Folds one event into the floor, noting in the journal what changed. Throws on an event that contradicts the state: that is damage or a bug,
 * never a person's mistake; the floor is then of no use any more.
 */
export function evolve(state: FloorState, event: FloorEvent, atMs: EpochMs, journal: Journal | null = null): void {
  const place: Place = { state, journal }
  setFact(place, 'seq', state.seq + 1)
  setFact(place, 'atMs', atMs)
  if ('threadId' in event) return evolveThreads(place, event, atMs)
  switch (event.kind) {
    case 'floorOpened':
      if (state.seq !== 1) throw new Error('a floor opens once')
      setFact(place, 'floorId', event.floorId)
      setFact(place, 'setUp', event.setUp)
      setFact(place, 'setUpSeq', state.seq)
      return addAccounts(place)
    case 'standInsBegan':
      return setFact(place, 'standIns', { seed: event.seed, pace: event.pace })
    case 'floorResumed':
    case 'clockMoved':
      return closedOver(place, event, atMs)
    case 'storageCleared':
    case 'pinsRenewed':
    case 'entryLeftOut':
    case 'callTurnedAway':
    case 'detailsForgotten':
      return
    case 'personForgotten':
      return forgetAbout(place, new Set(event.about))
    case 'carriedOver':
      return takeCarriedOver(place, event)
    case 'setUpChanged':
      setFact(place, 'setUp', event.setUp)
      setFact(place, 'setUpSeq', state.seq)
      setFact(place, 'setUpBy', event.byAgentId)
      addAccounts(place)
      return setCallsDue(place)
    case 'stormSwitched': {
      const others = state.storm.filter((id) => id !== event.queueId)
      setFact(place, 'storm', event.on ? [...others, event.queueId].toSorted() : others)
      return setCallsDue(place)
    }
    case 'queueDoorSet': {
      const { [event.queueId]: _, ...others } = state.doors
      return setFact(place, 'doors', event.door === null ? others : { ...others, [event.queueId]: event.door })
    }
    case 'noteSet':
    case 'noteCleared':
      changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      return setNoteDue(place, event.agentId, event.kind === 'noteSet' ? event.untilMs : null)
    case 'deskLost':
    case 'deskBack':
    case 'deskGivenUp':
      changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      return setDeskDue(place, event.agentId, deskDueAtMs(must(state.agents, event.agentId)))
    case 'shiftEnded':
      remove(place, 'lately', event.agentId)
      setDeskDue(place, event.agentId, null)
      for (const [key, { agentId }] of state.coded) if (agentId === event.agentId) remove(place, 'coded', key)
      return changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    case 'agentReady':
      forgetPassed(place, event.agentId)
      return changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    case 'shiftStarted':
      deliver(place, event.agentId)
      return changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    case 'agentNotReady':
    case 'notReadyAsked':
    case 'muteChanged':
    case 'workAssigned':
    case 'agentTold':
    case 'toldPutAway':
    case 'helpAsked':
    case 'helpTaken':
    case 'helpEnded':
    case 'seatMoved':
    case 'soundPathChosen':
    case 'soundPathLost':
    case 'doNotDisturbChanged':
    case 'diversionChanged':
    case 'wrapUpExtended':
      return changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    case 'wrapUpStarted':
    case 'wrapUpEnded':
    case 'outcomeOwed':
      if (event.kind !== 'wrapUpStarted') forgetPassed(place, event.agentId)
      // A wrap-up may end after its work was closed by the outcome that ended it.
      if (get(state.work, event.callId) !== undefined || event.kind !== 'wrapUpEnded') changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
      return changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
    case 'outcomeSaved': {
      const before = must(state.agents, event.agentId)
      changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      noteCoded(place, event, before)
      return changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
    }
    case 'outcomeTakenBack':
      changeAgent(place, event.agentId, (agent) => evolveAgent(agent, event, atMs))
      return takeBackCoded(place, event.callId, event.agentId)
    case 'outcomeCorrected': {
      // While a colleague still owes their part of it, it is on the floor as well.
      if (get(state.work, event.callId) !== undefined) changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
      const coded = get(state.coded, codedKey(event.callId, event.byAgentId)) ?? codedBySomebody(state, event.callId)
      return coded === undefined ? undefined : put(place, 'coded', codedKey(event.callId, coded.agentId), { ...coded, code: event.code })
    }
    case 'callbackDialled':
      evolvePromised(place, event, atMs)
      return changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
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
    case 'messageLeft':
    case 'messageForwarded':
    case 'messageMarked':
    case 'messageDeleted':
    case 'messageRestored':
    case 'messagePurged':
    case 'greetingSet':
    case 'conferencePlanned':
    case 'conferenceReplanned':
    case 'conferenceCancelled':
    case 'conferenceJoined':
    case 'conferenceLeft':
    case 'circleWritten':
    case 'circleRead':
    case 'reviewMade':
    case 'reviewAnswered':
    case 'reviewWithdrawn':
      return evolvePromised(place, event, atMs)
    case 'campaignStateChanged':
    case 'attemptMade':
    case 'attemptRings':
    case 'attemptAnswered':
    case 'attemptTakenLive':
    case 'attemptMessagePlayed':
    case 'attemptEnded':
    case 'recordOffered':
    case 'recordReturned':
    case 'recordCoded':
    case 'recordUncoded':
    case 'recordBarred':
    case 'recordReleased':
    case 'recordMatched':
    case 'recordsPutBack':
      return evolveCampaigning(place, event, atMs)
    case 'questionAsked':
    case 'questionAnswered':
    case 'questionClosed': {
      const question = evolveQuestion(get(state.questions, pairKey(event)), event, atMs)
      return question === null ? remove(place, 'questions', pairKey(event)) : put(place, 'questions', pairKey(event), question)
    }
    case 'callWhenFreeWished':
    case 'callWhenFreeEnded': {
      const wish = evolveWhenFree(event, atMs)
      return wish === null ? remove(place, 'whenFree', pairKey(event)) : put(place, 'whenFree', pairKey(event), wish)
    }
    case 'captionSpoken':
      return hearCaption(place, event, atMs)
    case 'ringSilenced': {
      const call = get(state.calls, event.callId)
      if (get(state.work, event.callId) !== undefined) return changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
      return call === undefined ? undefined : put(place, 'calls', event.callId, { ...call, hushed: true })
    }
    case 'notesDrafted':
    case 'soundRated':
    case 'callerTold':
    case 'contactTaken':
    case 'scriptStarted':
    case 'scriptPageShown':
    case 'scriptAnswered':
      return changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
    default:
      if (event.kind === 'callsJoined')
        for (const { id, help } of state.agents.values()) if (help !== null) changeAgent(place, id, (a) => moveHelp(a, event.fromCallId, event.callId))
      for (const change of evolveCalls((id) => get(state.calls, id), event, atMs)) changeCall(place, event, change, atMs)
  }
}

/** What colleagues wrote while somebody was away is on their desk from now on. */
function deliver(place: Place, agentId: AgentId): void {
  for (const [key, circle] of place.state.circles) {
    const waits = (line: CircleLine) => line.to.includes(agentId) && !line.deliveredTo.includes(agentId)
    if (!circle.lines.some(waits)) continue
    const lines = circle.lines.map((line) => (waits(line) ? { ...line, deliveredTo: [...line.deliveredTo, agentId] } : line))
    put(place, 'circles', key, { ...circle, lines })
  }
}

/** The floor its first entry opens. */
export function floorOf({ event, atMs }: Pick<LedgerEntry, 'event' | 'atMs'>): FloorState {
  if (event.kind !== 'floorOpened') throw new Error('a floor begins with its opening')
  const state = createFloor(event.floorId, event.setUp)
  evolve(state, event, atMs)
  return state
}

/** Every account of the set-up has its agent, and every campaign its run; those who were there before keep theirs. */
function addAccounts(place: Place): void {
  for (const { id } of place.state.setUp.agents) if (get(place.state.agents, id) === undefined) put(place, 'agents', id, createAgent(id))
  for (const { id } of place.state.setUp.campaigns) if (get(place.state.campaigns, id) === undefined) put(place, 'campaigns', id, createRun(id))
}

function changeCall(place: Place, event: CallEvent, change: CallChange, atMs: EpochMs): void {
  const { callId, before, after } = change
  if (after === null) remove(place, 'calls', callId)
  else put(place, 'calls', callId, after)
  engage(place, change, atMs)
  setCallDue(place, callId, before, after)
  followWithWork(place, event, change, atMs)
  stand(place, callId, before, after)
  if (after === null) dropClosed(place, callId)
}

/** Every agent's end of the call, as the call has it now. */
function engage(place: Place, change: CallChange, atMs: EpochMs): void {
  for (const end of engagementsOf(change)) put(place, 'agents', end.agentId, engageAgent(must(place.state.agents, end.agentId), end, atMs))
}

function followWithWork(place: Place, event: CallEvent, { callId, before, after }: CallChange, atMs: EpochMs): void {
  const { state } = place
  if (before === undefined) {
    const call = after as Call
    setFact(place, 'callCount', state.callCount + 1)
    if (carriesWork(call)) put(place, 'work', callId, followCall(createWork(call), undefined, call, atMs))
    return
  }
  const work = get(state.work, callId)
  if (work === undefined) {
    // Somebody from outside has come to an internal call: it is work from now on.
    if (after !== null && carriesWork(after)) put(place, 'work', callId, followCall(createWork(after), undefined, after, atMs))
    return
  }
  put(place, 'work', callId, { ...followCall(work, before, after, atMs), ...about(event, work) })
  if (event.kind === 'callCleared') noteHandleMs(place, work, atMs)
}

/** What a call event means for the work besides who handles it. */
function about(event: CallEvent, work: Work): Partial<Work> {
  if (event.kind === 'connectionDelivered' && work.ringSilenced) return { ringSilenced: false }
  if (event.kind === 'callerIdentified') return { customer: event.customer }
  if (event.kind === 'callReturned') return { returned: { from: event.from, failure: event.failure } }
  return {}
}

function noteHandleMs(place: Place, { queueId, handledSinceMs }: Work, atMs: EpochMs): void {
  if (queueId === null || handledSinceMs === null) return
  const { handleMs } = place.state
  setFact(place, 'handleMs', { ...handleMs, [queueId]: foldHandleMs(handleMs[queueId], atMs - handledSinceMs) })
}

function hearCaption(place: Place, event: Extract<FloorEvent, { kind: 'captionSpoken' }>, atMs: EpochMs): void {
  const { state } = place
  const first = deviceOutside(event.callId, 1)
  const speaker = event.deviceId ?? first
  const call = get(state.calls, event.callId)
  if (call !== undefined) put(place, 'calls', event.callId, withSaid(call, speaker, event.text, atMs))
  // The work keeps what its own outside party says; what colleagues say to each other is not about the caller.
  if (speaker === first && get(state.work, event.callId) !== undefined) changeWork(place, event.callId, (work) => evolveWork(work, event, atMs))
}

/** The waiting line of the call's queue, after a call that stood in it left it or one that did not joined it. */
function stand(place: Place, callId: CallId, before: Call | undefined, after: Call | null): void {
  const { state } = place
  const stood = before === undefined ? null : waitsIn(before)
  const stands = after === null ? null : waitsIn(after)
  // Sent to the queue it stands in already, a call goes to another place of the same line.
  if (stood === stands && before?.place === after?.place) return
  const placeOf = (id: CallId) => must(state.calls, id).place
  const line = (after ?? before)?.messageId == null ? 'waiting' : 'messagesWaiting'
  let waiting = state[line]
  if (stood !== null) waiting = dequeue(waiting, stood, callId)
  if (stands !== null && after !== null) waiting = enqueue(waiting, stands, after, placeOf)
  setFact(place, line, waiting)
}

type Saved = Extract<FloorEvent, { kind: 'outcomeSaved' }>

/** The last to code a call may correct it, for as long as their shift lasts. */
function noteCoded(place: Place, { callId, agentId, code, notes, followUp }: Saved, before: Agent): void {
  const { state } = place
  const work = get(state.work, callId)
  if (work === undefined) return
  const key = codedKey(callId, agentId)
  // A part that is coded again is not one more.
  if (get(state.coded, key) !== undefined) changeAgent(place, agentId, (agent) => ({ ...agent, codedCount: agent.codedCount - 1 }))
  put(place, 'coded', key, { callId, agentId, ...behalfOfPart(work, agentId), dialled: work.dialled, code })
  const clearing = get(state.calls, callId)?.clearing
  const hangsUp = clearing?.byAgentId === agentId && clearing.what !== 'remove'
  // During the call it is simply saved again.
  if (work.endedAtMs === null && !hangsUp) return
  // Coding a call that is being hung up ends it at once: what would have been wrapped up can be taken back all the same.
  const endedAtMs = work.endedAtMs ?? state.atMs
  const inWrapUp = hangsUp || before.wrapUps.some((w) => w.callId === callId)
  put(place, 'lately', agentId, { agentId, work: { ...work, endedAtMs, notes, followUp }, savedAtMs: state.atMs, inWrapUp })
}

function takeBackCoded(place: Place, callId: CallId, agentId: AgentId): void {
  const { state } = place
  const before = get(state.lately, agentId)?.work
  if (before?.id !== callId) throw new Error(`${agentId} has not coded ${callId} lately`)
  remove(place, 'coded', codedKey(callId, agentId))
  remove(place, 'lately', agentId)
  // Nobody owes it until the next event of the same decision says that this agent does.
  const mine = (ids: readonly AgentId[]) => ids.filter((id) => id !== agentId)
  // Work that was closed had been coded by everybody else who had the call, whatever was owed when this agent coded it.
  const work = get(state.work, callId) ?? { ...before, owedBy: [], codedBy: before.takenFrom.map((t) => t.agentId) }
  const { outcome, notes, followUp } = before
  // What whoever goes on with the call has written stays theirs.
  const written = work.handledBy === null || work.handledBy === agentId ? { outcome, notes, followUp } : {}
  put(place, 'work', callId, { ...work, ...written, owedBy: mine(work.owedBy), codedBy: mine(work.codedBy) })
}
