// A colleague with the script: answers the questions of the page as the caller's business has it, and turns it.
import type { Chance } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { type AnswerValue, pageOf, type Question } from '@/core/scripts'
import { type SetUp, scriptVersion } from '@/core/set-up'
import type { Work } from '@/core/work'
import { chanceIn, personaOfWork, type Scene } from './scene'
import type { Habits } from './stage'

export function readOn(scene: Scene, setUp: SetUp, agentId: AgentId, work: Work, step: number): AgentCommand[] {
  const { intent } = personaOfWork(scene, work)
  if (work.run === null || step > (intent.pages ?? step)) return []
  const page = pageOf(scriptVersion(setUp, work.run), work.run.pageId)
  const chance = chanceIn(scene, work.id, `step ${step}`)
  const on = { agentId, callId: work.id }
  const answers = page.questions.map(
    (q): AgentCommand => ({ kind: 'answerScript', ...on, field: q.field, value: intent.answers[q.field] ?? someAnswer(scene.stage.habits, q, work, chance) }),
  )
  return page.ways.length === 0 ? answers : [...answers, { kind: 'turnPage', ...on, direction: 'next' }]
}

function someAnswer(habits: Habits, question: Question, work: Work, chance: Chance): AnswerValue {
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
      return habits.moment[question.of]
    case 'telephone':
      return work.number ?? habits.number
    case 'email':
      return habits.email
    case 'disclosure':
      return true
    case 'text':
      if (question.shape === null) return chance.pick(habits.texts[question.field] ?? [habits.otherText])
      return work.customer?.facts.find((f) => f.label === 'Booking')?.value ?? question.shape.example
  }
}
