'use client'
// One question of a script page. Choices and yes/no answer at once; text answers when it is left, on Enter, or when
// the page is turned.
import { useId } from 'react'
import type { CallId } from '@/core/ids'
import type { AnswerValue, Question } from '@/core/scripts'
import { Problem } from '@/ui'
import { useDraft } from './draft'

interface Props {
  readonly callId: CallId
  readonly question: Question
  readonly value: AnswerValue | null
  readonly problem: string | null
  readonly onAnswer: (value: AnswerValue | null) => void
  readonly onDirty: (value: AnswerValue) => void
}

export function QuestionField({ question, ...rest }: Props) {
  if (question.kind === 'text') return <TextQuestion question={question} {...rest} />
  const options = question.kind === 'choice' ? question.options : YES_NO
  return <ChoiceQuestion question={question} options={options} {...rest} />
}

const YES_NO = [
  { value: true, label: 'Yes' },
  { value: false, label: 'No' },
] as const

function ChoiceQuestion({
  question,
  options,
  value,
  problem,
  onAnswer,
}: Props & { options: readonly { readonly value: AnswerValue; readonly label: string }[] }) {
  const id = useId()
  return (
    <fieldset data-field={question.field} aria-describedby={problem === null ? undefined : `${id}-problem`}>
      <legend className="font-semibold">{question.label}</legend>
      <div className="mt-1 flex flex-wrap gap-2">
        {options.map((option) => (
          <label
            key={String(option.value)}
            className="flex h-8 cursor-pointer items-center gap-2 rounded-sm border border-line-strong bg-raised px-3 has-checked:border-green has-checked:bg-green-wash has-checked:font-semibold has-focus-visible:outline-3 has-focus-visible:outline-ink"
          >
            <input
              type="radio"
              name={`${id}-answer`}
              className="accent-green focus-visible:outline-none"
              checked={value === option.value}
              onChange={() => onAnswer(option.value)}
            />
            {option.label}
          </label>
        ))}
      </div>
      {problem !== null && <Problem id={`${id}-problem`}>{problem}</Problem>}
    </fieldset>
  )
}

function TextQuestion({ callId, question, value, problem, onAnswer, onDirty }: Props) {
  const id = useId()
  const kept = typeof value === 'string' ? value : ''
  const [typed, setTyped] = useDraft(`${callId} answer ${question.field}`, kept)
  const commit = () => {
    if (typed.trim() !== kept) onAnswer(typed)
  }
  return (
    <div data-field={question.field}>
      <label htmlFor={id} className="font-semibold">
        {question.label}
      </label>
      <input
        id={id}
        value={typed}
        aria-invalid={problem !== null || undefined}
        aria-describedby={problem === null ? undefined : `${id}-problem`}
        className="mt-1 block h-8 w-full max-w-96 rounded-sm border border-line-strong bg-raised px-2 aria-invalid:border-2 aria-invalid:border-red"
        onChange={(e) => {
          setTyped(e.target.value)
          onDirty(e.target.value)
        }}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && !e.altKey) commit()
        }}
      />
      {problem !== null && <Problem id={`${id}-problem`}>{problem}</Problem>}
    </div>
  )
}
