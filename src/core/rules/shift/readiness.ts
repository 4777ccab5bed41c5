// Rules of the shift: who may start one, and when an agent may go ready, not ready or home.
import type { Agent } from '@/core/agents'
import { type AgentId, type CampaignId, deviceOfAgent, type QueueId } from '@/core/ids'
import { openAccount, type RightsRefusal, unentitled } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { isChosenReason, queueSetUp } from '@/core/set-up'
import { type Draft, emit, type FloorState, partyOfCall } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'
import { isAwaited } from './on-the-way'
import { leaveForLater, owesTooMuch } from './owed'
import type { ShiftRefusal } from './refusals'

type Busy = Refused<ShiftRefusal> | null

/** Refused: noSuchAccount, seatTaken, noQueueTicked, queueNotYours, and what `mayWork` refuses, in this order. */
export function startShift(draft: Draft, command: Of<'startShift'>): Ruling {
  const { setUp, agents } = draft.state
  const account = openAccount(setUp, command.agentId)
  if (account === undefined) return refuse({ reason: 'noSuchAccount' })
  const shift = get(agents, account.id)?.shift
  if (shift) return refuse({ reason: 'seatTaken', name: account.name, seat: shift.seat })
  const { campaignId = null } = command
  // Whoever listens in needs a desk with sound, and need not serve anything.
  if (command.queueIds.length === 0 && campaignId === null && !account.may.includes('listening')) return refuse({ reason: 'noQueueTicked' })
  const inUse = new Set(setUp.queues.filter((q) => !q.retired).map((q) => q.id))
  const strange = command.queueIds.find((id) => !account.queueIds.includes(id) || !inUse.has(id))
  if (strange !== undefined) return refuse({ reason: 'queueNotYours', queue: queueName(draft.state, strange) })
  const refused = campaignId === null ? null : mayWork(draft.state, account.id, campaignId)
  if (refused !== null) return refused
  const { queueIds, seat, soundPath = 'computer' } = command
  return emit(draft, null, { kind: 'shiftStarted', agentId: account.id, queueIds, campaignId, seat, soundPath })
}

/** Refused: notEntitled, campaignNotYours, campaignClosed unless it runs or is paused. */
export function mayWork(state: FloorState, agentId: AgentId, campaignId: CampaignId): Refused<ShiftRefusal | RightsRefusal> | null {
  const campaign = state.setUp.campaigns.find((c) => c.id === campaignId && !c.retired)
  const refused = unentitled(state, agentId, 'campaigns')
  if (refused !== null) return refused
  if (campaign === undefined || !campaign.agentIds.includes(agentId)) return refuse({ reason: 'campaignNotYours', campaign: campaign?.name ?? campaignId })
  const runs = get(state.campaigns, campaignId)?.state
  return runs === 'running' || runs === 'paused' ? null : refuse({ reason: 'campaignClosed', campaign: campaign.name, finished: runs === 'finished' })
}

/** The shift goes on at another desk. Refused: noSuchAccount, notOnShift, seatTaken where the stand-ins play it. */
export function moveSeat(draft: Draft, { agentId }: Of<'moveSeat'>): Ruling {
  const account = openAccount(draft.state.setUp, agentId)
  if (account === undefined) return refuse({ reason: 'noSuchAccount' })
  const shift = get(draft.state.agents, agentId)?.shift
  if (shift == null) return refuse({ reason: 'notOnShift' })
  if (shift.seat === 'standIn') return refuse({ reason: 'seatTaken', name: account.name, seat: shift.seat })
  return emit(draft, null, { kind: 'seatMoved', agentId })
}

/** Refused while a call is under way or an outcome is owed, naming what is left to do. */
export const endShift = (draft: Draft, agent: Agent): Ruling =>
  (isAwaited(draft.state, agent) ? null : (busy(draft.state, agent) ?? inHand(agent) ?? owes(draft.state, agent))) ?? endShiftOwing(draft, agent)

/** What is written and in hand is handed on, parked or ended first. */
const inHand = ({ threads }: Agent): Busy => {
  const open = threads.filter((t) => t.state === 'open').length
  return open === 0 ? null : refuse({ reason: 'threadsInHand', count: open })
}

/** Of a shift that was forgotten: outcomes stay owed, and its agent finds them when the next one starts. Refused while a call is under way. */
export function endShiftOwing(draft: Draft, agent: Agent): Ruling {
  if (isAwaited(draft.state, agent)) return refuse({ reason: 'personOnTheWay' })
  const refused = busyOnCall(draft.state, agent)
  if (refused !== null) return refused
  leaveForLater(draft, agent)
  for (const { threadId, state } of agent.threads) {
    emit(draft, null, { kind: 'threadPassed', threadId, agentId: agent.id, because: 'left' })
    if (state === 'open') emit(draft, draft.state.seq, { kind: 'outcomeOwed', agentId: agent.id, callId: threadId, because: 'leftForLater' })
  }
  for (const { callId, listens } of agent.engagements)
    if (listens) emit(draft, null, { kind: 'connectionCleared', callId, deviceId: deviceOfAgent(agent.id), cause: 'hungUp' })
  return emit(draft, null, { kind: 'shiftEnded', agentId: agent.id })
}

/**
 * During a call it says what follows it. In wrap-up it leaves the outcome for later, where the centre allows so much to be owed.
 * Refused: outcomeOwed when it would be more, soundIsLost, deskIsLost, alreadyReady.
 */
export function goReady(draft: Draft, agent: Agent): Ruling {
  const free = agent.engagements.length === 0
  if (owesTooMuch(draft.state.setUp, agent)) {
    const refused = owes(draft.state, agent)
    if (refused !== null) return refused
  }
  if (agent.shift?.soundLost) return refuse({ reason: 'soundIsLost' })
  if (agent.shift?.deskLost) return refuse({ reason: 'deskIsLost' })
  if (agent.availability.ready && agent.shift?.leaving == null && (!free || agent.wrapUps.length === 0)) return refuse({ reason: 'alreadyReady' })
  if (free) leaveForLater(draft, agent)
  if (agent.availability.ready && agent.shift?.leaving == null) return null
  return emit(draft, null, { kind: 'agentReady', agentId: agent.id })
}

/**
 * At once when nothing is on; otherwise after the call and its wrap-up. Whoever the dialer has on the way to this agent alone is put through first. Refused:
 * unknownReason, alreadyNotReady.
 */
export function goNotReady(draft: Draft, agent: Agent, { reason }: Of<'goNotReady'>): Ruling {
  if (!isChosenReason(draft.state.setUp, reason)) return refuse({ reason: 'unknownReason' })
  if (!agent.availability.ready && agent.availability.reason === reason) return refuse({ reason: 'alreadyNotReady' })
  if (agent.shift?.leaving === reason) return refuse({ reason: 'alreadyNotReady' })
  const kind = isAwaited(draft.state, agent) ? 'notReadyAsked' : 'agentNotReady'
  return emit(draft, null, { kind, agentId: agent.id, reason })
}

export function setMute(draft: Draft, agent: Agent, { muted }: Of<'setMute'>): Ruling {
  if (agent.muted === muted) return refuse({ reason: 'muteUnchanged' })
  return emit(draft, null, { kind: 'muteChanged', agentId: agent.id, muted })
}

/** What keeps an agent from anything but their work, if something does. */
export function busy(state: FloorState, agent: Agent): Busy {
  const wrapUp = agent.wrapUps[0]
  return busyOnCall(state, agent) ?? (wrapUp === undefined ? null : refuse({ reason: 'outcomeOwed', with: partyOfCall(state, wrapUp.callId, agent.id) }))
}

/** A call that is on, or rings. */
export function busyOnCall(state: FloorState, { id, engagements }: Pick<Agent, 'id' | 'engagements'>): Busy {
  const own = engagements.filter((e) => !e.listens)
  const live = own.find((e) => e.state !== 'alerting')
  if (live !== undefined) return refuse({ reason: 'callUnderWay', with: partyOfCall(state, live.callId, id) })
  const ringing = own[0]
  return ringing === undefined ? null : refuse({ reason: 'callRings', with: partyOfCall(state, ringing.callId, id) })
}

/** An outcome this agent owes, if there is one. */
function owes(state: FloorState, agent: Agent): Busy {
  const first = [...agent.owed, ...agent.wrapUps][0]
  return first === undefined ? null : refuse({ reason: 'outcomeOwed', with: partyOfCall(state, first.callId, agent.id) })
}

/** A further line is opened with the others held and nothing ringing. */
export function mayOpenLine(state: FloorState, agent: Agent): Busy {
  const inTheWay = agent.engagements.find((e) => e.state !== 'held' && !e.listens)
  if (inTheWay === undefined) return null
  return refuse({ reason: inTheWay.state === 'alerting' ? 'callRings' : 'callUnderWay', with: partyOfCall(state, inTheWay.callId, agent.id) })
}

export const queueName = (state: FloorState, id: QueueId): string => (state.setUp.queues.some((q) => q.id === id) ? queueSetUp(state.setUp, id).name : id)
