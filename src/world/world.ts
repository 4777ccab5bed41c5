// The world: everything outside the floor, played by stand-ins from one seed. It sees only events and the floor's
// state, and does only what anyone may: give commands. Time comes in with every call.

import { type Failure, onLine } from '@/core/calls'
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { Contact } from '@/core/contacts'
import { agentOfDevice, type Command, type FloorState } from '@/core/floor'
import type { AgentId, CallId, DeviceId, QueueId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { pageOf } from '@/core/scripts'
import { MISSED_RING, scriptVersion } from '@/core/set-up'
import { get } from '@/core/table'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import { placeByNumber } from '@/world/scenario'
import type { Act } from './act'
import { createAgenda } from './agenda'
import { arrival } from './arrival'
import { answerDelayMs, BACK_AFTER_MISSED_MS, BREAKS, breakNote, codeCall, planTalk, readOn, wrapUpMs } from './colleagues'
import { FED_UP, lineOf, MACHINE_GREETING, turnsOf } from './conversation'
import { createFarEnds, isOutside } from './far-ends'
import { arrivalsPerHour, CLOSES_MS, liveStartOfDayMs, nextArrivalMs, OPENS_MS } from './pace'
import type { Pace } from './paces'
import { chanceOfCall, personaOf, type RingWish } from './persona'
import { resume } from './resume'

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
  /** `live`: the day begins mid-morning whenever a pace is chosen. Otherwise `midnightMs` is where the day begins. */
  readonly day: { readonly kind: 'live' } | { readonly kind: 'calendar'; readonly midnightMs: number }
}

export function createWorld(options: WorldOptions): World {
  const { seed } = options
  const agenda = createAgenda<Act>()
  const plays = new Set<AgentId>(options.plays)
  const arrivals = new Map<QueueId, Chance>()
  /** Of the caller who is about to be there: who comes next from a command is they. */
  let wished: RingWish | null = null
  const wishOf = new Map<CallId, RingWish>()
  const lastBreakMs = new Map<AgentId, number>()
  let pace = options.pace
  let midnightMs = options.day.kind === 'calendar' ? options.day.midnightMs : 0
  // Arrivals noted before the pace changed are void.
  let dayNo = 0
  let nextAnswer: AnswersAs | null = null
  const farEnds = createFarEnds({ note: agenda.note, plays, chanceOf: (callId) => chanceOfCall(seed, callId, 'remark') })

  const startDay = (state: FloorState, atMs: number) => {
    dayNo++
    if (options.day.kind === 'live') midnightMs = atMs - liveStartOfDayMs(pace)
    for (const { id } of state.setUp.queues) {
      arrivals.set(id, createChance(seedFor(seed, `arrivals ${id} ${dayNo}`)))
      noteArrival(id, Math.max(atMs, midnightMs + OPENS_MS))
    }
    for (const id of plays) noteShift(state, id, atMs)
  }

  const noteArrival = (queueId: QueueId, fromMs: number) => {
    const chance = arrivals.get(queueId)
    if (chance === undefined || pace === 'quiet') return
    const at = nextArrivalMs(chance, (t) => arrivalsPerHour(pace, queueId, timeOfDayMs(t)), fromMs)
    if (at !== null) agenda.note(at, { kind: 'arrive', queueId, dayNo })
  }

  /** A live day has no night: after closing time the same hours come round again. */
  const timeOfDayMs = (atMs: number) => {
    const open = CLOSES_MS - OPENS_MS
    const since = atMs - midnightMs - OPENS_MS
    return OPENS_MS + (options.day.kind === 'live' ? ((since % open) + open) % open : since)
  }

  const noteShift = (state: FloorState, id: AgentId, atMs: number) => {
    const onShift = get(state.agents, id)?.shift !== null
    if (pace === 'quiet') {
      if (onShift) agenda.note(atMs, { kind: 'clockOff', agentId: id })
      return
    }
    const chance = createChance(seedFor(seed, `shift ${id} ${dayNo}`))
    lastBreakMs.set(id, atMs - chance.next() * 90 * MINUTE)
    if (!onShift)
      agenda.note(options.day.kind === 'live' ? atMs + 300 + chance.next() * 4000 : midnightMs + OPENS_MS - 10 * MINUTE + chance.next() * 90 * MINUTE, {
        kind: 'clockOn',
        agentId: id,
      })
    if (options.day.kind === 'calendar') agenda.note(midnightMs + CLOSES_MS - 60 * MINUTE + chance.next() * 80 * MINUTE, { kind: 'clockOff', agentId: id })
  }

  const observeOne = ({ event, atMs }: LedgerEntry, state: FloorState) => {
    switch (event.kind) {
      case 'callQueued': {
        const wish = wished
        wished = null
        if (wish !== null) wishOf.set(event.callId, wish)
        if (wish?.keepsPlaceMs != null) agenda.note(atMs + wish.keepsPlaceMs, { kind: 'keepPlace', callId: event.callId })
        agenda.note(atMs + personaFor(event.callId, event.queueId).patienceMs, { kind: 'giveUp', callId: event.callId })
        return
      }
      case 'callTurnedAway':
        wished = null
        return
      case 'callerTold':
        return planKeepingPlace(event.callId, event.expectedWaitMs, atMs)
      case 'callOriginated':
        return planFarEnd({ callId: event.callId }, event.number, atMs)
      case 'connectionInitiated':
        if (event.party.kind === 'outside')
          planFarEnd({ callId: event.callId, deviceId: event.deviceId }, event.party.number, atMs, get(state.calls, event.callId)?.keptFor != null)
        return
      case 'connectionQueued':
        // Handed on to another queue, they wait anew, with new patience.
        return agenda.note(atMs + personaFor(event.callId, event.queueId).patienceMs, { kind: 'giveUp', callId: event.callId })
      case 'contactTaken':
        if (plays.has(event.agentId)) goOnTalking(event.callId, event.agentId, state, atMs)
        return
      case 'connectionDelivered':
        if (event.party.kind === 'agent' && plays.has(event.party.agentId))
          agenda.note(atMs + answerDelayMs(seed, event.callId), { kind: 'answer', agentId: event.party.agentId, callId: event.callId })
        return
      case 'connectionEstablished':
        farEnds.answered(event.callId, event.deviceId, state, atMs)
        return planCall(event.callId, agentOfDevice(event.deviceId), state, atMs)
      case 'connectionHeld': {
        const agentId = agentOfDevice(event.deviceId)
        if (agentId !== null && !plays.has(agentId))
          agenda.note(atMs + personaFor(event.callId, null).holdPatienceMs, { kind: 'fedUp', callId: event.callId, heldSinceMs: atMs })
        return
      }
      case 'scriptPageShown':
      case 'captionSpoken':
        return planNextTurn(event.callId, event.kind === 'captionSpoken', state, atMs)
      case 'wrapUpStarted':
        if (plays.has(event.agentId))
          agenda.note(atMs + wrapUpMs(seed, event.callId, event.recommendedMs), { kind: 'code', agentId: event.agentId, callId: event.callId })
        return
      case 'shiftStarted':
        if (plays.has(event.agentId)) agenda.note(atMs + 1500, { kind: 'goReady', agentId: event.agentId })
        return
      case 'agentNotReady': {
        if (!plays.has(event.agentId)) return
        const awayMs = event.reason === MISSED_RING ? BACK_AFTER_MISSED_MS : (BREAKS[event.reason] ?? MINUTE)
        if (awayMs > MINUTE) agenda.note(atMs + 3 * SECOND, { kind: 'note', agentId: event.agentId, untilMs: atMs + awayMs })
        return agenda.note(atMs + awayMs, { kind: 'goReady', agentId: event.agentId })
      }
      default:
        return
    }
  }

  /** Some would rather be called back than wait for long. */
  const planKeepingPlace = (callId: CallId, expectedWaitMs: number | null, atMs: number) => {
    if (expectedWaitMs === null || expectedWaitMs < 2 * MINUTE || wishOf.has(callId)) return
    const chance = chanceOfCall(seed, callId, 'keep place')
    if (chance.next() < 0.3) agenda.note(atMs + 8 * SECOND + chance.next() * 20 * SECOND, { kind: 'keepPlace', callId })
  }

  const personaFor = (callId: CallId, queueId: QueueId | null) => personaOf(seed, callId, queueId, wishOf.get(callId) ?? null)

  const planCall = (callId: CallId, agentId: AgentId | null, state: FloorState, atMs: number) => {
    const contact = get(state.contacts, callId)
    if (contact?.handledBy == null) return
    const persona = personaFor(callId, contact.queueId)
    if (agentId !== null && plays.has(agentId)) return goOnTalking(callId, agentId, state, atMs)
    // A consulted colleague or a further party says something of their own; the caller has said good day already.
    if (agentId !== null && contact.handledBy !== agentId) return
    if (agentId === null && contact.captions.length > 0) return
    agenda.note(atMs + 900, { kind: 'say', callId, turn: contact.captions.length })
    agenda.note(atMs + persona.staysMs, { kind: 'leave', callId })
  }

  /** A colleague who has the call now sees it through. */
  const goOnTalking = (callId: CallId, agentId: AgentId, state: FloorState, atMs: number) => {
    const contact = get(state.contacts, callId)
    if (contact?.handledBy !== agentId) return
    for (const { inMs, act } of planTalk(seed, agentId, callId, personaFor(callId, contact.queueId))) agenda.note(atMs + inMs, act)
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

  /** Callers go on when the agent does; left alone they go on by themselves, but say good-bye only at the end. */
  const planNextTurn = (callId: CallId, spoke: boolean, state: FloorState, atMs: number) => {
    const contact = get(state.contacts, callId)
    if (contact?.handledBy == null || plays.has(contact.handledBy)) return
    const turn = contact.captions.length
    const turns = turnsOf(contact)
    if (turn >= turns) return spoke ? agenda.note(atMs + 8 * SECOND, { kind: 'leave', callId }) : undefined
    const atEnd = contact.run !== null && pageOf(scriptVersion(state.setUp, contact.run), contact.run.pageId).ways.length === 0
    const isGoodbye = turn === turns - 1
    const inMs = spoke ? (isGoodbye && !atEnd ? 75 * SECOND : 16 * SECOND) : isGoodbye && !atEnd ? null : 1800
    if (inMs !== null) agenda.note(atMs + inMs, { kind: 'say', callId, turn })
  }

  const perform = (act: Act, state: FloorState, atMs: number): readonly Command[] => {
    const contact: Contact | undefined = 'callId' in act ? get(state.contacts, act.callId) : undefined
    switch (act.kind) {
      case 'arrive':
        if (act.dayNo !== dayNo) return []
        noteArrival(act.queueId, atMs)
        return [arrival(state, act.queueId, null, arrivals.get(act.queueId) as Chance)]
      case 'ring': {
        wished = act.wish
        const command = arrival(state, act.wish.queueId, act.wish.customerId, createChance(seedFor(seed, `ring ${state.callCount}`)))
        return [act.ringsAt === null ? command : { ...command, ringsAt: act.ringsAt }]
      }
      case 'keepPlace':
        return [{ kind: 'keepPlace', callId: act.callId }]
      case 'note':
        return breakNote(seed, state.setUp, plays, act)
      case 'giveUp':
        return waitsForSomebody(state, act.callId) ? [{ kind: 'callerHangsUp', callId: act.callId }] : []
      case 'fedUp': {
        const stillHeld = get(state.calls, act.callId)?.connections.some((c) => c.state === 'held' && c.sinceMs === act.heldSinceMs)
        return stillHeld
          ? [
              { kind: 'callerSays', callId: act.callId, turn: contact?.captions.length ?? 0, text: FED_UP },
              { kind: 'callerHangsUp', callId: act.callId },
            ]
          : []
      }
      case 'say':
        if (contact === undefined || contact.captions.length !== act.turn || contact.endedAtMs !== null) return []
        // Nobody speaks into hold music: wait until somebody listens.
        if (isHeld(state, act.callId)) {
          agenda.note(atMs + 2 * SECOND, act)
          return []
        }
        return [{ kind: 'callerSays', callId: act.callId, turn: act.turn, text: lineOf(seed, contact, act.turn) }]
      case 'leave':
        return [{ kind: 'callerHangsUp', ...endOf(act) }]
      case 'farEnd': {
        const report: Command = { kind: 'farEnd', ...endOf(act), report: act.report }
        return act.report === 'machine' ? [report, { kind: 'callerSays', ...endOf(act), turn: 0, text: MACHINE_GREETING }] : [report]
      }
      case 'remark':
        return [{ kind: 'callerSays', callId: act.callId, deviceId: act.deviceId, turn: 0, text: act.text }]
      case 'heardDigits':
        return farEnds.respond(act, state, atMs)
      case 'clockOn': {
        const account = state.setUp.agents.find((a) => a.id === act.agentId)
        if (account === undefined || pace === 'quiet') return []
        return [{ kind: 'startShift', agentId: act.agentId, queueIds: [...account.queueIds], seat: 'standIn' }]
      }
      case 'clockOff':
        return clockOff(act.agentId, state, atMs)
      case 'goReady':
        return [{ kind: 'goReady', agentId: act.agentId }]
      case 'answer':
      case 'hold':
      case 'retrieve':
        return [{ kind: act.kind, agentId: act.agentId, callId: act.callId }]
      case 'finish':
        return [{ kind: 'hangUp', agentId: act.agentId, callId: act.callId }]
      case 'readOn':
        return contact === undefined || isHeld(state, act.callId) ? [] : readOn(seed, state.setUp, act.agentId, contact, act.step)
      case 'code':
        return contact === undefined ? [] : [codeCall(seed, state.setUp, act.agentId, contact, atMs, dueBreak(act.agentId, atMs))]
    }
  }

  /** Busy colleagues finish first: asks again until they may go. */
  const clockOff = (agentId: AgentId, state: FloorState, atMs: number): readonly Command[] => {
    const agent = get(state.agents, agentId)
    if (agent?.shift == null || (options.day.kind === 'live' && pace !== 'quiet')) return []
    if (agent.engagements.length === 0 && agent.wrapUps.length + agent.owed.length === 0) return [{ kind: 'endShift', agentId }]
    agenda.note(atMs + 10 * SECOND, { kind: 'clockOff', agentId })
    return []
  }

  const dueBreak = (agentId: AgentId, atMs: number): string | null => {
    if (atMs - (lastBreakMs.get(agentId) ?? atMs) < 2 * HOUR) return null
    lastBreakMs.set(agentId, atMs)
    return createChance(seedFor(seed, `break ${agentId} ${atMs}`)).weighted(KINDS_OF_BREAK)
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
const KINDS_OF_BREAK = [
  { weight: 5, item: 'Break' },
  { weight: 3, item: 'Lunch' },
  { weight: 1, item: 'Training' },
]

const endOf = ({ callId, deviceId }: { readonly callId: CallId; readonly deviceId?: DeviceId }) => (deviceId === undefined ? { callId } : { callId, deviceId })

/** A caller with nobody to talk to: in a queue, or rung through to somebody who has not answered. */
function waitsForSomebody(state: FloorState, callId: CallId): boolean {
  const call = get(state.calls, callId)
  return call !== undefined && onLine(call).every(isOutside)
}

const isHeld = (state: FloorState, callId: CallId): boolean => get(state.calls, callId)?.connections.some((c) => c.state === 'held') ?? false
