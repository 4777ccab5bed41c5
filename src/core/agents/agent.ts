// An agent's shift as folded from events. Availability, calls and wrap-up are independent axes; the one state
// that is shown and reported is computed from them and kept with the instant it began.

import { type CallChange, type ConnectionState, isInternal, takesPart } from '@/core/calls'
import type { AgentId, CallId, CampaignId, QueueId, WorkId } from '@/core/ids'
import type { OutcomeEvent, OutcomeTakenBack } from '@/core/outcomes'
import type { InHand } from '@/core/threads'
import { type EpochMs, MINUTE, SECOND, utcDay } from '@/core/time'
import type { AgentEvent, Diversion, Levels, SoundPath, ToldWhat } from './event'

/** `writing`: chats, mails or texts are in hand, and nobody is talked to. `internalCall`: talking with colleagues about no work; `listening`: listening in or whispering. Their time is nobody's handle time. */
export type AgentStateName = 'signedOut' | 'notReady' | 'ready' | 'ringing' | 'onCall' | 'internalCall' | 'listening' | 'writing' | 'wrapUp'

export interface AgentState {
  readonly name: AgentStateName
  /** Why not ready; null in every other state. */
  readonly reason: string | null
  readonly sinceMs: EpochMs
}

export interface Engagement {
  readonly callId: CallId
  readonly state: ConnectionState
  /** A call between colleagues that is about no work. */
  readonly internal: boolean
  /** They listen in or whisper, and take no part in it. */
  readonly listens: boolean
}

export interface WrapUp {
  readonly callId: CallId
  readonly startedAtMs: EpochMs
  readonly recommendedMs: number
  readonly overMs: number
  /** From its start, an extension included; null for as long as it takes. */
  readonly limitMs: number | null
  readonly extended: { readonly byMs: number; readonly why: string } | null
}

/** A call that is over, is not being wrapped up, and still owes its outcome. */
export interface Owed {
  readonly callId: CallId
  readonly sinceMs: EpochMs
  readonly because: 'limit' | 'noWrapUp' | 'leftForLater'
}

export interface Shift {
  readonly startedAtMs: EpochMs
  readonly queueIds: readonly QueueId[]
  readonly campaignId: CampaignId | null
  /** In place of the account's, for this shift; null for those. */
  readonly levels: Levels | null
  /** Why they will not be ready once whoever is on the way to them has been there; null while nobody is, or they stay. */
  readonly leaving: string | null
  readonly seat: 'desk' | 'standIn'
  readonly soundPath: SoundPath
  /** The path has failed, and what was so before it did; null while it works. */
  readonly soundLost: { readonly sinceMs: EpochMs; readonly why: string; readonly wasReady: boolean; readonly heldCallId: CallId | null } | null
  /** Nothing is heard of their page, and what was so before; null while it is there. */
  readonly deskLost: {
    readonly sinceMs: EpochMs
    readonly wasReady: boolean
    readonly heldCallId: CallId | null
    /** What was with them has gone on; null as long as it waits for them. */
    readonly givenUpAtMs: EpochMs | null
  } | null
  readonly deskWasLost: DeskWasLost | null
  /** Time in states that are over, by `spentKey`. */
  readonly spentMs: Readonly<Record<string, number>>
}

/** Whether somebody would hear who is put through to them: with a desk that is there, and sound. */
export const canBeReached = ({ shift }: Pick<Agent, 'shift'>): boolean => shift != null && shift.soundLost === null && shift.deskLost === null

/** A desk that comes back within this finds everything as it was. */
export const DESK_GRACE_MS = 30 * SECOND
/** A shift at whose desk nobody has been for so long ends. */
export const UNATTENDED_MS = 15 * MINUTE

/** When the next thing follows from a desk that is lost; null of one that is there. */
export function deskDueAtMs({ shift }: Pick<Agent, 'shift'>): EpochMs | null {
  const lost = shift?.deskLost ?? null
  if (lost === null) return null
  return lost.givenUpAtMs === null ? lost.sinceMs + DESK_GRACE_MS : Math.max(lost.sinceMs + UNATTENDED_MS, lost.givenUpAtMs + MINUTE)
}

/** Characters of a note; what is longer is cut. */
export const LONGEST_NOTE = 140

/** When a desk was lost for so long that something went on without its agent; told until they go ready. */
export interface DeskWasLost {
  readonly fromMs: EpochMs
  /** When it was back, or when the shift that nobody sat at ended. */
  readonly toMs: EpochMs
  readonly endedShift: boolean
}

/** What an agent lets the others know. */
export interface Note {
  readonly text: string
  /** When it ends by itself; null until it is cleared. */
  readonly untilMs: EpochMs | null
  /** Who covers meanwhile. */
  readonly coverId: AgentId | null
}

export interface Agent {
  readonly id: AgentId
  readonly shift: Shift | null
  readonly availability: { readonly ready: boolean; readonly reason: string | null }
  readonly engagements: readonly Engagement[]
  /** Chats, mails and texts offered to them or in their hands, in the order they came. */
  readonly threads: readonly InHand[]
  /** Work that is over for this agent and is being wrapped up, oldest first. */
  readonly wrapUps: readonly WrapUp[]
  /** Calls without a wrap-up that owe an outcome, oldest first. They keep nobody from the next call, up to the centre's limit. */
  readonly owed: readonly Owed[]
  /** Belongs to the agent, not to a call: only muteChanged touches it. */
  readonly muted: boolean
  /** null while none is asked for. */
  readonly help: Help | null
  /** Calls coded on this shift. */
  readonly codedCount: number
  readonly state: AgentState
  // What outlasts a shift.
  /** Of a shift that ended because nobody sat at its desk: told in the next one. */
  readonly unattended: DeskWasLost | null
  /** Time of former shifts that began on this day (UTC), by `spentKey`. */
  readonly earlier: { readonly day: string; readonly spentMs: Shift['spentMs'] } | null
  readonly told: readonly Told[]
  readonly note: Note | null
  /** Calls of colleagues go to voicemail. */
  readonly doNotDisturb: boolean
  readonly diversion: Diversion | null
  /** Numbers calls were diverted to, the latest first. */
  readonly divertedTo: readonly string[]
}

/** What an agent was told and has not put away. */
export interface Told {
  readonly no: number
  readonly byAgentId: AgentId
  readonly atMs: EpochMs
  readonly what: ToldWhat
}

/** How many of them are kept; the oldest goes. */
const MOST_TOLD = 12

/** An agent asks whoever answers for the floor for help with a call. */
export interface Help {
  readonly callId: CallId
  readonly sinceMs: EpochMs
  /** Who sees to it; null as long as nobody has said so. */
  readonly takenBy: AgentId | null
}

/** What time is added up under: the state, and for not ready its reason. */
export const spentKey = ({ name, reason }: Pick<AgentState, 'name' | 'reason'>): string => (reason === null ? name : `${name} ${reason}`)

/** How many numbers are remembered to divert to again. */
const REMEMBERED_NUMBERS = 5

/** The reason an agent carries from sign-in until they first go ready. */
export const SIGNED_IN_REASON = 'Signed in'

export const createAgent = (id: AgentId): Agent => ({
  id,
  shift: null,
  availability: { ready: false, reason: null },
  engagements: [],
  threads: [],
  wrapUps: [],
  owed: [],
  muted: false,
  help: null,
  codedCount: 0,
  state: { name: 'signedOut', reason: null, sinceMs: 0 },
  unattended: null,
  earlier: null,
  told: [],
  note: null,
  doNotDisturb: false,
  diversion: null,
  divertedTo: [],
})

/** Nobody's shift, with what outlasts one. */
const withoutShift = ({ id, state, owed, unattended, earlier, told, note, doNotDisturb, diversion, divertedTo }: Agent): Agent => ({
  ...createAgent(id),
  // Nobody goes home owing anything by themselves; what is owed here was left on an earlier day, or in a shift that was forgotten.
  owed,
  state,
  unattended,
  earlier,
  told,
  note,
  doNotDisturb,
  diversion,
  divertedTo,
})

/** What the axes amount to: a call counts before what is written, that before wrap-up, a talking or dialling call before a ringing one, one about work before one that is not. */
export function agentStateName(agent: Pick<Agent, 'shift' | 'availability' | 'engagements' | 'threads' | 'wrapUps'>): AgentStateName {
  if (agent.shift === null) return 'signedOut'
  const live = agent.engagements.filter((e) => e.state !== 'alerting')
  const own = live.filter((e) => !e.listens)
  if (own.length > 0) return own.every((e) => e.internal) ? 'internalCall' : 'onCall'
  if (live.length > 0) return 'listening'
  if (agent.engagements.length > 0) return 'ringing'
  if (agent.availability.ready && agent.threads.some((t) => t.state === 'open')) return 'writing'
  if (agent.wrapUps.length > 0) return 'wrapUp'
  return agent.availability.ready ? 'ready' : 'notReady'
}

export function evolveAgent(agent: Agent, event: AgentEvent | OutcomeEvent | OutcomeTakenBack, atMs: EpochMs): Agent {
  return withState(agent, applied(agent, event, atMs), atMs)
}

/** The agent after a call changed: `state` is their end of it, null when they have none (or only a failed attempt). */
export function engageAgent(agent: Agent, { callId, state, internal, listens }: AgentsEnd, atMs: EpochMs): Agent {
  const before = agent.engagements.find((e) => e.callId === callId)
  const now = state === 'failed' ? null : state
  if ((before?.state ?? null) === now && (before === undefined || (before.internal === internal && before.listens === listens))) return agent
  const others = before === undefined ? agent.engagements : agent.engagements.filter((e) => e !== before)
  // A change of state keeps its place: lines do not jump about on the board.
  const engagements =
    now === null
      ? others
      : before === undefined
        ? [...others, { callId, state: now, internal, listens }]
        : agent.engagements.map((e) => (e === before ? { callId, state: now, internal, listens } : e))
  const help = now === null && agent.help?.callId === callId ? null : agent.help
  return withState(agent, { ...agent, engagements, help }, atMs)
}

/** The agent after a thread in their hands, or offered to them, changed; null when it is so no more. */
export function holdThread(agent: Agent, threadId: WorkId, now: InHand | null, atMs: EpochMs): Agent {
  const at = agent.threads.findIndex((t) => t.threadId === threadId)
  if (now === null && at < 0) return agent
  const threads = now === null ? agent.threads.toSpliced(at, 1) : at < 0 ? [...agent.threads, now] : agent.threads.with(at, now)
  return withState(agent, { ...agent, threads }, atMs)
}

/** Lines that were joined are one call: what was asked about the one is asked about the other. */
export const moveHelp = (agent: Agent, fromCallId: CallId, callId: CallId): Agent =>
  agent.help?.callId === fromCallId ? { ...agent, help: { ...agent.help, callId } } : agent

/** An agent's end of a call; `state` is null where it is gone. */
export interface AgentsEnd extends Pick<Engagement, 'callId' | 'internal' | 'listens'> {
  readonly agentId: AgentId
  readonly state: ConnectionState | null
}

/** What a change of a call means for the agents on it before and after. */
export function engagementsOf({ callId, before, after }: CallChange): AgentsEnd[] {
  const internal = isInternal(after ?? before ?? { workId: callId })
  const stays = (agentId: AgentId) => after?.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId) ?? false
  const gone = (before?.connections ?? []).flatMap(({ party }) =>
    party.kind === 'agent' && !stays(party.agentId) ? [{ callId, internal, listens: false, agentId: party.agentId, state: null }] : [],
  )
  const there = (after?.connections ?? []).flatMap((c) =>
    c.party.kind === 'agent' ? [{ callId, internal, listens: !takesPart(c), agentId: c.party.agentId, state: c.state }] : [],
  )
  return [...gone, ...there]
}

function withState(before: Agent, changed: Agent, atMs: EpochMs): Agent {
  if (changed === before) return before
  const name = agentStateName(changed)
  const reason = name === 'notReady' ? changed.availability.reason : null
  if (name === before.state.name && reason === before.state.reason) return changed
  const spent = { ...changed, shift: withSpent(changed.shift, before.state, atMs), state: { name, reason, sinceMs: atMs } }
  if (changed.shift !== null || before.shift === null) return spent
  // The shift is over: its time, the state that just ended included, counts as this day's.
  const last = { ...before, shift: withSpent(before.shift, before.state, atMs) }
  return { ...spent, earlier: { day: utcDay(before.shift.startedAtMs), spentMs: spentToday(last) } }
}

/** Nobody was there for so long: what they are at goes on as if it had not been. Off shift nothing changes. */
export const withoutTime = (agent: Agent, ms: number): Agent =>
  agent.shift === null ? agent : { ...agent, state: { ...agent.state, sinceMs: agent.state.sinceMs + ms } }

/** Time of the day on which the shift began, former shifts of that day included; without the state that is on. */
export function spentToday({ shift, earlier }: Pick<Agent, 'shift' | 'earlier'>): Shift['spentMs'] {
  if (shift === null) return {}
  const today: Record<string, number> = { ...shift.spentMs }
  if (earlier?.day === utcDay(shift.startedAtMs)) for (const [key, ms] of Object.entries(earlier.spentMs)) today[key] = (today[key] ?? 0) + ms
  return today
}

function withSpent(shift: Shift | null, state: AgentState, atMs: EpochMs): Shift | null {
  if (shift === null || state.name === 'signedOut') return shift
  const key = spentKey(state)
  return { ...shift, spentMs: { ...shift.spentMs, [key]: (shift.spentMs[key] ?? 0) + atMs - state.sinceMs } }
}

function applied(agent: Agent, event: AgentEvent | OutcomeEvent | OutcomeTakenBack, atMs: EpochMs): Agent {
  switch (event.kind) {
    case 'shiftStarted':
      return {
        ...withoutShift(agent),
        shift: {
          startedAtMs: atMs,
          queueIds: event.queueIds,
          campaignId: event.campaignId,
          levels: null,
          leaving: null,
          seat: event.seat,
          soundPath: event.soundPath,
          soundLost: null,
          deskLost: null,
          deskWasLost: agent.unattended,
          spentMs: {},
        },
        availability: { ready: false, reason: SIGNED_IN_REASON },
        unattended: null,
      }
    case 'shiftEnded': {
      const lost = agent.shift?.deskLost ?? null
      const unattended = lost?.givenUpAtMs == null ? null : { fromMs: lost.sinceMs, toMs: atMs, endedShift: true }
      return { ...withoutShift(agent), unattended }
    }
    case 'seatMoved':
      return agent
    case 'agentReady':
      return { ...withShift(agent, { leaving: null, deskWasLost: null }), availability: { ready: true, reason: null } }
    case 'agentNotReady':
      return { ...withShift(agent, { leaving: null }), availability: { ready: false, reason: event.reason } }
    case 'notReadyAsked':
      return withShift(agent, { leaving: event.reason })
    case 'wrapUpStarted': {
      const { callId, recommendedMs, overMs, limitMs } = event
      return { ...agent, wrapUps: [...agent.wrapUps, { callId, startedAtMs: atMs, recommendedMs, overMs, limitMs, extended: null }] }
    }
    case 'wrapUpExtended':
      return { ...agent, wrapUps: agent.wrapUps.map((w) => (w.callId === event.callId ? extended(w, event) : w)) }
    case 'wrapUpEnded':
      return { ...agent, ...without(agent, event.callId) }
    case 'outcomeOwed': {
      const { callId, because } = event
      const { wrapUps, owed } = without(agent, callId)
      return { ...agent, wrapUps, owed: [...owed, { callId, sinceMs: atMs, because }] }
    }
    case 'muteChanged':
      return { ...agent, muted: event.muted }
    case 'outcomeSaved':
      return { ...agent, codedCount: agent.codedCount + 1, owed: agent.owed.filter((o) => o.callId !== event.callId) }
    case 'outcomeTakenBack':
      return { ...agent, codedCount: agent.codedCount - 1 }
    case 'workAssigned': {
      const { queueIds, campaignId, levels } = event
      return withShift(agent, { queueIds, campaignId, levels })
    }
    case 'agentTold': {
      const no = (agent.told.at(-1)?.no ?? 0) + 1
      return { ...agent, told: [...agent.told, { no, byAgentId: event.byAgentId, atMs, what: event.what }].slice(-MOST_TOLD) }
    }
    case 'toldPutAway':
      return { ...agent, told: agent.told.filter((t) => t.no !== event.no) }
    case 'helpAsked':
      return { ...agent, help: { callId: event.callId, sinceMs: atMs, takenBy: null } }
    case 'helpTaken':
      return agent.help === null ? agent : { ...agent, help: { ...agent.help, takenBy: event.byAgentId } }
    case 'helpEnded':
      return { ...agent, help: null }
    case 'soundPathChosen':
      return withShift(agent, { soundPath: event.path, soundLost: null })
    case 'soundPathLost': {
      const heard = agent.engagements.find((e) => e.state === 'connected')
      return withShift(agent, { soundLost: { sinceMs: atMs, why: event.why, wasReady: agent.availability.ready, heldCallId: heard?.callId ?? null } })
    }
    case 'deskLost': {
      const heldCallId = agent.engagements.find((e) => e.state === 'connected')?.callId ?? null
      return withShift(agent, { deskLost: { sinceMs: atMs, wasReady: agent.availability.ready, heldCallId, givenUpAtMs: null } })
    }
    case 'deskBack': {
      const lost = agent.shift?.deskLost ?? null
      const deskWasLost =
        lost === null || lost.givenUpAtMs === null ? (agent.shift?.deskWasLost ?? null) : { fromMs: lost.sinceMs, toMs: atMs, endedShift: false }
      return withShift(agent, { deskLost: null, deskWasLost })
    }
    case 'deskGivenUp': {
      const lost = agent.shift?.deskLost ?? null
      return lost === null ? agent : withShift(agent, { deskLost: { ...lost, givenUpAtMs: atMs } })
    }
    case 'noteSet':
      return { ...agent, note: { text: event.text, untilMs: event.untilMs, coverId: event.coverId } }
    case 'noteCleared':
      return { ...agent, note: null }
    case 'doNotDisturbChanged':
      return { ...agent, doNotDisturb: event.on }
    case 'diversionChanged': {
      const number = event.to?.kind === 'number' ? event.to.number : null
      const divertedTo = number === null ? agent.divertedTo : [number, ...agent.divertedTo.filter((n) => n !== number)].slice(0, REMEMBERED_NUMBERS)
      return { ...agent, diversion: event.to, divertedTo }
    }
  }
}

const without = ({ wrapUps, owed }: Agent, callId: CallId): Pick<Agent, 'wrapUps' | 'owed'> => ({
  wrapUps: wrapUps.filter((w) => w.callId !== callId),
  owed: owed.filter((o) => o.callId !== callId),
})

const extended = (wrapUp: WrapUp, { byMs, why }: { readonly byMs: number; readonly why: string }): WrapUp => ({
  ...wrapUp,
  limitMs: wrapUp.limitMs === null ? null : wrapUp.limitMs + byMs,
  extended: { byMs, why },
})

const withShift = (agent: Agent, change: Partial<Shift>): Agent => {
  const { shift } = agent
  // A shift that stays as it is stays the same value: who serves which queue is counted by it.
  if (shift === null || (Object.keys(change) as (keyof Shift)[]).every((key) => shift[key] === change[key])) return agent
  return { ...agent, shift: { ...shift, ...change } }
}
