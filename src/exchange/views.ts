// What a tab is shown of the floor, by parts. A part is sent when its JSON differs from what that tab has.
import { type Call, callerLabel, whoHearsWhom } from '@/core/calls'
import { type FloorState, isMutedOn } from '@/core/floor'
import type { AgentId, CallId } from '@/core/ids'
import { expectedWaitMs } from '@/core/queues'
import { agentName } from '@/core/set-up'
import { get, values } from '@/core/table'
import { CUSTOMERS, PLACES } from '@/world/scenario'
import type { CallView, CentreView, FloorView, MeView, ParkedView, QueueView, SeatView } from './protocol'

export function selectCentre({ setUp }: FloorState): CentreView {
  const { centre, homeCountry, holdLimitMs, ringLimitMs, takeBackMs, outsidersMayStay, notReadyReasons, scripts, outcomeSets, outsideOutcomeSetId } = setUp
  return {
    name: centre,
    homeCountry,
    holdLimitMs,
    ringLimitMs,
    takeBackMs,
    outsidersMayStay,
    notReadyReasons,
    queues: setUp.queues.map(({ id, name, scriptId, outcomeSetId, serviceLevelMs }) => ({ id, name, scriptId, outcomeSetId, serviceLevelMs })),
    scripts,
    outcomeSets,
    outsideOutcomeSetId,
    places: PLACES.map(({ name, number }) => ({ name, number })),
    people: CUSTOMERS.map(({ id, name, number, mobile, group }) => ({ id, name, number, mobile, group })),
  }
}

export const selectSeats = (state: FloorState): readonly SeatView[] =>
  state.setUp.agents.map(({ id, name, role, queueIds }) => {
    const agent = get(state.agents, id)
    const { name: stateName = 'signedOut', reason = null, sinceMs = 0 } = agent?.state ?? {}
    const rings = agent?.engagements.find((e) => e.state === 'alerting')
    const call = rings && get(state.calls, rings.callId)
    const ringing = call === undefined ? null : { callId: call.id, queueId: call.queueId, label: labelOf(state, call) }
    return { id, name, role, queueIds, taken: agent?.shift?.seat ?? null, state: stateName, reason, sinceMs, ringing }
  })

/** Calls that wait in a parking slot, by slot. */
export const selectParked = (state: FloorState): readonly ParkedView[] =>
  values(state.calls)
    .flatMap((call) =>
      call.connections.flatMap(({ party, sinceMs }): ParkedView[] =>
        party.kind === 'park'
          ? [
              {
                callId: call.id,
                slot: party.slot,
                label: labelOf(state, call),
                sinceMs,
                byName: call.handover === null ? null : agentName(state.setUp, call.handover.byAgentId),
              },
            ]
          : [],
      ),
    )
    .toSorted((a, b) => a.slot - b.slot)

/** Who a call is about: its caller, or for a consult whoever asks. */
function labelOf(state: FloorState, call: Call): string {
  const asker = call.connections[0]?.party
  return call.consultFor !== null && asker?.kind === 'agent' ? agentName(state.setUp, asker.agentId) : callerLabel(call)
}

export const selectQueues = (state: FloorState): readonly QueueView[] => {
  const onShift = values(state.agents).filter((a) => a.shift !== null)
  return state.setUp.queues.map(({ id }) => {
    const line = state.waiting[id] ?? []
    const first = line[0]
    const serving = onShift.filter((a) => a.shift?.queueIds.includes(id))
    const ready = serving.filter((a) => a.state.name === 'ready').length
    return {
      id,
      expectedWaitMs: expectedWaitMs({ waiting: line.length, serving: serving.length, ready }, state.handleMs[id]),
      waiting: line.length,
      longestSinceMs: first === undefined ? null : (get(state.calls, first)?.offeredAtMs ?? null),
      onShift: serving.length,
      ready,
    }
  })
}

/** null when the agent is not on shift: the tab then shows the start of shift. */
export function selectMe(state: FloorState, agentId: AgentId | null): MeView | null {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent?.shift == null) return null
  const { id, muted, wrapUps, shift } = agent
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
    // The call that ended last is the one in mind: it is coded first.
    wrapUp: wrapUps.at(-1) ?? null,
    owedCount: wrapUps.length,
    codedCount: agent.codedCount,
  }
}

export function selectMine(state: FloorState, agentId: AgentId | null): Pick<FloorView, 'calls' | 'contacts'> {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent === undefined) return { calls: [], contacts: [] }
  const calls = agent.engagements.flatMap(({ callId }) => callView(state, callId))
  const about = calls.flatMap(({ call }) => (call.consultFor === null ? [call.id] : [call.id, call.consultFor]))
  const ids = new Set<CallId>([...about, ...agent.wrapUps.map((w) => w.callId)])
  const contacts = values(state.contacts).filter((c) => ids.has(c.callId))
  return { calls, contacts: contacts.toSorted((a, b) => b.offeredAtMs - a.offeredAtMs) }
}

function callView(state: FloorState, callId: CallId): CallView[] {
  const call = get(state.calls, callId)
  return call === undefined ? [] : [{ call, ears: whoHearsWhom(call, isMutedOn(state)) }]
}
