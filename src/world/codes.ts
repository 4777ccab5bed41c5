// A colleague codes a call: by what the caller wanted and how it ended. Now and then somebody is careless.
import type { Chance } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { codesFor, type OutcomeCode } from '@/core/outcomes'
import { agentSetUp, outcomeSetFor, type SetUp } from '@/core/set-up'
import { HOUR, MINUTE } from '@/core/time'
import { behalfOfPart, type Work } from '@/core/work'
import { dayAfter, dayAt, startOfDayMs, weekdayOf } from './calendar'
import type { Ended } from './ended'
import { chanceIn, personaOfWork, type Scene } from './scene'
import { abroadOf, type Habits, type Intent, placeAt, type Stage } from './stage'
import { talkOf } from './talk-of'

const CARELESS_OFTEN = 0.05

export interface Coded {
  readonly agentId: AgentId
  readonly work: Work
  readonly ended: Ended
  readonly atMs: number
  readonly andThen: Extract<AgentCommand, { kind: 'saveOutcome' }>['andThen']
}

export function codeCall(scene: Scene, setUp: SetUp, { agentId, work, ended, atMs, andThen }: Coded): AgentCommand {
  const { stage } = scene
  const { habits } = stage
  const intent = intentOf(scene, work)
  const chance = chanceIn(scene, work.id, `code ${agentId}`)
  // Whoever sent no number cannot be called back.
  const codes = codesFor(outcomeSetFor(setUp, behalfOfPart(work, agentId)), work.dialled).filter((c) => c.follows.kind !== 'callback' || work.number !== null)
  const careless = ended === 'done' && intent.isWrongNumber !== true && chance.next() < CARELESS_OFTEN
  const code = (careless ? undefined : fitting(stage, codes, work, intent, ended, chance)) ?? usual(codes, chance)
  const notes = ended === 'putThrough' ? putThroughTo(setUp, intent, habits) : chance.pick(habits.callNotes)
  const country = abroadOf(stage, work.number)
  return {
    kind: 'saveOutcome',
    // Whoever has talked with the caller knows better than the script.
    insists: true,
    agentId,
    callId: work.id,
    code: code.code,
    notes: notes || (code.needs.notes ? habits.noteWhenNeeded : ''),
    callback: {
      dueAtMs: agreedForMs(chance, atMs, country?.isOverseas ?? false, setUp.timeZone),
      timeZone: country?.timeZone ?? setUp.timeZone,
      typed: '',
      // Whoever may not dial abroad leaves it to those who may.
      owner: chance.next() < 0.55 && mayCall(stage, setUp, agentId, work.number) ? 'mine' : 'anyone',
    },
    followUp: '',
    andThen,
  }
}

/** What somebody writes about says what they want; of a call it is in who calls. */
function intentOf(scene: Scene, work: Work): Intent {
  const { intent } = personaOfWork(scene, work)
  if (work.channel === 'call' || work.queueId === null) return intent
  const { belongsIn: _, isWrongNumber: __, ...wanted } = intent
  return { ...wanted, code: talkOf(scene.stage, scene.memory.seed, work.id, work.queueId).code }
}

const putThroughTo = ({ queues }: SetUp, { belongsIn }: Intent, { noteWhenPutThrough }: Habits): string =>
  noteWhenPutThrough(queues.find((q) => q.id === belongsIn)?.name ?? null)

function fitting(
  stage: Stage,
  codes: readonly OutcomeCode[],
  { dialled, queueId, campaign, number }: Work,
  intent: Intent,
  ended: Ended,
  chance: Chance,
): OutcomeCode | undefined {
  const first = (...wanted: readonly string[]) => wanted.map((code) => codes.find((c) => c.code === code)).find((c) => c !== undefined)
  const known = stage.habits.codes
  if (ended !== 'done') return first(...known.ended[ended])
  // A place is always there.
  if (placeAt(stage, number) !== undefined) return first(known.placeReached)
  if (dialled && queueId === null && campaign === null) return first(chance.weighted(known.byHand))
  return first(intent.code, ...known.otherwise)
}

export const mayCall = (stage: Stage, setUp: SetUp, agentId: AgentId, number: string | null): boolean =>
  abroadOf(stage, number) === undefined || agentSetUp(setUp, agentId).may.includes('internationalCalls')

/** What is picked without much thought: the upper ones of the list, and nothing that says that nobody was reached. */
const usual = (codes: readonly OutcomeCode[], chance: Chance): OutcomeCode =>
  chance.weighted(codes.map((item, i) => ({ item, weight: item.counts.rightParty && item.follows.kind === 'nothing' ? 1 / (i + 1) : 0.001 })))

/** A time somebody may be called at while the centre is open: later today, on the next working day, or some days on. */
function agreedForMs(chance: Chance, atMs: number, overseas: boolean, timeZone: string): number {
  const today = dayAt(atMs, timeZone)
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
