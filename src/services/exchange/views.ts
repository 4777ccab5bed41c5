// What a tab is shown of the floor, by parts. A part is sent when its JSON differs from what that tab has.
import { type AgentStateName, spentToday, type WrapUp } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import { whoHearsWhom } from '@/core/calls'
import { countsOver, createRun } from '@/core/campaigns'
import { type Pair, pairKey } from '@/core/colleagues'
import type { DialerReasons } from '@/core/dialer'
import { callerLabel } from '@/core/directory'
import type { AgentId, CallId } from '@/core/ids'
import { isOpenAt } from '@/core/queues'
import { sheetsInUse } from '@/core/reviews'
import { linesInUse } from '@/core/rules/campaign'
import { queueStanding } from '@/core/rules/door'
import { isAwaited } from '@/core/rules/shift'
import { agentName, agentSetUp, type CampaignSetUp, type QueueSetUp, rulesOfBehalf, setUpOwners } from '@/core/set-up'
import { type FloorState, isMutedOn, type TableName } from '@/core/state'
import { get, type Table, values } from '@/core/table'
import { MINUTE } from '@/core/time'
import { behalfOfPart } from '@/core/work'
import { helpOf } from './help-view'
import type { Left } from './list-feed'
import type {
  AccountView,
  CallbackView,
  CallView,
  CampaignView,
  CentreView,
  DeviceView,
  DoorView,
  FloorView,
  HandsetState,
  MeView,
  QueueView,
} from './protocol'
import type { Scenario } from './scenario'
import { diversionView, labelOf } from './seat-view'
import type { Tab } from './tab'
import { selectThreads } from './threads'
import { seenBy } from './unheard'

/** What is seen before signing in. */
export const selectDoor = (
  { setUp }: FloorState,
  { accountId, because, locked }: Pick<Tab, 'accountId' | 'because' | 'locked'>,
  pinsUnreadable: boolean,
): DoorView => ({
  locked,
  pinsUnreadable,
  centre: setUp.centre,
  accounts: inUse(setUp.agents).map(({ id, name }) => ({ id, name })),
  signedIn: accountId,
  because,
})

export function selectAccount(state: FloorState, tab: Pick<Tab, 'agentId'>, accountId: AgentId): AccountView {
  const { id, name, role, queueIds, may } = agentSetUp(state.setUp, accountId)
  const agent = get(state.agents, id)
  const seat = agent?.shift?.seat ?? null
  return { id, name, role, queueIds, may, shift: seat === 'desk' ? (tab.agentId === id ? 'here' : 'elsewhere') : seat, told: agent?.told ?? [] }
}

export function selectCentre({ setUp, setUpSeq }: FloorState, { places, people }: Pick<Scenario, 'places' | 'people'>): CentreView {
  const { centre, homeCountry, holdLimitMs, ringLimitMs, takeBackMs, outsidersMayStay, notReadyReasons, outcomeSets, outsideOutcomeSetId } = setUp
  const { timeZone, mostOwed, archivedScriptIds, listeningIsShown } = setUp
  return {
    name: centre,
    homeCountry,
    holdLimitMs,
    ringLimitMs,
    takeBackMs,
    outsidersMayStay,
    timeZone,
    mostOwed,
    listeningIsShown,
    notReadyReasons,
    skills: setUp.skills,
    quickTexts: setUp.quickTexts,
    reviewSheets: sheetsInUse(setUp.reviewSheets),
    revision: setUpSeq,
    owners: setUpOwners(setUp),
    queues: setUp.queues
      .filter((q) => !q.retired)
      .map(({ id, name, number, scriptId, scriptChoices, outcomeSetId, serviceLevelMs, headStartMs, keepsPlaces, takesMessages, storm, warns, writes }) => {
        return {
          id,
          name,
          number,
          scriptId,
          scriptChoices,
          outcomeSetId,
          serviceLevelMs,
          headStartMs,
          keepsPlaces,
          takesMessages,
          stormAnnouncement: storm.announcement,
          warns,
          writes,
        }
      }),
    campaigns: setUp.campaigns.map(
      ({ id, name, purpose, manner, scriptId, outcomeSetId, callerId, ringBackQueueId, agentIds, lines, target, attempts, retired, ...c }) => ({
        id,
        name,
        purpose,
        manner,
        scriptId,
        outcomeSetId,
        callerId,
        ringBackQueueId,
        agentIds,
        lines,
        target,
        attempts,
        retired,
        abandonCap: c.abandonCap,
        detector: c.detector,
        detectorDrops: c.detectorDrops,
        ringLimitMs: c.ringLimitMs,
        connectLimitMs: c.connectLimitMs,
      }),
    ),
    formerQueues: setUp.queues.flatMap((q) => (q.retired ? [{ id: q.id, name: q.name, outcomeSetId: q.outcomeSetId }] : [])),
    scripts: setUp.scripts.toSorted((a, b) => a.version - b.version),
    archivedScriptIds,
    outcomeSets,
    outsideOutcomeSetId,
    places,
    people,
  }
}

const inUse = <T extends { readonly retired: boolean }>(items: readonly T[]): readonly T[] => items.filter((item) => !item.retired)

export function queueView(state: FloorState, queue: QueueSetUp): QueueView {
  const { id } = queue
  const { waiting, serving, ready, expectedWaitMs } = queueStanding(state, id)
  const line = (state.waiting[id] ?? []).flatMap((callId) => get(state.calls, callId) ?? [])
  return {
    id,
    expectedWaitMs,
    waiting,
    longestSinceMs: line.length === 0 ? null : line.reduce((least, call) => Math.min(least, call.offeredAtMs), Infinity),
    onShift: serving,
    ready,
    kept: line.filter((call) => call.keptFor !== null).length,
    messages: state.messagesWaiting[id]?.length ?? 0,
    open: isOpenNow(queue, state),
    door: state.doors[id] ?? null,
    storm: state.storm.includes(id),
  }
}

/** Hours begin and end with a minute: what a calendar has said of one is not asked again. */
const opened = new WeakMap<QueueSetUp, { readonly minute: number; readonly open: boolean }>()
function isOpenNow(queue: QueueSetUp, { setUp, doors, atMs }: FloorState): boolean {
  if (doors[queue.id] !== undefined) return doors[queue.id] === 'open'
  const minute = Math.floor(atMs / MINUTE)
  const known = opened.get(queue)
  if (known?.minute === minute) return known.open
  const open = isOpenAt(queue, {}, setUp.timeZone, atMs)
  opened.set(queue, { minute, open })
  return open
}

export const callbackView = ({ customer, dialled, callId: _callId, agreedAtMs: _agreedAtMs, ...callback }: Callback): CallbackView => ({
  ...callback,
  name: customer?.name ?? null,
  dialledBy: dialled?.byAgentId ?? null,
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
    campaignId: shift.campaignId,
    leaving: shift.leaving,
    awaited: isAwaited(state, agent),
    preview: previewOf(state, id),
    muted,
    help: helpOf(state, agent),
    afterwards: availability,
    soundPath: shift.soundPath,
    soundLost: shift.soundLost === null ? null : { sinceMs: shift.soundLost.sinceMs, why: shift.soundLost.why },
    deskWasLost: shift.deskWasLost,
    note,
    doNotDisturb,
    diversion: diversionView(state, diversion),
    divertedTo,
    may: account.may,
    number: account.number,
    answersItself: account.answersItself,
    takesWrapUp: account.takesWrapUp,
    spentMs: spentToday(agent),
    // The call that ended last is the one in mind: it is coded first.
    lately: latelyOf(state, id),
    wrapUp: wrapUpOf(state, id, wrapUps.at(-1)),
    owed: [...owed, ...wrapUps.slice(0, -1).map((w) => ({ callId: w.callId, sinceMs: w.startedAtMs, because: 'leftForLater' as const }))].map((o) => {
      const work = get(state.work, o.callId)
      return {
        ...o,
        label: work === undefined ? 'A caller' : callerLabel(work),
        ...(work === undefined ? { queueId: null, campaignId: null } : behalfOfPart(work, id)),
      }
    }),
    codedCount: agent.codedCount,
    asked: pairsOf(state.questions, (q) => q.toAgentId === id && q.answered === null),
    asking: pairsOf(state.questions, (q) => q.byAgentId === id),
    whenFree: pairsOf(state.whenFree, (w) => w.byAgentId === id),
  }
}

/** Of one agent, in the order of who it is about. */
const pairsOf = <T extends Pair>(table: Table<T>, isMeant: (row: T) => boolean): readonly T[] =>
  values(table)
    .filter(isMeant)
    .toSorted((a, b) => (pairKey(a) < pairKey(b) ? -1 : 1))

function previewOf(state: FloorState, agentId: AgentId): MeView['preview'] {
  const preview = get(state.previews, agentId)
  if (preview === undefined) return null
  const { campaignId, record, sinceMs, dueAtMs, callbackId } = preview
  const callback = callbackId === null ? undefined : get(state.callbacks, callbackId)
  const promised = callback === undefined ? null : { dueAtMs: callback.dueAtMs, by: agentName(state.setUp, callback.agreedBy), note: callback.note }
  return { campaignId, record, sinceMs, dueAtMs, promised }
}

function latelyOf(state: FloorState, agentId: AgentId): MeView['lately'] {
  const last = get(state.lately, agentId)
  return last === undefined ? null : { callId: last.work.id, savedAtMs: last.savedAtMs }
}

function wrapUpOf(state: FloorState, agentId: AgentId, wrapUp: WrapUp | undefined): MeView['wrapUp'] {
  if (wrapUp === undefined) return null
  const work = get(state.work, wrapUp.callId)
  const rules = work === undefined ? null : rulesOfBehalf(state.setUp, behalfOfPart(work, agentId))
  return { ...wrapUp, extensionMs: rules?.wrapUpLimit?.extensionMs ?? 0 }
}

export function selectMine(state: FloorState, agentId: AgentId | null): Pick<FloorView, 'calls' | 'threads' | 'work'> {
  const agent = agentId === null ? undefined : get(state.agents, agentId)
  if (agent === undefined) return { calls: [], threads: [], work: [] }
  const calls = agent.engagements.flatMap(({ callId }) => callView(state, callId, agent.id))
  const about = calls.flatMap(({ call }) => call.workId ?? [])
  const threads = selectThreads(state, agent.id)
  const ids = new Set<CallId>([...about, ...threads.map((t) => t.id), ...[...agent.wrapUps, ...agent.owed].map((w) => w.callId)])
  const work = [...ids].flatMap((id) => get(state.work, id) ?? [])
  // Each agent sees the queue whose rules hold for their own part.
  const mine = work.map((c) => ({ ...c, queueId: behalfOfPart(c, agent.id).queueId }))
  return { calls, threads, work: mine.sort((a, b) => b.offeredAtMs - a.offeredAtMs) }
}

function callView(state: FloorState, callId: CallId, agentId: AgentId): CallView[] {
  const call = get(state.calls, callId)
  return call === undefined ? [] : [seenBy(state, { call, ears: whoHearsWhom(call, isMutedOn(state)) }, agentId)]
}

/** What the window of an agent's device shows of the agent's calls. */
export function selectDevice(state: FloorState, is: DeviceView['is'], agentId: AgentId, handset: HandsetState, isTheirs: boolean): DeviceView {
  if (!isTheirs) return { is, agentId, agentName: agentName(state.setUp, agentId), state: 'idle', with: null }
  const agent = get(state.agents, agentId)
  const path = agent?.shift?.soundPath ?? null
  const carries = (callId: CallId) =>
    get(state.calls, callId)?.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId && c.endpoint === is)
  const engagement = agent?.engagements.find((e) => e.state !== 'held' && (path === is || carries(e.callId)))
  const call = engagement && get(state.calls, engagement.callId)
  const who = call === undefined ? null : labelOf(state, call, agentId)
  const rings = handset === 'ringing' || engagement?.state === 'alerting'
  const talks = handset === 'lifted' || (engagement !== undefined && engagement.state !== 'alerting')
  return { is, agentId, agentName: agentName(state.setUp, agentId), state: rings ? 'ringing' : talks ? 'talking' : 'idle', with: who }
}

/** What the dialer and the lists know of a campaign besides the floor. */
export interface Dialled {
  readonly left: Left | null
  readonly reasons: DialerReasons | null
}

export function campaignView(state: FloorState, { id, abandonCap }: CampaignSetUp, { left, reasons }: Dialled): CampaignView {
  const run = get(state.campaigns, id) ?? createRun(id)
  const agents = values(state.agents).filter((a) => a.shift?.campaignId === id)
  const attempts = values(state.attempts).filter((a) => a.campaignId === id)
  const are = (name: AgentStateName) => agents.filter((a) => a.state.name === name).length
  return {
    id,
    state: run.state,
    sinceMs: run.sinceMs,
    conversions: run.conversions,
    lastLiveAtMs: run.lastLiveAtMs,
    onShift: agents.length,
    ready: are('ready'),
    talking: are('onCall'),
    inWrapUp: are('wrapUp'),
    ringing: attempts.filter((a) => a.state === 'dialling' || a.state === 'ringing').length,
    detecting: attempts.filter((a) => a.state === 'detecting').length,
    waiting: attempts.filter((a) => a.state === 'waiting').length,
    linesInUse: linesInUse(state, id),
    today: countsOver(run, 1, state.atMs),
    window: countsOver(run, abandonCap.overDays, state.atMs),
    expectedMs: reasons === null ? null : untilNextMs(reasons),
    left,
  }
}

/** At the pace of the last minutes, shared by those who are ready: too few say nothing. */
function untilNextMs({ observation: { agentsIdle, recent, recentHour } }: DialerReasons): number | null {
  const [of, lastsMs] = recent.connects >= 5 ? [recent.connects, 5 * MINUTE] : [recentHour.connects, 60 * MINUTE]
  return of < 5 ? null : (lastsMs / of) * Math.max(1, agentsIdle)
}

/** Whether what an agent sees of their own, their calls and what is theirs to write, may differ after these changes. */
export function concerns(state: FloorState, agentId: AgentId, changed: ReadonlyMap<TableName, ReadonlySet<string>>): boolean {
  const [agents, calls, work] = [changed.get('agents'), changed.get('calls'), changed.get('work')]
  if ([...(changed.get('questions') ?? []), ...(changed.get('whenFree') ?? [])].some((key) => key.split(' ').includes(agentId))) return true
  if (agents?.has(agentId) || changed.get('lately')?.has(agentId) || changed.get('previews')?.has(agentId)) return true
  const agent = get(state.agents, agentId)
  if (agent === undefined) return false
  // Whether somebody is on the way to them goes by all attempts of their campaign.
  if (agent.shift?.campaignId != null && (changed.has('attempts') || changed.has('previews') || agents !== undefined)) return true
  const promise = get(state.previews, agentId)?.callbackId ?? null
  if (promise !== null && changed.get('callbacks')?.has(promise)) return true
  if ([...agent.wrapUps, ...agent.owed].some((w) => work?.has(w.callId))) return true
  // Who was asked out of one, or parked it before it came back, has nothing of it on their row: they are few enough to be looked at.
  if (changed.has('threads')) return true
  // Somebody else may code their part of what is written and in these hands.
  if (work !== undefined && selectThreads(state, agentId).some((t) => work.has(t.id))) return true
  return agent.engagements.some(({ callId }) => {
    const call = get(state.calls, callId)
    const about = call?.workId ?? callId
    if (calls?.has(callId) || calls?.has(about) || work?.has(about)) return true
    // Who hears whom goes by the mute of everybody on the call.
    return call?.connections.some((c) => c.party.kind === 'agent' && agents?.has(c.party.agentId)) ?? false
  })
}
