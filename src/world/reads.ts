// A colleague with the script: answers the questions of the page as the caller's business has it, and turns it.

import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { type AnswerValue, pageOf, type Question } from '@/core/scripts'
import { type SetUp, scriptVersion } from '@/core/set-up'
import type { Work } from '@/core/work'
import { chanceOfCall } from './chance-of-call'
import type { Intent } from './intent'

export function readOn(seed: number, setUp: SetUp, agentId: AgentId, work: Work, intent: Intent, step: number): AgentCommand[] {
  if (work.run === null || step > (intent.pages ?? step)) return []
  const page = pageOf(scriptVersion(setUp, work.run), work.run.pageId)
  const chance = chanceOfCall(seed, work.id, `step ${step}`)
  const on = { agentId, callId: work.id }
  const answers = page.questions.map(
    (q): AgentCommand => ({ kind: 'answerScript', ...on, field: q.field, value: intent.answers[q.field] ?? someAnswer(q, work, chance) }),
  )
  return page.ways.length === 0 ? answers : [...answers, { kind: 'turnPage', ...on, direction: 'next' }]
}

const TEXTS: Readonly<Record<string, readonly string[]>> = {
  newSailing: ['Saturday 09:40', 'tomorrow, first boat', 'Friday 16:30', 'Sunday 11:15'],
  callerIs: ['her sister', 'his daughter', 'a neighbour', 'the school office'],
  question: ['Are dogs allowed on deck?', 'When does the winter timetable begin?', 'How early must a car be there?'],
  lengthAndWeight: ['12 m, 18 t', '16.5 m, 40 t', '6.2 m, 2.4 t', '9 m, 11 t'],
}

function someAnswer(question: Question, work: Work, chance: ReturnType<typeof chanceOfCall>): AnswerValue {
  switch (question.kind) {
    case 'yesNo':
      return true
    case 'choice':
      // The first option is the usual one.
      return chance.weighted(question.options.map(({ value }, i) => ({ item: value, weight: 1 / (i + 1) })))
    case 'several':
      return question.options.filter(() => chance.next() < 0.4).map((o) => o.value)
    case 'number':
      return Math.round((question.least ?? 0) + chance.next() ** 3 * ((question.most ?? (question.least ?? 0) + 10) - (question.least ?? 0)))
    case 'moment':
      return { date: '2026-12-01', time: '09:40', dateTime: '2026-12-01T09:40' }[question.of]
    case 'telephone':
      return work.number ?? '+441632960112'
    case 'email':
      return 'caller@example.com'
    case 'disclosure':
      return true
    case 'text':
      if (question.shape === null) return chance.pick(TEXTS[question.field] ?? ['see notes'])
      return work.customer?.facts.find((f) => f.label === 'Booking')?.value ?? question.shape.example
  }
}
