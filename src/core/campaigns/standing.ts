// Where a record stands: whether it is tried again, when at the earliest, at which number, and why. Reckoned from what it has been through by the rules of
// the campaign; nothing of it is kept.
import type { CampaignSetUp } from '@/core/set-up'
import { DAY, type EpochMs, localDay } from '@/core/time'
import { type CallingHours, dayPartAt, hasSeveralParts, nextDayAtMs, nextDayPartAtMs } from './calling-hours'
import type { ListedNumber, ListedRecord, RecordLife, Try } from './record'

export const RECORD_STATES = ['fresh', 'inProgress', 'again', 'callback', 'final', 'never', 'invalid', 'waitingForHours'] as const
export type RecordState = (typeof RECORD_STATES)[number]

export interface Standing {
  readonly state: RecordState
  /** When it may be called at the earliest; null for never by the dialer. */
  readonly nextAtMs: EpochMs | null
  readonly number: ListedNumber | null
  /** What decides, in words. */
  readonly why: string
}

export type StandingRules = Pick<CampaignSetUp, 'attempts' | 'manner' | 'hours'>

/** Rules of a campaign put to one record after another. */
export function standingOf(record: ListedRecord, life: RecordLife, rules: StandingRules, hours: CallingHours, nowMs: EpochMs): Standing {
  const last = life.tries.at(-1)
  if (last !== undefined && last.result === null) return over('inProgress', 'is being called')
  // An agent had the call, whatever came of it.
  if (last !== undefined && last.callId !== null && last.label === null && last.atMs >= life.putBackAtMs)
    return over('inProgress', 'the outcome of the last call is owed')
  if (life.shown) return over('inProgress', 'an agent is looking at it')
  const { becomes } = life
  if (becomes?.kind === 'final') return over('final', `coded “${becomes.label}”`)
  if (becomes?.kind === 'never') return over('never', `coded “${becomes.label}”`)
  if (becomes?.kind === 'callback') return { state: 'callback', nextAtMs: null, number: null, why: `promised: “${becomes.label}”` }
  const usable = record.numbers.filter(({ number }) => !life.struck.includes(number) && !life.barred.includes(number))
  if (usable.length === 0) {
    if (life.barred.length > 0) return over('never', 'on the do-not-call list')
    // Nobody is taken into a list without a number: whoever has none was forgotten, and is not counted among numbers that turned out wrong.
    if (record.numbers.length === 0) return over(life.struck.length === 0 ? 'final' : 'invalid', 'forgotten, and called no more')
    return over('invalid', 'no number of theirs is in use')
  }
  const counting = life.tries.filter((t) => t.atMs >= life.putBackAtMs)
  if (counting.length >= rules.attempts.perRecord.inAll) return over('final', `${counting.length} tries made, no more are allowed`)
  return next(record, life, counting, usable, rules, hours, nowMs)
}

const over = (state: RecordState, why: string): Standing => ({ state, nextAtMs: null, number: null, why })

interface Candidate {
  readonly atMs: EpochMs
  readonly why: string
}

function next(
  record: ListedRecord,
  life: RecordLife,
  counting: readonly Try[],
  usable: readonly ListedNumber[],
  rules: StandingRules,
  hours: CallingHours,
  nowMs: EpochMs,
): Standing {
  const order = inTurn(record, usable, counting, rules)
  let best: (Candidate & { readonly number: ListedNumber; readonly closed: boolean }) | null = null
  for (const number of order) {
    if (counting.filter((t) => t.number === number.number).length >= rules.attempts.perNumber.inAll) continue
    const earliest = earliestFor(number, life, rules, nowMs)
    const found = allowed(number, earliest, life, rules, hours)
    if (found !== null && (best === null || found.atMs < best.atMs)) best = { ...found, number, closed: found.atMs > earliest.atMs && earliest.atMs <= nowMs }
  }
  if (best === null) {
    const used = order.every(({ number }) => counting.filter((t) => t.number === number).length >= rules.attempts.perNumber.inAll)
    return used ? over('final', 'every number has been tried as often as is allowed') : over('waitingForHours', 'no hour of the campaign allows it')
  }
  const { atMs, why, number, closed } = best
  const state = closed ? 'waitingForHours' : life.tries.length === 0 || (counting.length === 0 && life.becomes === null) ? 'fresh' : 'again'
  return { state, nextAtMs: atMs, number, why }
}

/** The numbers in the order in which they are to be tried now: the first is the one whose turn it is. */
function inTurn(record: ListedRecord, usable: readonly ListedNumber[], counting: readonly Try[], { attempts }: StandingRules): readonly ListedNumber[] {
  const last = counting.at(-1)
  if (last === undefined) return usable
  let row = 0
  for (let i = counting.length - 1; i >= 0 && counting[i]?.number === last.number; i--) row++
  const at = record.numbers.findIndex((n) => n.number === last.number)
  const from = row >= attempts.nextNumberAfter || !usable.some((n) => n.number === last.number) ? at + 1 : at
  const after = record.numbers.slice(from).concat(record.numbers.slice(0, from))
  return after.filter((n) => usable.includes(n))
}

/** From the last try on, or from what its outcome asked for. */
function earliestFor({ number, zones }: ListedNumber, life: RecordLife, rules: StandingRules, nowMs: EpochMs): Candidate {
  const { attempts } = rules
  const zone = zones[0] ?? 'UTC'
  let candidate: Candidate = { atMs: nowMs, why: life.tries.length === 0 ? 'not tried yet' : 'may be tried again now' }
  const push = (atMs: EpochMs, why: string) => {
    if (atMs > candidate.atMs) candidate = { atMs, why }
  }
  const last = life.tries.at(-1)
  if (life.rests !== null) push(life.rests.untilMs, life.rests.why)
  if (life.becomes?.kind === 'again') push(life.becomes.notBeforeMs, `coded “${life.becomes.label}”`)
  else if (last !== undefined && last.atMs >= life.putBackAtMs) push(...gapAfter(last, zone, rules))
  // Days and weeks are counted whatever was put back: whoever is called does not care why.
  for (let turns = 0; turns < 4; turns++) {
    const before = candidate.atMs
    for (const [tries, limits, whose] of [
      [life.tries, attempts.perRecord, 'of this person'],
      [life.tries.filter((t) => t.number === number), attempts.perNumber, 'of this number'],
    ] as const) {
      const day = localDay(zone, candidate.atMs)
      if (tries.filter((t) => localDay(zone, t.atMs) === day).length >= limits.perDay)
        push(nextDayAtMs(zone, candidate.atMs), `${limits.perDay} tries ${whose} in one day`)
      const inWeek = tries.filter((t) => t.atMs > candidate.atMs - 7 * DAY)
      const first = inWeek.at(-limits.perSevenDays)
      if (inWeek.length >= limits.perSevenDays && first !== undefined) push(first.atMs + 7 * DAY, `${limits.perSevenDays} tries ${whose} in seven days`)
    }
    if (candidate.atMs === before) break
  }
  return candidate
}

function gapAfter(last: Try, zone: string, { attempts, manner, hours }: StandingRules): [atMs: EpochMs, why: string] {
  const { gapMs, anotherTimeOfDay } = attempts
  switch (last.result) {
    case 'busy':
      return [last.atMs + gapMs.busy, 'was busy']
    case 'refused':
      return [last.atMs + gapMs.refused, 'refused the call']
    case 'abandoned':
      // Who heard that nobody was there is not disturbed again that day, but by an agent who is already on the line.
      return manner === 'preview'
        ? [last.atMs + gapMs.noAnswer, 'nobody was there in time']
        : [nextDayAtMs(zone, last.atMs), 'nobody was there in time: not again that day']
    case 'noAnswer':
    case 'machine': {
      const words = last.result === 'machine' ? 'a machine answered' : 'did not answer'
      const atMs = last.atMs + gapMs[last.result]
      if (!anotherTimeOfDay || !hasSeveralParts({ hours }) || dayPartAt(zone, atMs) !== dayPartAt(zone, last.atMs)) return [atMs, words]
      return [nextDayPartAtMs(zone, atMs), `${words}: next at another time of day`]
    }
    default:
      // A call that was cut short before anything came of it, or was coded: nothing keeps it but the limits.
      return [last.atMs, 'may be tried again now']
  }
}

/** Within the hours, and still at another time of day than the last try. */
function allowed({ zones }: ListedNumber, earliest: Candidate, life: RecordLife, rules: StandingRules, hours: CallingHours): Candidate | null {
  const zone = zones[0] ?? 'UTC'
  const last = life.tries.at(-1)
  const minds =
    rules.attempts.anotherTimeOfDay &&
    hasSeveralParts(rules) &&
    life.becomes?.kind !== 'again' &&
    last !== undefined &&
    last.atMs >= life.putBackAtMs &&
    (last.result === 'noAnswer' || last.result === 'machine')
  let { atMs, why } = earliest
  for (let turns = 0; turns < 8; turns++) {
    const openMs = hours.nextAllowedAtMs(zones, atMs)
    if (openMs === null) return null
    if (openMs > atMs) {
      why = `${earliest.why}; then the hours of the campaign`
      atMs = openMs
    }
    if (!minds || last === undefined || dayPartAt(zone, atMs) !== dayPartAt(zone, last.atMs)) return { atMs, why }
    atMs = nextDayPartAtMs(zone, atMs)
  }
  return { atMs, why }
}
