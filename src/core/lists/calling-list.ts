// A calling list at work: who is on it, what they have been through, where each of them stands and who is next. Records and lives are asked of whoever
// keeps them, so that a list may be larger than what is in memory; what is kept here is some thirty bytes a record.
import {
  type CallingHours,
  createCallingHours,
  evolveLife,
  FRESH,
  type LifeEvent,
  type ListedNumber,
  type ListedRecord,
  RECORD_STATES,
  type RecordLife,
  type RecordState,
  type Standing,
  standingOf,
} from '@/core/campaigns'
import type { CampaignSetUp } from '@/core/set-up'
import { type EpochMs, MINUTE } from '@/core/time'
import { type AnswerRates, createAnswerRates } from './answer-rates'
import { createDueIndex, type Place } from './due-index'

/** Whoever keeps records and lives. `lifeAt` gives undefined of who has been through nothing. */
export interface ListSource {
  readonly count: number
  recordAt(place: Place): ListedRecord
  lifeAt(place: Place): RecordLife | undefined
  setLife(place: Place, life: RecordLife): void
  /** Facts of fresh records that order them, without the record itself. */
  priorityAt(place: Place): number
  zoneAt(place: Place): string
}

export type ListRules = Pick<CampaignSetUp, 'attempts' | 'manner' | 'hours' | 'fromDay' | 'toDay' | 'leftOutDays' | 'order'>

/** Somebody who is to be called now. */
export interface Next {
  readonly place: Place
  readonly record: ListedRecord
  readonly number: ListedNumber
  readonly tries: number
}

export interface CallingList {
  /** Takes out whoever is next; they come back when what becomes of them is folded in, or by `giveBack`. */
  next(atMs: EpochMs): Next | undefined
  /** Somebody has them already: they are nobody's next until something is folded in of them. */
  hold(place: Place): void
  /** It was not called after all. */
  giveBack(place: Place, atMs: EpochMs): void
  fold(place: Place, event: LifeEvent, atMs: EpochMs): void
  standing(place: Place, atMs: EpochMs): Standing
  /** As `figures` counts it; undefined beyond the list. */
  stateAt(place: Place): RecordState | undefined
  /** How many stand where. Who waits for hours is counted as fresh or again: that changes with the clock. */
  figures(): Readonly<Record<RecordState, number>>
  /** null when nobody waits; 0 when somebody could be called now. */
  nextAtMs(atMs: EpochMs): EpochMs | null
  rates(): AnswerRates
}

const GIVEN_BACK_MS = MINUTE

/** A thousand million records keep their order within one priority. */
const RANK_STEP = 2 ** 30

export function createCallingList(source: ListSource, rules: ListRules, startMs: EpochMs): CallingList {
  const hours = createCallingHours(rules)
  const rates = createAnswerRates()
  const { order } = rules
  const rank = (place: Place, tries: number): number => {
    switch (order) {
      case 'priority':
        return RANK_STEP * -source.priorityAt(place)
      case 'fewestTries':
      case 'bestHour':
        return tries
      case 'imported':
        return 0
    }
  }
  const index = createDueIndex(source.count, (place) => rank(place, 0))
  const states = new Uint8Array(source.count)
  const figures = Object.fromEntries(RECORD_STATES.map((s) => [s, 0])) as Record<RecordState, number>
  const setState = (place: Place, state: RecordState) => {
    // The clock alone moves somebody in and out of their hours.
    const is = state === 'waitingForHours' ? ((source.lifeAt(place)?.tries.length ?? 0) === 0 ? 'fresh' : 'again') : state
    const before = (states[place] as number) - 1
    if (before >= 0) figures[RECORD_STATES[before] as RecordState]--
    states[place] = RECORD_STATES.indexOf(is) + 1
    figures[is]++
  }

  const isOpen = openZones(hours)

  const standing = (place: Place, atMs: EpochMs): Standing => standingOf(source.recordAt(place), source.lifeAt(place) ?? FRESH, rules, hours, atMs)

  const settle = (place: Place, atMs: EpochMs) => {
    const life = source.lifeAt(place) ?? FRESH
    const { state, nextAtMs, number } = standingOf(source.recordAt(place), life, rules, hours, atMs)
    setState(place, state)
    if (nextAtMs === null || number === null) index.remove(place)
    else index.set(place, zoneKey(number.zones), rank(place, life.tries.length), nextAtMs)
  }

  fill()
  return {
    next(atMs) {
      const best = rules.order === 'bestHour' ? (a: string, b: string) => rates.at(b, atMs) - rates.at(a, atMs) : undefined
      for (;;) {
        const place = index.take(atMs, (zone) => isOpen(zone, atMs), best)
        if (place === undefined) return undefined
        const record = source.recordAt(place)
        // Of who was never tried nothing but the hours counts, and those of their zones are open.
        const [first] = record.numbers
        if (first !== undefined && source.lifeAt(place) === undefined) return { place, record, number: first, tries: 0 }
        const { nextAtMs, number, state } = standing(place, atMs)
        // Since it was noted a rule may have come in between: then it waits for its time.
        if (number !== null && nextAtMs !== null && nextAtMs <= atMs) return { place, record, number, tries: source.lifeAt(place)?.tries.length ?? 0 }
        setState(place, state)
        if (number !== null && nextAtMs !== null) index.set(place, zoneKey(number.zones), rank(place, source.lifeAt(place)?.tries.length ?? 0), nextAtMs)
      }
    },
    hold: (place) => index.remove(place),
    giveBack(place, atMs) {
      settle(place, atMs)
      const { nextAtMs, number } = standing(place, atMs)
      // What kept them from being called now will not be over with the next tick.
      if (nextAtMs !== null && number !== null)
        index.set(place, zoneKey(number.zones), rank(place, source.lifeAt(place)?.tries.length ?? 0), Math.max(nextAtMs, atMs + GIVEN_BACK_MS))
    },
    fold(place, event, atMs) {
      const before = source.lifeAt(place) ?? FRESH
      const life = evolveLife(before, event, atMs)
      if (life !== before) source.setLife(place, life)
      if (event.kind === 'attemptEnded') learn(place, life, event.attemptId)
      settle(place, atMs)
    },
    standing,
    stateAt: (place) => RECORD_STATES[(states[place] ?? 0) - 1],
    figures: () => ({ ...figures }),
    nextAtMs: (atMs) => index.nextAtMs((zone) => isOpen(zone, atMs)),
    rates: () => rates,
  }

  function learn(place: Place, { tries }: RecordLife, attemptId: string): void {
    const last = tries.find((t) => t.attemptId === attemptId)
    const zones = source.recordAt(place).numbers.find((n) => n.number === last?.number)?.zones
    if (last === undefined || zones === undefined || last.result === 'cancelled') return
    rates.note(zoneKey(zones), last.atMs, last.result === 'live' || last.result === 'abandoned')
  }

  /** Everybody at the beginning: who has been through nothing by zones, all the others one by one. */
  function fill(): void {
    const fresh = new Map<string, Place[]>()
    for (let place = 0; place < source.count; place++) {
      if (source.lifeAt(place) !== undefined) {
        settle(place, startMs)
        continue
      }
      const zone = source.zoneAt(place)
      // No number of theirs could be read.
      if (zone === '') {
        setState(place, 'invalid')
        continue
      }
      setState(place, 'fresh')
      const places = fresh.get(zone)
      if (places === undefined) fresh.set(zone, [place])
      else places.push(place)
    }
    for (const [zone, places] of fresh)
      index.fill(zone, Uint32Array.from(rules.order === 'priority' ? places.toSorted((a, b) => rank(a, 0) - rank(b, 0) || a - b) : places))
  }
}

export const zoneKey = (zones: readonly string[]): string => zones.join(' ')

/** Whether zones are open, asked for a minute at a time. */
function openZones(hours: CallingHours): (zone: string, atMs: EpochMs) => boolean {
  let minute = -1
  const known = new Map<string, boolean>()
  return (zone, atMs) => {
    const now = Math.floor(atMs / 60_000)
    if (now !== minute) known.clear()
    minute = now
    const found = known.get(zone)
    if (found !== undefined) return found
    const is = hours.isAllowed(zone.split(' '), atMs)
    known.set(zone, is)
    return is
  }
}
