// A colleague codes a call: by what the caller wanted and how it ended. Now and then somebody is careless.
import type { Chance } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { codesFor, type OutcomeCode } from '@/core/outcomes'
import { agentSetUp, outcomeSetFor, type SetUp } from '@/core/set-up'
import { HOUR, MINUTE } from '@/core/time'
import { queueOfPart, type Work } from '@/core/work'
import { placeByNumber } from '@/world/scenario'
import { dayAfter, dayAt, startOfDayMs, weekdayOf } from './calendar'
import { chanceOfCall } from './chance-of-call'
import type { Intent } from './intent'

/** How a call ended, as whoever codes it knows. */
export type Ended = 'done' | 'brokenOff' | 'putThrough' | 'noAnswer' | 'busy' | 'machine'

const NOTES = [
  '',
  '',
  '',
  'Wants a text message as well.',
  'Prefers the morning boat.',
  'Asked about the lift on the car deck.',
  'Will call again if plans change.',
]
const CARELESS_OFTEN = 0.05

export interface Coded {
  readonly agentId: AgentId
  readonly work: Work
  readonly intent: Intent
  readonly ended: Ended
  readonly atMs: number
  readonly andThen: Extract<AgentCommand, { kind: 'saveOutcome' }>['andThen']
}

export function codeCall(seed: number, setUp: SetUp, { agentId, work, intent, ended, atMs, andThen }: Coded): AgentCommand {
  const chance = chanceOfCall(seed, work.id, `code ${agentId}`)
  // Whoever sent no number cannot be called back.
  const codes = codesFor(outcomeSetFor(setUp, queueOfPart(work, agentId)), work.dialled).filter((c) => c.follows.kind !== 'callback' || work.number !== null)
  const careless = ended === 'done' && intent.isWrongNumber !== true && chance.next() < CARELESS_OFTEN
  const code = (careless ? undefined : fitting(codes, work, intent, ended, chance)) ?? usual(codes, chance)
  const notes = ended === 'putThrough' ? 'Put through to Freight.' : chance.pick(NOTES)
  return {
    kind: 'saveOutcome',
    // Whoever has talked with the caller knows better than the script.
    insists: true,
    agentId,
    callId: work.id,
    code: code.code,
    notes: notes || (code.needs.notes ? 'As agreed.' : ''),
    callback: {
      dueAtMs: agreedForMs(chance, atMs, work.number, setUp.timeZone),
      timeZone: zoneOf(work.number) ?? setUp.timeZone,
      typed: '',
      // Whoever may not dial abroad leaves it to those who may.
      owner: chance.next() < 0.55 && mayCall(setUp, agentId, work.number) ? 'mine' : 'anyone',
    },
    followUp: '',
    andThen,
  }
}

function fitting(codes: readonly OutcomeCode[], { dialled, queueId, number }: Work, intent: Intent, ended: Ended, chance: Chance): OutcomeCode | undefined {
  const first = (...wanted: readonly string[]) => wanted.map((code) => codes.find((c) => c.code === code)).find((c) => c !== undefined)
  switch (ended) {
    case 'brokenOff':
      return first('caller-hung-up')
    case 'putThrough':
      return first('information', 'told-status')
    case 'noAnswer':
      return first('no-answer')
    case 'busy':
      return first('busy', 'no-answer')
    case 'machine':
      return first('message-left', 'no-answer')
    case 'done':
      // A port is always the port.
      if (placeByNumber(number) !== undefined) return first('reached')
      if (dialled && queueId === null) return first(chance.weighted(BY_HAND))
      return first(intent.code, 'information', 'told-status')
  }
}

export const mayCall = (setUp: SetUp, agentId: AgentId, number: string | null): boolean =>
  number === null || number.startsWith('+44') || agentSetUp(setUp, agentId).may.includes('internationalCalls')

/** What comes of calls that were dialled by hand and answered. */
const BY_HAND = [
  { weight: 60, item: 'reached' },
  { weight: 12, item: 'message-left' },
  { weight: 8, item: 'callback-agreed' },
  { weight: 4, item: 'wrong-number' },
  { weight: 14, item: 'never-call-number' },
  { weight: 2, item: 'never-call' },
]

/** What is picked without much thought: the upper ones of the list, and nothing that says that nobody was reached. */
const usual = (codes: readonly OutcomeCode[], chance: Chance): OutcomeCode =>
  chance.weighted(codes.map((item, i) => ({ item, weight: item.counts.rightParty && item.follows.kind === 'nothing' ? 1 / (i + 1) : 0.001 })))

const ZONES: readonly (readonly [prefix: string, timeZone: string])[] = [
  ['+33', 'Europe/Paris'],
  ['+1', 'America/New_York'],
  ['+61', 'Australia/Sydney'],
]
const zoneOf = (number: string | null): string | null => ZONES.find(([prefix]) => number?.startsWith(prefix))?.[1] ?? null

/** A time somebody may be called at while the centre is open: later today, on the next working day, or some days on. */
function agreedForMs(chance: Chance, atMs: number, number: string | null, timeZone: string): number {
  const today = dayAt(atMs, timeZone)
  const overseas = number?.startsWith('+1') || number?.startsWith('+61')
  // Where it is night here in the morning, the afternoon is the only time.
  const [fromMs, toMs] = overseas ? [14 * HOUR, 17.5 * HOUR] : [9 * HOUR, 17.5 * HOUR]
  const quarter = (ms: number) => Math.round(ms / (15 * MINUTE)) * 15 * MINUTE
  const at = (day: string) => startOfDayMs(day, timeZone) + quarter(fromMs + chance.next() * (toMs - fromMs))
  if (!overseas && chance.next() < 0.25) {
    const soon = quarter(atMs + HOUR + chance.next() * 3 * HOUR)
    if (soon < startOfDayMs(today, timeZone) + toMs) return soon
  }
  const on = dayAfter(today, chance.next() < 0.75 ? 1 : 2 + Math.floor(chance.next() * 3))
  return at(weekdayOf(on) === 0 ? dayAfter(on) : on)
}
