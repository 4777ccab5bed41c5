// What a tab is shown of the floor, by parts. A part is sent when its JSON differs from what that tab has.
import type { Agent } from '@/core/agents'
import { whoHearsWhom } from '@/core/calls'
import type { FloorState } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { agentName } from '@/core/set-up'
import { get, values } from '@/core/table'
import { CUSTOMERS } from '@/world/scenario'
import type { CallView, CentreView, FloorView, MeView, QueueView, SeatView } from './protocol'

export function selectCentre({ setUp }: FloorState): CentreView {
  const { centre, homeCountry, holdLimitMs, ringLimitMs, notReadyReasons, scripts, outcomeSets, outsideOutcomeSetId } = setUp
  return {
    name: centre,
    homeCountry,
    holdLimitMs,
    ringLimitMs,
    notReadyReasons,
    queues: setUp.queues.map(({ id, name, scriptId, outcomeSetId, serviceLevelMs }) => ({ id, name, scriptId, outcomeSetId, serviceLevelMs })),
    scripts,
    outcomeSets,
    outsideOutcomeSetId,
    people: CUSTOMERS.map(({ id, name, number, group }) => ({ id, name, number, group })),
  }
}

export const selectSeats = (state: FloorState): readonly SeatView[] =>
  state.setUp.agents.map(({ id, name, role, queueIds }) => {
    const agent = get(state.agents, id)
    return { id, name, role, queueIds, taken: agent?.shift?.seat ?? null, state: agent?.state.name ?? 'signedOut' }
  })

export const selectQueues = (state: FloorState): readonly QueueView[] => {
  const onShift = values(state.agents).filter((a) => a.shift !== null)
  return state.setUp.queues.map(({ id }) => {
    const line = state.waiting[id] ?? []
    const first = line[0]
    const serving = onShift.filter((a) => a.shift?.queueIds.includes(id))
    return {
      id,
      waiting: line.length,
      longestSinceMs: first === undefined ? null : (get(state.calls, first)?.offeredAtMs ?? null),
      onShift: serving.length,
      ready: serving.filter((a) => a.state.name === 'ready').length,
    }
  })
}

/** null when the agent is not on shift: the tab then shows the start of shift. */
export function selectMe(state: FloorState, agentId: AgentId | null): MeView | null {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent?.shift == null) return null
  const { id, muted, wrapUp, shift } = agent
  const { name: stateName, reason, sinceMs } = agent.state
  return {
    id,
    name: agentName(state.setUp, id),
    state: stateName,
    reason,
    sinceMs,
    shiftStartedAtMs: shift.startedAtMs,
    queueIds: shift.queueIds,
    muted,
    wrapUp,
    codedCount: agent.codedCount,
  }
}

export function selectMine(state: FloorState, agentId: AgentId | null): Pick<FloorView, 'calls' | 'contacts'> {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent === undefined) return { calls: [], contacts: [] }
  const calls = agent.engagements.flatMap(({ callId }) => callView(state, callId))
  const ids = new Set<string>([...calls.map((c) => c.id), ...(agent.wrapUp === null ? [] : [agent.wrapUp.callId])])
  const contacts = values(state.contacts).filter((c) => ids.has(c.callId))
  return { calls, contacts: contacts.toSorted((a, b) => b.offeredAtMs - a.offeredAtMs) }
}

function callView(state: FloorState, callId: Agent['engagements'][number]['callId']): CallView[] {
  const call = get(state.calls, callId)
  if (call === undefined) return []
  const { id, direction, offeredAtMs, answeredAtMs, connections } = call
  const ears = whoHearsWhom(call, (agentId) => get(state.agents, agentId)?.muted ?? false)
  return [{ id, direction, offeredAtMs, answeredAtMs, connections, ears }]
}
