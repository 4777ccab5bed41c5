'use client'
// What a page asks: each question with its field, its kind and what that kind needs.
import { memo } from 'react'
import { freeField, type Question } from '@/core/scripts'
import { Button } from '@/parts/ui'
import type { PartProps } from './page-editor-props'
import { BOX, moved, RowButtons, replaced } from './parts'
import { QuestionDetails } from './question-details'

const KINDS: Readonly<Record<Question['kind'], string>> = {
  choice: 'one of several',
  several: 'any number of several',
  yesNo: 'yes or no',
  text: 'text',
  number: 'a number',
  moment: 'a date or time',
  telephone: 'a telephone number',
  email: 'an e-mail address',
  disclosure: 'words that must be read',
}

export const QuestionsEditor = memo(function QuestionsEditor({ asks, questions, put: putPage }: PartProps & { asks: readonly Question[] }) {
  const put = (next: readonly Question[], of: string | null) => putPage({ questions: next }, of)
  return (
    <fieldset className="border-line border-t pt-3">
      <legend className="float-left w-full font-semibold">Asks</legend>
      <ul className="clear-both space-y-3 pt-1">
        {asks.map((question, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a question is known by its place; its field is being edited
          <li key={at} className="space-y-1 border-line border-l-2 pl-2">
            <div className="flex items-center gap-1">
              <input
                aria-label={`Question ${at + 1}`}
                className={`${BOX} flex-1`}
                value={question.label}
                onChange={(e) => put(replaced(asks, at, { ...question, label: e.target.value }), `question ${at}`)}
              />
              <select
                aria-label={`Kind of question ${at + 1}`}
                className={BOX}
                value={question.kind}
                onChange={(e) => put(replaced(asks, at, asKind(question, e.target.value as Question['kind'])), null)}
              >
                {Object.entries(KINDS).map(([kind, words]) => (
                  <option key={kind} value={kind}>
                    {words}
                  </option>
                ))}
              </select>
              <RowButtons
                of={`question ${at + 1}`}
                at={at}
                last={asks.length - 1}
                onMove={(to) => put(moved(asks, at, to), null)}
                onRemove={() =>
                  put(
                    asks.filter((_, i) => i !== at),
                    null,
                  )
                }
              />
            </div>
            <div className="flex items-start gap-1">
              <label className="flex shrink-0 items-center gap-1 whitespace-nowrap text-soft">
                kept as
                <input
                  aria-label={`Field of question ${at + 1}`}
                  className={`${BOX} tabular w-36 text-ink`}
                  value={question.field}
                  onChange={(e) => put(replaced(asks, at, { ...question, field: fieldOf(e.target.value) }), `field ${at}`)}
                />
              </label>
              <QuestionDetails question={question} at={at} onChange={(next, of) => put(replaced(asks, at, next), of)} />
            </div>
          </li>
        ))}
      </ul>
      <Button className="mt-1" onClick={() => put([...asks, { kind: 'yesNo', field: freeField(questions, 'answer'), label: 'New question' }], null)}>
        Add a question
      </Button>
    </fieldset>
  )
})

/** Letters and digits, beginning with a small letter: what a field may be called. */
const fieldOf = (text: string): string => {
  const plain = text.replace(/[^a-zA-Z0-9]/g, '').replace(/^[0-9]+/, '')
  return plain.charAt(0).toLowerCase() + plain.slice(1)
}

/** The same question of another kind; what the kinds have in common stays. */
function asKind(question: Question, kind: Question['kind']): Question {
  const { field, label } = question
  const options = 'options' in question ? question.options : [1, 2].map((n) => ({ value: `option${n}`, label: `Option ${n}` }))
  switch (kind) {
    case 'choice':
    case 'several':
      return { kind, field, label, options }
    case 'text':
      return { kind, field, label, shape: null }
    case 'number':
      return { kind, field, label, least: null, most: null, unit: '' }
    case 'moment':
      return { kind, field, label, of: 'date' }
    case 'disclosure':
      return { kind, field, label, text: 'Words that must be read' }
    default:
      return { kind, field, label }
  }
}
