// A coming day played by the real rules: callers who call, bear a wait and need their time; agents who come, take breaks, answer, wrap up and go. They give the
// commands anyone may give, and the floor decides. Nothing is said or written down: for how a day goes it makes no difference.
import TinyQueue from 'tinyqueue'
import { createChance, seedFor } from '@/core/chance'
import { type Command, decide, openFloor } from '@/core/floor'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { codesFor } from '@/core/outcomes'
import { isChosenReason, outcomeSetFor, type SetUp } from '@/core/set-up'
import { agentOfDevice, floorOf, nextDueAtMs, touched } from '@/core/state'
import { get } from '@/core/table'
import { HOUR, QUARTER_MS, SECOND } from '@/core/time'
import { behalfOfPart } from '@/core/work'
import type { Caller } from './callers'
import type { OnDuty } from './crew'
import { createTally, type PlayedDay } from './figures'
import { createOutbound, type Outbound, withOutbound } from './outbound'

export interface DayToPlay {
  readonly setUp: SetUp
  /** The instant from which times of the day count, and how many quarters of an hour it has. */
  readonly startMs: number
  readonly quarters: number
  readonly crew: readonly OnDuty[]
  /** Queues switched to storm in the course of it. */
  readonly storms: readonly { readonly queueId: QueueId; readonly fromMs: number }[]
  /** A campaign worked beside the queues; null for none. */
  readonly outbound: Outbound | null
}

/** An agent takes between these to answer a ring. */
const ANSWERS_MS = [1 * SECOND, 4 * SECOND] as const
/** Calls under way this long after the last quarter are cut short. */
const AFTER_MS = 2 * HOUR

type Act =
  | { readonly kind: 'comes' | 'goes'; readonly duty: OnDuty }
  | { readonly kind: 'breaks'; readonly duty: OnDuty; readonly lastsMs: number }
  | { readonly kind: 'back'; readonly agentId: AgentId }
  | { readonly kind: 'calls'; readonly caller: Caller }
  | { readonly kind: 'givesUp'; readonly callId: CallId }
  | { readonly kind: 'answers' | 'finishes' | 'codes'; readonly agentId: AgentId; readonly callId: CallId }
  | { readonly kind: 'storm'; readonly queueId: QueueId }
  | { readonly kind: 'reports'; readonly command: Command }

interface Seat {
  /** A break that is due, taken as soon as there is no call: how long. */
  breakMs: number | null
  isLeaving: boolean
}

/** The same day, callers and seed give the same figures. `sink` is given every entry of its ledger. */
export function playDay(day: DayToPlay, callers: readonly Caller[], seed: number, sink: (entries: readonly LedgerEntry[]) => void = () => {}): PlayedDay {
  const { startMs, quarters, crew } = day
  const callsOut = new Set(day.outbound === null ? [] : [...new Set(crew.map((c) => c.agentId))].slice(-day.outbound.agents))
  const setUp = day.outbound === null ? day.setUp : withOutbound(day.setUp, day.outbound, [...callsOut])
  const opened = openFloor(`day-${seed}`, setUp, startMs)
  const state = floorOf(opened)
  sink([opened])
  const tally = createTally(setUp.queues, startMs, quarters)
  const agenda = new TinyQueue<{ readonly atMs: number; readonly order: number; readonly act: Act }>([], (a, b) => a.atMs - b.atMs || a.order - b.order)
  let noted = 0
  const note = (atMs: number, act: Act) => agenda.push({ atMs, order: noted++, act })
  const seats = new Map<AgentId, Seat>()
  const callerOf = new Map<CallId, Caller>()
  const breakReason = setUp.notReadyReasons.find((r) => isChosenReason(setUp, r.name))?.name ?? ''
  let arriving: Caller | null = null

  for (const duty of crew) {
    note(startMs + duty.fromMs, { kind: 'comes', duty })
    for (const { fromMs, toMs } of duty.breaks) note(startMs + fromMs, { kind: 'breaks', duty, lastsMs: toMs - fromMs })
    note(startMs + duty.toMs, { kind: 'goes', duty })
  }
  for (const { queueId, fromMs } of day.storms) note(startMs + fromMs, { kind: 'storm', queueId })
  for (const caller of callers) note(startMs + caller.atMs, { kind: 'calls', caller })

  const give = (command: Command, atMs: number): boolean => {
    const decision = decide(state, command, { atMs })
    if (!decision.ok) return false
    const { entries, journal } = decision
    if (entries.length === 0) return true
    sink(entries)
    tally.take(entries, state)
    outbound?.observe(entries, state)
    for (const id of touched(journal, 'agents')) {
      const agent = get(state.agents, id)
      tally.agentIs(id, agent === undefined || agent.shift === null ? null : agent.state.name, atMs)
    }
    for (const { event } of entries) see(event, atMs)
    return true
  }

  const outbound =
    day.outbound === null
      ? null
      : createOutbound({ outbound: day.outbound, startMs, seed, give, later: (atMs, command) => note(atMs, { kind: 'reports', command }) })

  const see = (event: LedgerEntry['event'], atMs: number) => {
    switch (event.kind) {
      case 'callQueued':
        if (arriving === null) return
        callerOf.set(event.callId, arriving)
        note(atMs + arriving.patienceMs, { kind: 'givesUp', callId: event.callId })
        arriving = null
        return
      case 'connectionDelivered': {
        if (event.party.kind !== 'agent') return
        const chance = createChance(seedFor(seed, `answer ${event.callId} ${event.party.agentId}`))
        const inMs = Math.round(ANSWERS_MS[0] + chance.next() * (ANSWERS_MS[1] - ANSWERS_MS[0]))
        note(atMs + inMs, { kind: 'answers', agentId: event.party.agentId, callId: event.callId })
        return
      }
      case 'connectionEstablished': {
        const agentId = agentOfDevice(event.deviceId)
        const caller = callerOf.get(event.callId)
        if (agentId !== null && caller !== undefined) note(atMs + Math.max(SECOND, caller.talkMs), { kind: 'finishes', agentId, callId: event.callId })
        return
      }
      case 'callPutThrough':
        if (outbound !== null)
          note(atMs + Math.max(SECOND, outbound.manner(event.callId).talkMs), { kind: 'finishes', agentId: event.agentId, callId: event.callId })
        return
      case 'wrapUpStarted':
        note(atMs + wrapUpMs(event.callId), { kind: 'codes', agentId: event.agentId, callId: event.callId })
        return
      case 'outcomeOwed':
        if (event.because === 'noWrapUp') note(atMs + wrapUpMs(event.callId), { kind: 'codes', agentId: event.agentId, callId: event.callId })
        return
      default:
    }
  }

  const wrapUpMs = (callId: CallId): number => callerOf.get(callId)?.wrapUpMs ?? outbound?.manner(callId).wrapUpMs ?? 0

  const isFree = (agentId: AgentId): boolean => {
    const agent = get(state.agents, agentId)
    return agent !== undefined && agent.shift !== null && agent.engagements.length === 0 && agent.wrapUps.length === 0
  }

  const isAway = (agentId: AgentId): boolean => get(state.agents, agentId)?.state.name === 'notReady'

  /** Goes home, or on a break, if either is due and nothing is in hand. */
  const settle = (agentId: AgentId, atMs: number) => {
    const seat = seats.get(agentId)
    if (seat === undefined || !isFree(agentId)) return
    if (seat.isLeaving) {
      if (give({ kind: 'endShift', agentId }, atMs)) seats.delete(agentId)
    } else if (seat.breakMs !== null && (isAway(agentId) || give({ kind: 'goNotReady', agentId, reason: breakReason }, atMs))) {
      // With the outcome of their last call they may have gone on it already.
      note(atMs + seat.breakMs, { kind: 'back', agentId })
      seat.breakMs = null
    }
  }

  const perform = (act: Act, atMs: number) => {
    switch (act.kind) {
      case 'comes': {
        const { agentId } = act.duty
        const account = setUp.agents.find((a) => a.id === agentId)
        const campaignId = callsOut.has(agentId) ? (day.outbound?.campaignId ?? null) : null
        if (account === undefined || !give({ kind: 'startShift', agentId, queueIds: [...account.queueIds], campaignId, seat: 'standIn' }, atMs)) return
        seats.set(agentId, { breakMs: null, isLeaving: false })
        give({ kind: 'goReady', agentId }, atMs)
        return
      }
      case 'breaks': {
        const seat = seats.get(act.duty.agentId)
        if (seat === undefined) return
        seat.breakMs = act.lastsMs
        return settle(act.duty.agentId, atMs)
      }
      case 'back':
        if (seats.has(act.agentId)) give({ kind: 'goReady', agentId: act.agentId }, atMs)
        return
      case 'goes': {
        const seat = seats.get(act.duty.agentId)
        if (seat === undefined) return
        seat.isLeaving = true
        return settle(act.duty.agentId, atMs)
      }
      case 'calls':
        arriving = act.caller
        give({ kind: 'callArrives', queueId: act.caller.queueId, path: null, number: null, customer: null }, atMs)
        arriving = null
        return
      case 'givesUp': {
        const call = get(state.calls, act.callId)
        if (call === undefined || get(state.work, act.callId)?.handledBy != null || call.connections.some((c) => isAnswered(c))) return
        if (give({ kind: 'callerHangsUp', callId: act.callId }, atMs)) tally.gaveUp(act.callId, atMs)
        return
      }
      case 'answers':
        give({ kind: 'answer', agentId: act.agentId, callId: act.callId }, atMs)
        return
      case 'finishes':
        give({ kind: 'hangUp', agentId: act.agentId, callId: act.callId }, atMs)
        return settle(act.agentId, atMs)
      case 'codes':
        code(act.agentId, act.callId, atMs)
        return settle(act.agentId, atMs)
      case 'reports':
        give(act.command, atMs)
        return
      case 'storm': {
        const owner = setUp.agents.find((a) => !a.retired && a.may.includes('setUp'))
        if (owner !== undefined) give({ kind: 'switchStorm', agentId: owner.id, queueId: act.queueId, on: true }, atMs)
        return
      }
    }
  }

  const isAnswered = ({ deviceId, state: is }: { readonly deviceId: string; readonly state: string }): boolean =>
    is === 'connected' && agentOfDevice(deviceId as never) !== null

  const code = (agentId: AgentId, callId: CallId, atMs: number) => {
    const work = get(state.work, callId)
    const seat = seats.get(agentId)
    if (work === undefined) return
    const codes = codesFor(outcomeSetFor(setUp, behalfOfPart(work, agentId)), work.dialled)
    const plain = codes.find((c) => c.follows.kind === 'nothing' && !c.needs.notes && c.needs.field === null) ?? codes[0]
    if (plain === undefined) return
    const wants = seat?.isLeaving || (seat?.breakMs ?? null) !== null
    const andThen = wants ? ({ state: 'notReady', reason: breakReason } as const) : ({ state: 'ready' } as const)
    give({ kind: 'saveOutcome', agentId, callId, code: plain.code, notes: plain.needs.notes ? '…' : '', followUp: '', andThen, insists: true }, atMs)
  }

  const boss = setUp.agents.find((a) => !a.retired && a.may.includes('supervision'))
  if (day.outbound !== null && boss !== undefined) give({ kind: 'startCampaign', agentId: boss.id, campaignId: day.outbound.campaignId }, startMs)
  const endMs = startMs + quarters * QUARTER_MS + AFTER_MS
  for (;;) {
    const dueAtMs = nextDueAtMs(state) ?? Infinity
    const tickAtMs = outbound?.nextAtMs(state) ?? Infinity
    const atMs = Math.min(agenda.peek()?.atMs ?? Infinity, dueAtMs, tickAtMs)
    if (atMs > endMs) break
    if (dueAtMs === atMs) give({ kind: 'passTime' }, atMs)
    while ((agenda.peek()?.atMs ?? Infinity) <= atMs) {
      const next = agenda.pop()
      if (next !== undefined) perform(next.act, atMs)
    }
    if (tickAtMs === atMs) outbound?.tick(state, atMs)
  }
  return tally.close(Math.min(endMs, Math.max(state.atMs, startMs)))
}
