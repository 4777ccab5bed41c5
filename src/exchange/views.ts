// What a tab is shown of the floor, by parts. A part is sent when its JSON differs from what that tab has.
import { spentToday, type WrapUp } from '@/core/agents'
import { type Call, whoHearsWhom } from '@/core/calls'
import { queueOfPart } from '@/core/contacts'
import { callerLabel } from '@/core/directory'
import type { AgentId, CallId } from '@/core/ids'
import { isOpen } from '@/core/queues'
import { queueOutlook } from '@/core/rules/door'
import { agentName, agentSetUp, queueSetUp, setUpOwners } from '@/core/set-up'
import { type FloorState, isMutedOn } from '@/core/state'
import { get, values } from '@/core/table'
import { CUSTOMERS, PLACES } from '@/world/scenario'
import type { AccountView, CallView, CentreView, DeviceView, DoorView, FloorView, HandsetState, MeView, ParkedView, QueueView, SeatView } from './protocol'
import type { Tab } from './tab'

/** What is seen before signing in. */
export const selectDoor = ({ setUp }: FloorState, { accountId, because }: Pick<Tab, 'accountId' | 'because'>): DoorView => ({
  centre: setUp.centre,
  accounts: inUse(setUp.agents).map(({ id, name }) => ({ id, name })),
  signedIn: accountId,
  because,
})

export function selectAccount(state: FloorState, tab: Pick<Tab, 'agentId'>, accountId: AgentId): AccountView {
  const { id, name, role, queueIds, may } = agentSetUp(state.setUp, accountId)
  const seat = get(state.agents, id)?.shift?.seat ?? null
  return { id, name, role, queueIds, may, shift: seat === 'desk' ? (tab.agentId === id ? 'here' : 'elsewhere') : seat }
}

export function selectCentre({ setUp, setUpSeq }: FloorState): CentreView {
  const { centre, homeCountry, holdLimitMs, ringLimitMs, takeBackMs, outsidersMayStay, notReadyReasons, outcomeSets, outsideOutcomeSetId } = setUp
  const { timeZone, mostOwed, archivedScriptIds } = setUp
  return {
    name: centre,
    homeCountry,
    holdLimitMs,
    ringLimitMs,
    takeBackMs,
    outsidersMayStay,
    timeZone,
    mostOwed,
    notReadyReasons,
    revision: setUpSeq,
    owners: setUpOwners(setUp),
    queues: setUp.queues
      .filter((q) => !q.retired)
      .map(({ id, name, scriptId, scriptChoices, outcomeSetId, serviceLevelMs, headStartMs, keepsPlaces, storm }) => {
        return { id, name, scriptId, scriptChoices, outcomeSetId, serviceLevelMs, headStartMs, keepsPlaces, stormAnnouncement: storm.announcement }
      }),
    formerQueues: setUp.queues.flatMap((q) => (q.retired ? [{ id: q.id, name: q.name, outcomeSetId: q.outcomeSetId }] : [])),
    scripts: setUp.scripts.toSorted((a, b) => a.version - b.version),
    archivedScriptIds,
    outcomeSets,
    outsideOutcomeSetId,
    places: PLACES.map(({ name, number }) => ({ name, number })),
    people: CUSTOMERS.map(({ id, name, number, mobile, group }) => ({ id, name, number, mobile, group })),
  }
}

export const selectSeats = (state: FloorState): readonly SeatView[] =>
  inUse(state.setUp.agents).map(({ id, name, role, queueIds }) => {
    const agent = get(state.agents, id)
    const { name: stateName = 'signedOut', reason = null, sinceMs = 0 } = agent?.state ?? {}
    const rings = agent?.engagements.find((e) => e.state === 'alerting')
    const call = rings && get(state.calls, rings.callId)
    const ringing = call === undefined ? null : { callId: call.id, queueId: call.queueId, label: labelOf(state, call) }
    const { note = null, doNotDisturb = false, diversion = null } = agent ?? {}
    return { id, name, role, queueIds, taken: agent?.shift?.seat ?? null, state: stateName, reason, sinceMs, note, doNotDisturb, diversion, ringing }
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

const inUse = <T extends { readonly retired: boolean }>(items: readonly T[]): readonly T[] => items.filter((item) => !item.retired)

export const selectQueues = (state: FloorState): readonly QueueView[] =>
  inUse(state.setUp.queues).map(({ id, hours }) => {
    const { waiting, serving, ready, expectedWaitMs } = queueOutlook(state, id)
    const servedBy = values(state.agents).flatMap((a) => (a.shift?.queueIds.includes(id) ? [agentName(state.setUp, a.id)] : []))
    const line = (state.waiting[id] ?? []).flatMap((callId) => get(state.calls, callId) ?? [])
    const offered = line.map((call) => call.offeredAtMs)
    return {
      id,
      expectedWaitMs,
      waiting,
      longestSinceMs: offered.length === 0 ? null : Math.min(...offered),
      onShift: serving,
      servedBy: servedBy.toSorted(),
      ready,
      kept: line.filter((call) => call.keptFor !== null).length,
      open: isOpen(hours, state.setUp.timeZone, state.atMs),
      storm: state.storm.includes(id),
    }
  })

/** null when the agent is not on shift: the tab then shows the start of shift. */
export function selectMe(state: FloorState, agentId: AgentId | null): MeView | null {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent?.shift == null) return null
  const { id, muted, wrapUps, owed, shift, availability, note, doNotDisturb, diversion, divertedTo } = agent
  const account = agentSetUp(state.setUp, id)
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
    afterwards: availability,
    soundPath: shift.soundPath,
    soundLost: shift.soundLost === null ? null : { sinceMs: shift.soundLost.sinceMs, why: shift.soundLost.why },
    note,
    doNotDisturb,
    diversion,
    divertedTo,
    may: account.may,
    answersItself: account.answersItself,
    takesWrapUp: account.takesWrapUp,
    spentMs: spentToday(agent),
    // The call that ended last is the one in mind: it is coded first.
    lately: latelyOf(state, id),
    wrapUp: wrapUpOf(state, id, wrapUps.at(-1)),
    owed: [...owed, ...wrapUps.slice(0, -1).map((w) => ({ callId: w.callId, sinceMs: w.startedAtMs, because: 'leftForLater' as const }))].map((o) => {
      const contact = get(state.contacts, o.callId)
      return { ...o, label: contact === undefined ? 'A caller' : callerLabel(contact), queueId: contact === undefined ? null : queueOfPart(contact, id) }
    }),
    codedCount: agent.codedCount,
  }
}

function latelyOf(state: FloorState, agentId: AgentId): MeView['lately'] {
  const last = get(state.lately, agentId)
  return last === undefined ? null : { callId: last.contact.callId, savedAtMs: last.savedAtMs }
}

function wrapUpOf(state: FloorState, agentId: AgentId, wrapUp: WrapUp | undefined): MeView['wrapUp'] {
  if (wrapUp === undefined) return null
  const contact = get(state.contacts, wrapUp.callId)
  const queueId = contact === undefined ? null : queueOfPart(contact, agentId)
  return { ...wrapUp, extensionMs: queueId === null ? 0 : (queueSetUp(state.setUp, queueId).wrapUpLimit?.extensionMs ?? 0) }
}

export function selectMine(state: FloorState, agentId: AgentId | null): Pick<FloorView, 'calls' | 'contacts'> {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent === undefined) return { calls: [], contacts: [] }
  const calls = agent.engagements.flatMap(({ callId }) => callView(state, callId))
  const about = calls.flatMap(({ call }) => (call.consultFor === null ? [call.id] : [call.id, call.consultFor]))
  const ids = new Set<CallId>([...about, ...[...agent.wrapUps, ...agent.owed].map((w) => w.callId)])
  const contacts = values(state.contacts).filter((c) => ids.has(c.callId))
  // Each agent sees the queue whose rules hold for their own part.
  const mine = contacts.map((c) => ({ ...c, queueId: queueOfPart(c, agent.id) }))
  return { calls, contacts: mine.sort((a, b) => b.offeredAtMs - a.offeredAtMs) }
}

function callView(state: FloorState, callId: CallId): CallView[] {
  const call = get(state.calls, callId)
  return call === undefined ? [] : [{ call, ears: whoHearsWhom(call, isMutedOn(state)) }]
}

/** What the window of an agent's device shows of the agent's calls. */
export function selectDevice(state: FloorState, is: DeviceView['is'], agentId: AgentId, handset: HandsetState): DeviceView {
  const agent = get(state.agents, agentId)
  const path = agent?.shift?.soundPath ?? null
  const carries = (callId: CallId) =>
    get(state.calls, callId)?.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId && c.endpoint === is)
  const engagement = agent?.engagements.find((e) => e.state !== 'held' && (path === is || carries(e.callId)))
  const call = engagement && get(state.calls, engagement.callId)
  const who = call === undefined ? null : labelOf(state, call)
  const rings = handset === 'ringing' || engagement?.state === 'alerting'
  const talks = handset === 'lifted' || (engagement !== undefined && engagement.state !== 'alerting')
  return { is, agentId, agentName: agentName(state.setUp, agentId), state: rings ? 'ringing' : talks ? 'talking' : 'idle', with: who }
}
