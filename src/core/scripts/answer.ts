// Taking an answer: the value as its question keeps it.
import type { AnswerValue } from './condition'
import type { Script } from './document'
import { takeAnswer } from './question'
import { questionOf } from './read'
import type { Checked } from './run'

/** The value as the question keeps it, or the refusal that names what it wants. */
export function checkAnswer(script: Script, field: string, value: AnswerValue | null, homeCountry: string): Checked<AnswerValue | null> {
  const question = questionOf(script, field)
  if (question === undefined) return { ok: false, refusal: { reason: 'unknownField', field } }
  const taken = takeAnswer(question, value, homeCountry)
  return taken.ok ? taken : { ok: false, refusal: { reason: 'answerWrongKind', field, label: question.label, expected: taken.expected } }
}
