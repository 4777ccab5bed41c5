// Colleagues played by the stand-ins: when they come and go, how they answer, read the script, hold, ask, code their calls, take breaks and keep
// promises. They use the same commands as anyone at a desk.
import { createChance, seedFor } from '@/core/chance'
import type { AgentCommand, Command } from '@/core/floor'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { MISSED_RING } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import { customersByNumber, PLACES, toCustomer } from '@/world/scenario'
import type { Act, ColleagueAct, PromiseAct } from './act'
import { ask, askedEnough } from './asks'
import { BACK_AFTER_MISSED_MS, BREAKS, breakNote, KINDS_OF_BREAK } from './breaks'
import { chanceOfCall } from './chance-of-call'
import { codeCall, type Ended } from './codes'
import { isHeld } from './far-ends'
import type { Persona } from './persona'
import { callBack, callBackInMs, doTask, taskInMs } from './promises'
import { readOn } from './reads'
import { answerDelayMs, planTalk, wrapUpMs } from './talk'

interface Options {
  readonly seed: number
  readonly plays: ReadonlySet<AgentId>
  readonly note: (atMs: number, act: Act) => void
  readonly personaFor: (callId: CallId, queueId: QueueId | null) => Persona
  /** How the call ended, where it did not simply. */
  readonly endOf: (callId: CallId) => Ended | undefined
  /** Whether they may go home: the day is over, or the world is quiet. */
  readonly mayGo: () => boolean
  readonly hurries: (agentId: AgentId) => boolean
  readonly isQuiet: () => boolean
}

export interface Colleagues {
  observe(entry: LedgerEntry, state: FloorState): void
  /** Callbacks and tasks that are open when the world begins. */
  mind(state: FloorState, atMs: number): void
  /** A call is theirs from now on, with whoever is on it. */
  goOnTalking(callId: CallId, agentId: AgentId, state: FloorState, atMs: number): void
  /** Somebody they dialled has answered, or has not. */
  talkDialled(callId: CallId, agentId: AgentId, atMs: number): void
  beginDay(agentId: AgentId, atMs: number, chance: ReturnType<typeof createChance>): void
  /** Nothing more is to come of this call. */
  forget(callId: CallId): void
  perform(act: ColleagueAct | PromiseAct, state: FloorState, atMs: number): readonly Command[]
}

const RINGS_UP_OFTEN = 0.02
const AFTER_CALL = 'Paperwork'
const LATER_MS = MINUTE

export function createColleagues({ seed, plays, note, personaFor, endOf, mayGo, hurries, isQuiet }: Options): Colleagues {
  const lastBreakMs = new Map<AgentId, number>()
  /** Have left without signing out. */
  const gone = new Set<AgentId>()
  /** Who has put a call through has not finished it. */
  const putThrough = new Set<string>()

  const mindCallback = (state: FloorState, callbackId: Parameters<typeof callBack>[2], atMs: number) => {
    const callback = get(state.callbacks, callbackId)
    const inMs = callback === undefined ? null : callBackInMs(seed, callback)
    if (callback !== undefined && inMs !== null) note(Math.max(atMs, callback.dueAtMs) + inMs, { kind: 'callBack', callbackId })
  }
  const mindTask = (taskId: Parameters<typeof doTask>[2], atMs: number) => {
    const inMs = taskInMs(seed, taskId)
    if (inMs !== null) note(atMs + inMs, { kind: 'doTask', taskId })
  }

  /** What was left uncoded the day before comes first. */
  const mindOwed = (agentId: AgentId, owed: readonly { readonly callId: CallId }[], atMs: number) => {
    for (const [i, { callId }] of owed.entries()) note(atMs + 20 * SECOND * (i + 1), { kind: 'code', agentId, callId })
  }

  const clockOff = (agentId: AgentId, state: FloorState, atMs: number): readonly AgentCommand[] => {
    const agent = get(state.agents, agentId)
    if (agent?.shift == null || !mayGo()) return []
    if (hurries(agentId) && agent.wrapUps.length > 0) {
      gone.add(agentId)
      return []
    }
    const isFree = agent.engagements.length === 0 && agent.wrapUps.length + agent.owed.length === 0
    if (isFree && (!hurries(agentId) || agent.state.name !== 'ready')) return [{ kind: 'endShift', agentId }]
    note(atMs + 10 * SECOND, { kind: 'clockOff', agentId })
    return []
  }

  const dueBreak = (agentId: AgentId, atMs: number): string | null => {
    if (atMs - (lastBreakMs.get(agentId) ?? atMs) < 2 * HOUR) return null
    lastBreakMs.set(agentId, atMs)
    return createChance(seedFor(seed, `break ${agentId} ${atMs}`)).weighted(KINDS_OF_BREAK)
  }

  const code = (agentId: AgentId, callId: CallId, state: FloorState, atMs: number): readonly AgentCommand[] => {
    const work = get(state.work, callId)
    if (work === undefined) return []
    const ended = putThrough.has(`${agentId} ${callId}`) ? 'putThrough' : (endOf(callId) ?? 'done')
    const breakReason = dueBreak(agentId, atMs)
    const number = ringsUp(state, agentId, callId, work.number)
    if (breakReason === null && number !== null) note(atMs + 3 * SECOND, { kind: 'ringUp', agentId, number })
    const reason = breakReason ?? (number === null ? null : AFTER_CALL)
    const andThen = reason === null ? ({ state: 'ready' } as const) : ({ state: 'notReady', reason } as const)
    return [codeCall(seed, state.setUp, { agentId, work, intent: personaFor(callId, work.queueId).intent, ended, atMs, andThen })]
  }

  /** Now and then there is something to ask a port or to tell somebody, by telephone. */
  const ringsUp = (state: FloorState, agentId: AgentId, callId: CallId, number: string | null): string | null => {
    const chance = chanceOfCall(seed, callId, `ring up ${agentId}`)
    if (isQuiet() || chance.next() > RINGS_UP_OFTEN || !state.setUp.notReadyReasons.some((r) => r.name === AFTER_CALL)) return null
    return number !== null && chance.next() < 0.6 ? number : chance.pick(PLACES).number
  }

  return {
    observe({ event, atMs }, state) {
      switch (event.kind) {
        case 'connectionDelivered': {
          if (event.party.kind !== 'agent' || !plays.has(event.party.agentId) || gone.has(event.party.agentId)) return
          const inMs = answerDelayMs(seed, event.callId, event.party.agentId)
          if (inMs !== null) note(atMs + inMs, { kind: 'answer', agentId: event.party.agentId, callId: event.callId })
          return
        }
        case 'wrapUpStarted':
          if (plays.has(event.agentId))
            note(atMs + wrapUpMs(seed, event.callId, event.recommendedMs), { kind: 'code', agentId: event.agentId, callId: event.callId })
          return
        case 'shiftStarted': {
          if (!plays.has(event.agentId)) return
          note(atMs + 1500, { kind: 'goReady', agentId: event.agentId })
          return mindOwed(event.agentId, get(state.agents, event.agentId)?.owed ?? [], atMs)
        }
        case 'agentNotReady': {
          if (!plays.has(event.agentId)) return
          const awayMs = event.reason === MISSED_RING ? BACK_AFTER_MISSED_MS : (BREAKS[event.reason] ?? MINUTE)
          if (awayMs > MINUTE) note(atMs + 3 * SECOND, { kind: 'note', agentId: event.agentId, untilMs: atMs + awayMs })
          return note(atMs + awayMs, { kind: 'goReady', agentId: event.agentId })
        }
        case 'callbackAgreed':
        case 'callbackMoved':
        case 'callbackEscalated':
          return mindCallback(state, event.callbackId, atMs)
        case 'taskFiled':
          return mindTask(event.taskId, atMs)
        default:
          return
      }
    },
    forget(callId) {
      for (const part of putThrough) if (part.endsWith(` ${callId}`)) putThrough.delete(part)
    },
    mind(state, atMs) {
      for (const { id, shift, owed } of values(state.agents)) if (plays.has(id) && shift !== null) mindOwed(id, owed, atMs)
      for (const { id } of values(state.callbacks).sort((a, b) => (a.id < b.id ? -1 : 1))) mindCallback(state, id, atMs)
      for (const { taskId } of values(state.tasks).sort((a, b) => (a.taskId < b.taskId ? -1 : 1))) mindTask(taskId, atMs)
    },
    beginDay(agentId, atMs, chance) {
      lastBreakMs.set(agentId, atMs - chance.next() * 90 * MINUTE)
    },
    goOnTalking(callId, agentId, state, atMs) {
      const work = get(state.work, callId)
      if (work?.handledBy !== agentId) return
      const takenOver = work.takenFrom.length > 1
      for (const { inMs, act } of planTalk(seed, agentId, callId, personaFor(callId, work.queueId), takenOver)) note(atMs + inMs, act)
    },
    talkDialled(callId, agentId, atMs) {
      const chance = chanceOfCall(seed, callId, 'dialled')
      const lasts: Readonly<Partial<Record<Ended, number>>> = { busy: 2 * SECOND, noAnswer: 2 * SECOND, machine: 14 * SECOND }
      const ended = endOf(callId)
      const inMs = (ended === undefined ? undefined : lasts[ended]) ?? Math.min(8 * MINUTE, chance.logNormal(80 * SECOND, 0.6))
      note(atMs + inMs, { kind: 'finish', agentId, callId })
    },
    perform(act, state, atMs) {
      switch (act.kind) {
        case 'note':
          return breakNote(seed, state.setUp, plays, act)
        case 'clockOn': {
          const account = state.setUp.agents.find((a) => a.id === act.agentId)
          if (account === undefined || isQuiet()) return []
          return [{ kind: 'startShift', agentId: act.agentId, queueIds: [...account.queueIds], seat: 'standIn' }]
        }
        case 'clockOff':
          return clockOff(act.agentId, state, atMs)
        case 'goReady':
          return gone.has(act.agentId) ? [] : [{ kind: 'goReady', agentId: act.agentId }]
        case 'answer':
        case 'hold':
        case 'retrieve':
          return [{ kind: act.kind, agentId: act.agentId, callId: act.callId }]
        case 'finish':
          return [{ kind: 'hangUp', agentId: act.agentId, callId: act.callId }]
        case 'ask':
          return ask(seed, state, plays, act.agentId, act.callId)
        case 'askedEnough': {
          const [command, then] = askedEnough(seed, state, act.agentId, act.callId)
          if (then === 'handedOver') putThrough.add(`${act.agentId} ${act.callId}`)
          return [command]
        }
        case 'putThrough': {
          const { agentId, callId, queueId } = act
          putThrough.add(`${agentId} ${callId}`)
          // Where the queue takes nobody, there is nothing left but good-bye.
          return [
            { kind: 'transfer', agentId, callId, target: { kind: 'queue', queueId } },
            { kind: 'hangUp', agentId, callId },
          ]
        }
        case 'readOn': {
          const work = get(state.work, act.callId)
          if (work === undefined || isHeld(state, act.callId)) return []
          return readOn(seed, state.setUp, act.agentId, work, personaFor(act.callId, work.queueId).intent, act.step)
        }
        case 'code':
          return gone.has(act.agentId) ? [] : code(act.agentId, act.callId, state, atMs)
        case 'ringUp': {
          const [known] = customersByNumber(act.number, state.struck)
          return [{ kind: 'makeCall', agentId: act.agentId, typed: act.number, customer: known === undefined ? null : toCustomer(known) }]
        }
        case 'callBack': {
          // In a quiet world nobody is at work; whoever comes later minds it then.
          if (isQuiet()) return []
          const commands = callBack(state, plays, act.callbackId)
          if (commands !== 'later') return commands
          note(atMs + LATER_MS, act)
          return []
        }
        case 'doTask':
          return doTask(state, plays, act.taskId)
      }
    },
  }
}
