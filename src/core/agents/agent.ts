// An agent's shift as folded from events. Availability, calls and wrap-up are independent axes; the one state
// that is shown and reported is computed from them and kept with the instant it began.

import type { CallEvent, ConnectionState } from '@/core/calls'
import { type AgentId, type CallId, type DeviceId, deviceOfAgent, type QueueId } from '@/core/ids'
import type { OutcomeEvent } from '@/core/outcomes'
import type { EpochMs } from '@/core/time'
import type { AgentEvent } from './event'

export type AgentStateName = 'signedOut' | 'notReady' | 'ready' | 'ringing' | 'onCall' | 'wrapUp'

export interface AgentState {
  readonly name: AgentStateName
  /** Why not ready; null in every other state. */
  readonly reason: string | null
  readonly sinceMs: EpochMs
}

export interface Engagement {
  readonly callId: CallId
  readonly state: ConnectionState
}

export interface Agent {
  readonly id: AgentId
  readonly shift: { readonly startedAtMs: EpochMs; readonly queueIds: readonly QueueId[]; readonly seat: 'desk' | 'standIn' } | null
  readonly availability: { readonly ready: boolean; readonly reason: string | null }
  readonly engagements: readonly Engagement[]
  readonly wrapUp: { readonly callId: CallId; readonly startedAtMs: EpochMs; readonly recommendedMs: number } | null
  /** Belongs to the agent, not to a call: only muteChanged touches it. */
  readonly muted: boolean
  /** Calls coded on this shift. */
  readonly codedCount: number
  readonly state: AgentState
}

/** The reason an agent carries from sign-in until they first go ready. */
export const SIGNED_IN_REASON = 'Signed in'

export const createAgent = (id: AgentId): Agent => ({
  id,
  shift: null,
  availability: { ready: false, reason: null },
  engagements: [],
  wrapUp: null,
  muted: false,
  codedCount: 0,
  state: { name: 'signedOut', reason: null, sinceMs: 0 },
})

/** What the axes amount to: a call counts before wrap-up, a talking or dialling call before a ringing one. */
export function agentStateName(agent: Pick<Agent, 'shift' | 'availability' | 'engagements' | 'wrapUp'>): AgentStateName {
  if (agent.shift === null) return 'signedOut'
  if (agent.engagements.some((e) => e.state !== 'alerting')) return 'onCall'
  if (agent.engagements.length > 0) return 'ringing'
  if (agent.wrapUp !== null) return 'wrapUp'
  return agent.availability.ready ? 'ready' : 'notReady'
}

export function evolveAgent(agent: Agent, event: AgentEvent | CallEvent | OutcomeEvent, atMs: EpochMs): Agent {
  const changed = applied(agent, event, atMs)
  if (changed === agent) return agent
  const name = agentStateName(changed)
  const reason = name === 'notReady' ? changed.availability.reason : null
  const same = name === agent.state.name && reason === agent.state.reason
  return same ? changed : { ...changed, state: { name, reason, sinceMs: atMs } }
}

function applied(agent: Agent, event: AgentEvent | CallEvent | OutcomeEvent, atMs: EpochMs): Agent {
  switch (event.kind) {
    case 'shiftStarted':
      return {
        ...createAgent(agent.id),
        shift: { startedAtMs: atMs, queueIds: event.queueIds, seat: event.seat },
        availability: { ready: false, reason: SIGNED_IN_REASON },
        state: agent.state,
      }
    case 'shiftEnded':
      return { ...createAgent(agent.id), state: agent.state }
    case 'agentReady':
      return { ...agent, availability: { ready: true, reason: null } }
    case 'agentNotReady':
      return { ...agent, availability: { ready: false, reason: event.reason } }
    case 'wrapUpStarted':
      return { ...agent, wrapUp: { callId: event.callId, startedAtMs: atMs, recommendedMs: event.recommendedMs } }
    case 'wrapUpEnded':
      return { ...agent, wrapUp: null }
    case 'muteChanged':
      return { ...agent, muted: event.muted }
    case 'callOriginated':
      return engage(agent, event.callId, 'initiated')
    case 'connectionDelivered':
    case 'connectionFailed':
      // The far end rings or cannot be had: the dialling agent's own end is connected from now on.
      if (event.deviceId !== deviceOfAgent(agent.id)) return advance(agent, event.callId, 'initiated', 'connected')
      return engage(agent, event.callId, 'alerting')
    case 'connectionEstablished':
      return mine(agent, event.deviceId) ? engage(agent, event.callId, 'connected') : agent
    case 'connectionHeld':
      return mine(agent, event.deviceId) ? engage(agent, event.callId, 'held') : agent
    case 'connectionRetrieved':
      return mine(agent, event.deviceId) ? engage(agent, event.callId, 'connected') : agent
    case 'connectionCleared':
      return mine(agent, event.deviceId) ? { ...agent, engagements: agent.engagements.filter((e) => e.callId !== event.callId) } : agent
    case 'outcomeSaved':
      return { ...agent, codedCount: agent.codedCount + 1 }
    case 'callQueued':
    case 'callCleared':
      return agent
  }
}

const mine = (agent: Agent, deviceId: DeviceId) => deviceId === deviceOfAgent(agent.id)

const engage = (agent: Agent, callId: CallId, state: ConnectionState): Agent => ({
  ...agent,
  engagements: [...agent.engagements.filter((e) => e.callId !== callId), { callId, state }],
})

const advance = (agent: Agent, callId: CallId, from: ConnectionState, to: ConnectionState): Agent =>
  agent.engagements.some((e) => e.callId === callId && e.state === from) ? engage(agent, callId, to) : agent
