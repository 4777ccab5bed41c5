// Colleagues played by the stand-ins: how they answer, read the script, hold, code their calls and take breaks.
// They use the same commands as anyone at a desk.
import { createChance, seedFor } from '@/core/chance'
import { type Contact, queueOfPart } from '@/core/contacts'
import type { AgentCommand } from '@/core/floor'
import type { AgentId, CallId } from '@/core/ids'
import { codesFor } from '@/core/outcomes'
import { type AnswerValue, pageOf, type Question } from '@/core/scripts'
import { outcomeSetFor, type SetUp, scriptVersion } from '@/core/set-up'
import { DAY, HOUR, MINUTE, SECOND } from '@/core/time'
import type { Act } from './act'
import { chanceOfCall, type Persona } from './persona'

type Plan = readonly { readonly inMs: number; readonly act: Act }[]

const NOTES = [
  '',
  '',
  '',
  'Wants a text message as well.',
  'Prefers the morning boat.',
  'Asked about the lift on the car deck.',
  'Will call again if plans change.',
]
const READ_STEPS = 5

/** From the answer to the end of the call, in the order it will happen. */
export function planTalk(seed: number, agentId: AgentId, callId: CallId, persona: Persona): Plan {
  const chance = chanceOfCall(seed, callId, 'talk')
  const plan: { inMs: number; act: Act }[] = []
  for (let step = 1; step <= READ_STEPS; step++)
    plan.push({ inMs: Math.round((persona.businessMs * step) / (READ_STEPS + 1)), act: { kind: 'readOn', agentId, callId, step } })
  if (chance.next() < 0.22) {
    const fromMs = Math.round(persona.businessMs * (0.35 + 0.3 * chance.next()))
    const forMs = Math.round(Math.min(persona.businessMs * 0.3, 15 * SECOND + chance.exponential(25 * SECOND)))
    plan.push({ inMs: fromMs, act: { kind: 'hold', agentId, callId } }, { inMs: fromMs + forMs, act: { kind: 'retrieve', agentId, callId } })
  }
  plan.push({ inMs: persona.businessMs, act: persona.hangsUpFirst ? { kind: 'leave', callId } : { kind: 'finish', agentId, callId } })
  return plan.sort((a, b) => a.inMs - b.inMs)
}

export const answerDelayMs = (seed: number, callId: CallId): number => Math.round(1200 + chanceOfCall(seed, callId, 'answer').next() * 3800)

export const wrapUpMs = (seed: number, callId: CallId, recommendedMs: number): number =>
  Math.round(Math.max(5 * SECOND, chanceOfCall(seed, callId, 'wrap-up').logNormal(recommendedMs * 0.75, 0.5)))

/** Answers the questions of the page in front of them and turns it. */
export function readOn(seed: number, setUp: SetUp, agentId: AgentId, contact: Contact, step: number): AgentCommand[] {
  if (contact.run === null) return []
  const page = pageOf(scriptVersion(setUp, contact.run), contact.run.pageId)
  const chance = chanceOfCall(seed, contact.callId, `step ${step}`)
  const on = { agentId, callId: contact.callId }
  const answers = page.questions.map((q): AgentCommand => ({ kind: 'answerScript', ...on, field: q.field, value: someAnswer(q, contact, chance) }))
  return page.ways.length === 0 ? answers : [...answers, { kind: 'turnPage', ...on, direction: 'next' }]
}

const TEXTS: Readonly<Record<string, readonly string[]>> = {
  newSailing: ['Saturday 09:40', 'tomorrow, first boat', 'Friday 16:30', 'Sunday 11:15'],
  callerIs: ['her sister', 'his daughter', 'a neighbour', 'the school office'],
  question: ['Are dogs allowed on deck?', 'When does the winter timetable begin?', 'How early must a car be there?'],
  lengthAndWeight: ['12 m, 18 t', '16.5 m, 40 t', '6.2 m, 2.4 t', '9 m, 11 t'],
}

/** Openings that seldom come up. */
const RARE: Readonly<Record<string, number>> = { fetched: 0.08, notThere: 0.04, wrongNumber: 0.05, noTime: 0.03, machine: 0.01 }

function someAnswer(question: Question, contact: Contact, chance: ReturnType<typeof chanceOfCall>): AnswerValue {
  switch (question.kind) {
    case 'yesNo':
      return chance.next() < 0.86
    case 'choice':
      // The first option is the usual one; few people mean to call somebody else.
      return chance.weighted(question.options.map(({ value }, i) => ({ item: value, weight: RARE[value] ?? 1 / (i + 1) })))
    case 'several':
      return question.options.filter(() => chance.next() < 0.4).map((o) => o.value)
    case 'number':
      return Math.round((question.least ?? 0) + chance.next() * ((question.most ?? (question.least ?? 0) + 10) - (question.least ?? 0)))
    case 'moment':
      return { date: '2026-12-01', time: '09:40', dateTime: '2026-12-01T09:40' }[question.of]
    case 'telephone':
      return contact.number ?? '+441632960112'
    case 'email':
      return 'caller@example.com'
    case 'disclosure':
      return true
    case 'text':
      if (question.shape === null) return chance.pick(TEXTS[question.field] ?? ['see notes'])
      return contact.customer?.facts.find((f) => f.label === 'Booking')?.value ?? question.shape.example
  }
}

/** The outcome the script speaks for, or one that fits the set; then ready again or a break that is due. */
export function codeCall(seed: number, setUp: SetUp, agentId: AgentId, contact: Contact, atMs: number, breakReason: string | null): AgentCommand {
  const chance = chanceOfCall(seed, contact.callId, 'code')
  // Whoever sent no number cannot be called back.
  const codes = codesFor(outcomeSetFor(setUp, queueOfPart(contact, agentId)), contact.dialled).filter(
    (c) => c.follows.kind !== 'callback' || contact.number !== null,
  )
  const suggests = contact.run === null ? [] : pageOf(scriptVersion(setUp, contact.run), contact.run.pageId).suggests
  const suggested = suggests.filter((s) => codes.some((c) => c.code === s))
  const usual = codes.map((c, i) => ({ item: c.code, weight: c.code === 'wrong-number' ? 0.2 : 6 / (i + 1) }))
  return {
    kind: 'saveOutcome',
    // Whoever has talked with the caller knows better than the script.
    insists: true,
    agentId,
    callId: contact.callId,
    code: suggested.length > 0 && chance.next() < 0.93 ? (suggested[0] as string) : chance.weighted(usual),
    notes: chance.pick(NOTES) || (codes.some((c) => c.needs.notes) ? 'As agreed.' : ''),
    callback: { dueAtMs: nextMorningMs(atMs) + Math.round(chance.next() * 28) * 15 * MINUTE, timeZone: setUp.timeZone, typed: '', owner: 'anyone' },
    followUp: '',
    andThen: breakReason === null ? { state: 'ready' } : { state: 'notReady', reason: breakReason },
  }
}

/** Callbacks are agreed for the next day from nine o'clock on, when the same people are there again. */
const nextMorningMs = (atMs: number): number => (Math.floor(atMs / DAY) + 1) * DAY + 9 * HOUR

const AWAY_NOTES = ['Back soon.', 'Out for some air.', 'In the back room if it burns.', 'With the trainer.'] as const

/** Two in three leave a note when they go, and half of those name somebody who covers. */
export function breakNote(seed: number, setUp: SetUp, plays: ReadonlySet<AgentId>, { agentId, untilMs }: Extract<Act, { kind: 'note' }>): AgentCommand[] {
  const chance = createChance(seedFor(seed, `note ${agentId} ${untilMs}`))
  if (chance.next() > 2 / 3) return []
  const others = setUp.agents.filter((a) => plays.has(a.id) && a.id !== agentId)
  const coverId = chance.next() < 0.5 && others.length > 0 ? chance.pick(others).id : null
  return [{ kind: 'setNote', agentId, text: chance.pick(AWAY_NOTES), untilMs, coverId }]
}

export const BREAKS: Readonly<Record<string, number>> = { Break: 12 * MINUTE, Lunch: 30 * MINUTE, Training: 20 * MINUTE }
/** Back to work after a ring they missed. */
export const BACK_AFTER_MISSED_MS = 20 * SECOND
