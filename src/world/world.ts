// The world: everything outside the floor, played by stand-ins from one seed. It sees only events and the floor's
// state, and does only what anyone may: give commands. Time comes in with every call.
import type { Failure } from '@/core/calls'
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { Command } from '@/core/floor'
import type { AgentId, CallId, DeviceId, QueueId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { agentOfDevice, type FloorState, nextCallId } from '@/core/state'
import { get } from '@/core/table'
import { MINUTE, SECOND } from '@/core/time'
import { placeByNumber } from '@/world/scenario'
import type { Act } from './act'
import { createAgenda } from './agenda'
import { arrival } from './arrival'
import { type Day, startOfDayMs, weekdayOf } from './calendar'
import { createCallers } from './callers'
import { chanceOfCall } from './chance-of-call'
import type { Ended } from './codes'
import { createColleagues } from './colleagues'
import { MACHINE_GREETING } from './conversation'
import { createFarEnds } from './far-ends'
import { intentOf } from './intent'
import { arrivalsPerHour, hoursOf, liveStartOfDayMs, nextArrivalMs } from './pace'
import type { Pace } from './paces'
import { personaOf, type RingWish } from './persona'
import { resume } from './resume'
import { hurries, onDuty } from './rota'

export type AnswersAs = 'person' | Exclude<Failure, 'invalid' | 'unreachable'>

export interface World {
  /** Begins, or goes on after a break, from what the floor holds. */
  begin(state: FloorState, atMs: number): void
  /** What happened; call it with every entry, in order, and the state after the last of them. */
  observe(entries: readonly LedgerEntry[], state: FloorState): void
  nextAtMs(): number | null
  /** The commands of the earliest act due at `atMs`; undefined when nothing is due. */
  takeDue(atMs: number, state: FloorState): readonly Command[] | undefined
  setPace(pace: Pace, state: FloorState, atMs: number): void
  /** A caller for a queue, who rings at one agent where that is asked for. */
  ring(wish: RingWish, ringsAt: AgentId | null, atMs: number): void
  /** Sound that an agent sends into a call: whoever out there hears them may make something of it. */
  hear(callId: CallId, agentId: AgentId | null, samples: Float32Array, state: FloorState, atMs: number): void
  setNextAnswer(answersAs: AnswersAs): void
  pace(): Pace
}

export interface WorldOptions {
  readonly seed: number
  readonly pace: Pace
  /** Seats the stand-ins play. */
  readonly plays: readonly AgentId[]
  /** `live`: the day begins mid-morning whenever a pace is chosen. Otherwise it is a day of the centre. */
  readonly day: { readonly kind: 'live' } | { readonly kind: 'calendar'; readonly day: Day }
}

export function createWorld(options: WorldOptions): World {
  const { seed } = options
  const agenda = createAgenda<Act>()
  const plays = new Set<AgentId>(options.plays)
  const arrivals = new Map<QueueId, Chance>()
  /** Of the caller who is about to be there: who comes next from a command is they. */
  let wished: RingWish | null = null
  const wishOf = new Map<CallId, RingWish>()
  const endOf = new Map<CallId, Ended>()
  let pace = options.pace
  let startsMs = 0
  // Arrivals noted before the pace changed are void.
  let dayNo = 0
  let nextAnswer: AnswersAs | null = null
  const { day } = options
  const hours = hoursOf(day.kind === 'calendar' ? weekdayOf(day.day) : null)

  const personaFor = (callId: CallId, queueId: QueueId | null) => personaOf(seed, callId, queueId, pace, wishOf.get(callId) ?? null)
  const farEnds = createFarEnds({ note: agenda.note, plays, chanceOf: (callId) => chanceOfCall(seed, callId, 'remark') })
  const colleagues = createColleagues({
    ...{ seed, plays, note: agenda.note, personaFor },
    endOf: (callId) => endOf.get(callId),
    mayGo: () => day.kind === 'calendar' || pace === 'quiet',
    hurries: (id) => day.kind === 'calendar' && hurries(seed, day.day, id),
    isQuiet: () => pace === 'quiet',
  })
  const callers = createCallers({
    ...{ seed, plays, note: agenda.note, personaFor, wishOf, endOf },
    callsAgain: (queueId, number, atMs) => {
      if (pace !== 'quiet') agenda.note(atMs, { kind: 'again', queueId, number, dayNo })
    },
  })

  const startDay = (state: FloorState, atMs: number) => {
    dayNo++
    startsMs = day.kind === 'calendar' ? startOfDayMs(day.day, state.setUp.timeZone) : atMs - liveStartOfDayMs(pace)
    for (const { id } of state.setUp.queues) {
      arrivals.set(id, createChance(seedFor(seed, `arrivals ${id} ${dayNo}`)))
      noteArrival(id, Math.max(atMs, startsMs + hours.opensMs))
    }
    const onShift = day.kind === 'calendar' ? onDuty(seed, day.day, state.setUp, options.plays, hours.seats) : options.plays
    for (const id of onShift) noteShift(state, id, atMs)
    colleagues.mind(state, Math.max(atMs, day.kind === 'calendar' ? startsMs + hours.opensMs : 0))
  }

  const noteArrival = (queueId: QueueId, fromMs: number) => {
    const chance = arrivals.get(queueId)
    if (chance === undefined || pace === 'quiet') return
    const at = nextArrivalMs(chance, (t) => arrivalsPerHour(pace, queueId, timeOfDayMs(t), hours), fromMs)
    if (at !== null) agenda.note(at, { kind: 'arrive', queueId, dayNo })
  }

  /** A live day has no night: after closing time the same hours come round again. */
  const timeOfDayMs = (atMs: number) => {
    const open = hours.closesMs - hours.opensMs
    const since = atMs - startsMs - hours.opensMs
    return hours.opensMs + (day.kind === 'live' ? ((since % open) + open) % open : since)
  }

  const noteShift = (state: FloorState, id: AgentId, atMs: number) => {
    const isOn = get(state.agents, id)?.shift !== null
    if (pace === 'quiet') {
      if (isOn) agenda.note(atMs, { kind: 'clockOff', agentId: id })
      return
    }
    const chance = createChance(seedFor(seed, `shift ${id} ${dayNo}`))
    colleagues.beginDay(id, atMs, chance)
    const comesMs = day.kind === 'live' ? atMs + 300 + chance.next() * 4000 : startsMs + hours.opensMs - 15 * MINUTE + chance.next() * 50 * MINUTE
    if (!isOn) agenda.note(comesMs, { kind: 'clockOn', agentId: id })
    if (day.kind === 'calendar') agenda.note(startsMs + hours.closesMs - 45 * MINUTE + chance.next() * 60 * MINUTE, { kind: 'clockOff', agentId: id })
  }

  const observeOne = (entry: LedgerEntry, state: FloorState) => {
    const { event, atMs } = entry
    colleagues.observe(entry, state)
    switch (event.kind) {
      case 'callQueued': {
        if (wished !== null) wishOf.set(event.callId, wished)
        const keepsPlaceMs = wished?.keepsPlaceMs ?? null
        wished = null
        if (keepsPlaceMs !== null) agenda.note(atMs + keepsPlaceMs, { kind: 'keepPlace', callId: event.callId })
        return callers.waits(event.callId, event.queueId, atMs)
      }
      case 'callTurnedAway':
        wished = null
        return
      case 'callerTold':
        return callers.told(event.callId, event.expectedWaitMs, atMs)
      case 'callOriginated':
        return planFarEnd({ callId: event.callId }, event.number, atMs)
      case 'connectionInitiated':
        if (event.party.kind === 'outside')
          planFarEnd({ callId: event.callId, deviceId: event.deviceId }, event.party.number, atMs, get(state.calls, event.callId)?.keptFor != null)
        return
      case 'connectionQueued':
        // Handed on to another queue, they wait anew, with new patience.
        return callers.waits(event.callId, event.queueId, atMs)
      case 'contactTaken':
        if (plays.has(event.agentId)) colleagues.goOnTalking(event.callId, event.agentId, state, atMs)
        return
      case 'connectionEstablished':
        farEnds.answered(event.callId, event.deviceId, state, atMs)
        return planCall(event.callId, agentOfDevice(event.deviceId), state, atMs)
      case 'connectionHeld':
        return callers.held(event.callId, agentOfDevice(event.deviceId), atMs)
      case 'scriptPageShown':
      case 'captionSpoken':
        return callers.goOn(event.callId, event.kind === 'captionSpoken', state, atMs)
      case 'wrapUpStarted':
        if (plays.has(event.agentId)) callers.isServed(event.callId, state, atMs)
        return
      case 'carriedOver':
        return colleagues.mind(state, atMs)
      case 'outcomeSaved':
      case 'callCleared':
        return forget(event.callId, state)
      default:
        return
    }
  }

  /** Of a call that is over and coded the world remembers nothing, or it would grow from day to day. */
  const forget = (callId: CallId, state: FloorState) => {
    if (get(state.work, callId) !== undefined || get(state.calls, callId) !== undefined) return
    wishOf.delete(callId)
    endOf.delete(callId)
    colleagues.forget(callId)
  }

  const planCall = (callId: CallId, agentId: AgentId | null, state: FloorState, atMs: number) => {
    const work = get(state.work, callId)
    if (work?.handledBy == null) return
    if (agentId !== null && plays.has(agentId)) {
      // Whoever dials talks with nobody yet.
      if (work.direction === 'inbound') colleagues.goOnTalking(callId, agentId, state, atMs)
      return
    }
    if (agentId === null && work.direction === 'outbound' && plays.has(work.handledBy)) return colleagues.talkDialled(callId, work.handledBy, atMs)
    callers.talks(work, agentId, atMs)
  }

  const planFarEnd = (end: { readonly callId: CallId; readonly deviceId?: DeviceId }, number: string | null, atMs: number, keptFor = false) => {
    const expected = placeByNumber(number) !== undefined || keptFor
    const as: AnswersAs = nextAnswer ?? (expected ? 'person' : chanceOfCall(seed, end.callId, 'far end').weighted(FAR_ENDS))
    nextAnswer = null
    if (as === 'busy') return agenda.note(atMs + 1500, { kind: 'farEnd', ...end, report: 'busy' })
    agenda.note(atMs + 800, { kind: 'farEnd', ...end, report: 'ringing' })
    if (as === 'person') return agenda.note(atMs + 4000, { kind: 'farEnd', ...end, report: 'answered' })
    return agenda.note(atMs + (as === 'noAnswer' ? 20 * SECOND : 5000), { kind: 'farEnd', ...end, report: as })
  }

  const perform = (act: Act, state: FloorState, atMs: number): readonly Command[] => {
    switch (act.kind) {
      case 'arrive':
        if (act.dayNo !== dayNo) return []
        noteArrival(act.queueId, atMs)
        return [arrival(state, { seed, pace, queueId: act.queueId, who: null }, arrivals.get(act.queueId) as Chance)]
      case 'again': {
        const isOpen = timeOfDayMs(atMs) < hours.closesMs
        const chance = createChance(seedFor(seed, `again ${state.callCount}`))
        // Who has called us before does not mean somebody else now.
        const isMeant = intentOf(seed, nextCallId(state), act.queueId, pace).isWrongNumber !== true
        return act.dayNo === dayNo && isOpen && isMeant ? [arrival(state, { seed, pace, queueId: act.queueId, who: { again: act.number } }, chance)] : []
      }
      case 'ring': {
        wished = act.wish
        const chance = createChance(seedFor(seed, `ring ${state.callCount}`))
        const command = arrival(state, { seed, pace, queueId: act.wish.queueId, who: { wished: act.wish.customerId } }, chance)
        return [act.ringsAt === null ? command : { ...command, ringsAt: act.ringsAt }]
      }
      case 'keepPlace':
      case 'giveUp':
      case 'fedUp':
      case 'breakOff':
      case 'say':
      case 'leave':
        return callers.perform(act, state, atMs)
      case 'farEnd':
        return farEnd(act, state, atMs)
      case 'remark':
        return [{ kind: 'callerSays', callId: act.callId, deviceId: act.deviceId, turn: 0, text: act.text }]
      case 'heardDigits':
        return farEnds.respond(act, state, atMs)
      default:
        return colleagues.perform(act, state, atMs)
    }
  }

  const farEnd = ({ callId, deviceId, report }: Extract<Act, { kind: 'farEnd' }>, state: FloorState, atMs: number): readonly Command[] => {
    const end = deviceId === undefined ? { callId } : { callId, deviceId }
    const work = get(state.work, callId)
    if (deviceId === undefined && report !== 'ringing' && report !== 'answered') {
      endOf.set(callId, report === 'busy' || report === 'machine' ? report : 'noAnswer')
      if (work?.handledBy != null && plays.has(work.handledBy)) colleagues.talkDialled(callId, work.handledBy, atMs)
    }
    const command: Command = { kind: 'farEnd', ...end, report }
    return report === 'machine' ? [command, { kind: 'callerSays', ...end, turn: 0, text: MACHINE_GREETING }] : [command]
  }

  return {
    begin(state, atMs) {
      startDay(state, atMs)
      resume(state, atMs, plays, observeOne, agenda.note, personaFor)
    },
    observe: (entries, state) => {
      for (const entry of entries) observeOne(entry, state)
    },
    nextAtMs: agenda.nextAtMs,
    takeDue: (atMs, state) => {
      const act = agenda.takeDue(atMs)
      return act && perform(act, state, atMs)
    },
    setPace(next, state, atMs) {
      pace = next
      startDay(state, atMs)
    },
    ring(wish, ringsAt, atMs) {
      agenda.note(atMs, { kind: 'ring', wish, ringsAt })
    },
    hear(callId, agentId, samples, state, atMs) {
      farEnds.hear(callId, agentId, samples, state, atMs)
    },
    setNextAnswer: (answersAs) => {
      nextAnswer = answersAs
    },
    pace: () => pace,
  }
}

const FAR_ENDS: readonly { readonly weight: number; readonly item: AnswersAs }[] = [
  { weight: 70, item: 'person' },
  { weight: 14, item: 'noAnswer' },
  { weight: 10, item: 'machine' },
  { weight: 6, item: 'busy' },
]
