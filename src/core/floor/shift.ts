// Rules of the shift: who may start one, and when an agent may go ready, not ready or home.
import type { Agent } from '@/core/agents'
import { callerLabel } from '@/core/calls'
import type { CallId, QueueId } from '@/core/ids'
import { queueSetUp } from '@/core/set-up'
import { get } from '@/core/table'
import type { AgentCommand } from './command'
import { type Draft, emit, type Refused, type Ruling, refuse } from './draft'
import { partyName } from './reach'
import type { FloorState } from './state'

type Of<K extends AgentCommand['kind']> = Extract<AgentCommand, { kind: K }>

/** Refused: wrongAgentOrPin, seatTaken, noQueueTicked, queueNotYours, in this order. */
export function startShift(draft: Draft, command: Of<'startShift'>): Ruling {
  const { setUp, agents } = draft.state
  const account = setUp.agents.find((a) => a.id === command.agentId)
  if (account === undefined || account.pin !== command.pin) return refuse({ reason: 'wrongAgentOrPin' })
  const shift = get(agents, account.id)?.shift
  if (shift) return refuse({ reason: 'seatTaken', name: account.name, seat: shift.seat })
  if (command.queueIds.length === 0) return refuse({ reason: 'noQueueTicked' })
  const strange = command.queueIds.find((id) => !account.queueIds.includes(id))
  if (strange !== undefined) return refuse({ reason: 'queueNotYours', queue: queueName(draft.state, strange) })
  return emit(draft, null, { kind: 'shiftStarted', agentId: account.id, queueIds: command.queueIds, seat: command.seat })
}

/** Refused while a call is under way or an outcome is owed, naming what is left to do. */
export function endShift(draft: Draft, agent: Agent): Ruling {
  return busy(draft.state, agent) ?? emit(draft, null, { kind: 'shiftEnded', agentId: agent.id })
}

export function goReady(draft: Draft, agent: Agent): Ruling {
  const refused = busy(draft.state, agent)
  if (refused !== null) return refused
  if (agent.availability.ready) return refuse({ reason: 'alreadyReady' })
  return emit(draft, null, { kind: 'agentReady', agentId: agent.id })
}

export function goNotReady(draft: Draft, agent: Agent, reason: string): Ruling {
  if (!draft.state.setUp.notReadyReasons.includes(reason)) return refuse({ reason: 'unknownReason' })
  const refused = busy(draft.state, agent)
  if (refused !== null) return refused
  if (agent.state.name === 'notReady' && agent.state.reason === reason) return refuse({ reason: 'alreadyNotReady' })
  return emit(draft, null, { kind: 'agentNotReady', agentId: agent.id, reason })
}

export function setMute(draft: Draft, agent: Agent, muted: boolean): Ruling {
  if (agent.muted === muted) return refuse({ reason: 'muteUnchanged' })
  return emit(draft, null, { kind: 'muteChanged', agentId: agent.id, muted })
}

/** What keeps an agent from anything but their work, if something does. */
export function busy(state: FloorState, agent: Agent): Refused | null {
  const live = agent.engagements.find((e) => e.state !== 'alerting')
  if (live !== undefined) return refuse({ reason: 'callUnderWay', with: partyOfCall(state, live.callId) })
  const ringing = agent.engagements[0]
  if (ringing !== undefined) return refuse({ reason: 'callRings', with: partyOfCall(state, ringing.callId) })
  const owed = agent.wrapUps[0]
  if (owed !== undefined) return refuse({ reason: 'outcomeOwed', with: partyOfCall(state, owed.callId) })
  return null
}

/** A further line is opened with the others held and nothing ringing. */
export function mayOpenLine(state: FloorState, agent: Agent): Refused | null {
  const inTheWay = agent.engagements.find((e) => e.state !== 'held')
  if (inTheWay === undefined) return null
  return refuse({ reason: inTheWay.state === 'alerting' ? 'callRings' : 'callUnderWay', with: partyOfCall(state, inTheWay.callId) })
}

/** Who a call is with, for a sentence: its caller, or whoever is consulted. */
export function partyOfCall(state: FloorState, callId: CallId): string {
  const contact = get(state.contacts, callId)
  if (contact !== undefined) return callerLabel(contact)
  const consulted = get(state.calls, callId)?.connections.at(-1)?.party
  return consulted === undefined ? 'a caller' : partyName(state, consulted)
}

const queueName = (state: FloorState, id: QueueId): string => (state.setUp.queues.some((q) => q.id === id) ? queueSetUp(state.setUp, id).name : id)
