// What everybody sees of a seat: who sits there, what they do and where their own calls go, and what rings.
import type { Agent, AgentState, Diversion } from '@/core/agents'
import { type Call, isInternal } from '@/core/calls'
import { callerLabel } from '@/core/directory'
import type { AgentId } from '@/core/ids'
import { type AgentSetUp, agentName } from '@/core/set-up'
import { type FloorState, partyOfCall } from '@/core/state'
import { get } from '@/core/table'
import type { DiversionView, SeatView } from './protocol'

export function seatView(state: FloorState, { id, name, role, team, extension, queueIds }: AgentSetUp): SeatView {
  const agent = get(state.agents, id)
  const { name: stateName = 'signedOut', reason = null, sinceMs = 0 } = agent === undefined ? {} : shownState(state, agent)
  const rings = agent?.engagements.find((e) => e.state === 'alerting')
  const call = rings && get(state.calls, rings.callId)
  const ringing = call === undefined ? null : { callId: call.id, queueId: call.queueId, label: labelOf(state, call, id) }
  const { note = null, doNotDisturb = false, diversion = null } = agent ?? {}
  const [taken, serves] = [agent?.shift?.seat ?? null, agent?.shift?.queueIds ?? []]
  return {
    id,
    name,
    role,
    team,
    extension,
    queueIds,
    serves,
    taken,
    state: stateName,
    reason,
    sinceMs,
    note,
    doNotDisturb,
    diversion: diversionView(state, diversion),
    ringing,
  }
}

export const diversionView = ({ setUp }: FloorState, to: Diversion | null): DiversionView | null =>
  to?.kind === 'agent' ? { ...to, name: agentName(setUp, to.agentId) } : to

/** Where nobody shall see that they are listened to, who listens is to all others what they are besides. */
function shownState({ setUp }: FloorState, { state, availability }: Agent): AgentState {
  if (state.name !== 'listening' || setUp.listeningIsShown) return state
  return { ...state, name: availability.ready ? 'ready' : 'notReady', reason: availability.reason }
}

/** Who a call is about: its caller, for a consult whoever asks, and of a call between colleagues the other one. */
export function labelOf(state: FloorState, call: Call, agentId: AgentId | null): string {
  const asker = call.connections[0]?.party
  if (call.consultFor !== null && asker?.kind === 'agent') return agentName(state.setUp, asker.agentId)
  return isInternal(call) && agentId !== null ? partyOfCall(state, call.id, agentId) : callerLabel(call)
}
