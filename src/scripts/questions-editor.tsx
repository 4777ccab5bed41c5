'use client'
// What a page asks: each question with its field, its kind and what that kind needs.
import { memo } from 'react'
import { freeField, type Question } from '@/core/scripts'
import { Button } from '@/ui'
import type { PartProps } from './page-editor-props'
import { AREA, BOX, moved, RowButtons, replaced } from './parts'

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
              <More question={question} at={at} onChange={(next, of) => put(replaced(asks, at, next), of)} />
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

interface MoreProps {
  readonly question: Question
  readonly at: number
  readonly onChange: (question: Question, of: string | null) => void
}

function More({ question, at, onChange }: MoreProps) {
  const n = at + 1
  switch (question.kind) {
    case 'choice':
    case 'several':
      return <Options question={question} n={n} onChange={onChange} />
    case 'text':
      return (
        <span className="flex min-w-0 flex-1 items-center gap-1 text-soft">
          looks like
          <input
            aria-label={`Pattern of question ${n}`}
            placeholder="anything"
            className={`${BOX} tabular flex-1 text-ink`}
            value={question.shape?.pattern ?? ''}
            onChange={(e) =>
              onChange(
                { ...question, shape: e.target.value === '' ? null : { pattern: e.target.value, example: question.shape?.example ?? '' } },
                `pattern ${at}`,
              )
            }
          />
          {question.shape !== null && (
            <input
              aria-label={`Example for question ${n}`}
              placeholder="an example"
              className={`${BOX} flex-1 text-ink`}
              value={question.shape.example}
              onChange={(e) => onChange({ ...question, shape: { pattern: question.shape?.pattern ?? '', example: e.target.value } }, `example ${at}`)}
            />
          )}
        </span>
      )
    case 'number':
      return (
        <span className="flex items-center gap-1 text-soft">
          from
          <Bound label={`Least of question ${n}`} value={question.least} onChange={(least) => onChange({ ...question, least }, `least ${at}`)} />
          to
          <Bound label={`Most of question ${n}`} value={question.most} onChange={(most) => onChange({ ...question, most }, `most ${at}`)} />
          <input
            aria-label={`Unit of question ${n}`}
            placeholder="unit"
            className={`${BOX} w-16 text-ink`}
            value={question.unit}
            onChange={(e) => onChange({ ...question, unit: e.target.value }, `unit ${at}`)}
          />
        </span>
      )
    case 'moment':
      return (
        <select
          aria-label={`What question ${n} asks for`}
          className={BOX}
          value={question.of}
          onChange={(e) => onChange({ ...question, of: e.target.value as typeof question.of }, null)}
        >
          <option value="date">a date</option>
          <option value="time">a time</option>
          <option value="dateTime">a date and a time</option>
        </select>
      )
    case 'disclosure':
      return (
        <textarea
          rows={1}
          aria-label={`Words of question ${n}`}
          className={`${AREA} !mt-0 font-serif`}
          value={question.text}
          onChange={(e) => onChange({ ...question, text: e.target.value }, `words ${at}`)}
        />
      )
    default:
      return null
  }
}

function Bound({ label, value, onChange }: { label: string; value: number | null; onChange: (value: number | null) => void }) {
  return (
    <input
      type="number"
      aria-label={label}
      placeholder="any"
      className={`${BOX} w-20 text-ink`}
      value={value ?? ''}
      onChange={(e) => onChange(Number.isNaN(e.target.valueAsNumber) ? null : e.target.valueAsNumber)}
    />
  )
}

/** Options as lines: what is said is written, and what is kept is made from it once. */
function Options({ question, n, onChange }: { question: Extract<Question, { options: unknown }>; n: number; onChange: MoreProps['onChange'] }) {
  const { options } = question
  const put = (next: typeof options, of: string | null) => onChange({ ...question, options: next }, of)
  const add = () => {
    let i = options.length + 1
    while (options.some((o) => o.value === `option${i}`)) i++
    put([...options, { value: `option${i}`, label: `Option ${i}` }], null)
  }
  return (
    <span className="flex min-w-0 flex-1 flex-wrap gap-1">
      {options.map((option, i) => (
        <span key={option.value} className="flex items-center">
          <input
            aria-label={`Option ${i + 1} of question ${n}`}
            title={`kept as ${option.value}`}
            className={`${BOX} w-36`}
            value={option.label}
            onChange={(e) => put(replaced(options, i, { ...option, label: e.target.value }), `option ${n} ${i}`)}
          />
          <Button
            tone="quiet"
            className="!px-1"
            aria-label={`Take out option ${i + 1} of question ${n}`}
            disabled={options.length <= 2}
            onClick={() =>
              put(
                options.filter((_, k) => k !== i),
                null,
              )
            }
          >
            ✕
          </Button>
        </span>
      ))}
      <Button tone="quiet" className="!px-1" aria-label={`Add an option to question ${n}`} onClick={add}>
        + option
      </Button>
    </span>
  )
}
