'use client'
// What a kind of question needs besides its words: options, a pattern, a range, what is read.
import type { Question } from '@/core/scripts'
import { Button } from '@/parts/ui'
import { AREA, BOX, replaced } from './parts'

interface Props {
  readonly question: Question
  readonly at: number
  readonly onChange: (question: Question, of: string | null) => void
}

export function QuestionDetails({ question, at, onChange }: Props) {
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
function Options({ question, n, onChange }: { question: Extract<Question, { options: unknown }>; n: number; onChange: Props['onChange'] }) {
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
