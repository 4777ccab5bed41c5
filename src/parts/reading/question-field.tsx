'use client'
// One question of a script page. Choices and yes/no answer at once; text answers when it is left, on Enter, or when
// the page is turned.
import clsx from 'clsx'
import { type FocusEvent, useId } from 'react'
import type { CallId } from '@/core/ids'
import type { AnswerValue, Question } from '@/core/scripts'
import { DayField, Problem, TimeField, useDraft } from '@/parts/ui'

interface Props {
  readonly callId: CallId
  readonly question: Question
  readonly value: AnswerValue | null
  readonly problem: string | null
  readonly onAnswer: (value: AnswerValue | null) => void
  readonly onDirty: (value: AnswerValue) => void
  /** A bare digit answers it now. */
  readonly takesDigits: boolean
}

export function QuestionField({ question, ...rest }: Props) {
  switch (question.kind) {
    case 'choice':
      return <ChoiceQuestion question={question} options={question.options} {...rest} />
    case 'yesNo':
      return <ChoiceQuestion question={question} options={YES_NO} {...rest} />
    case 'several':
      return <SeveralQuestion question={question} options={question.options} {...rest} />
    case 'disclosure':
      return <Disclosure question={question} text={question.text} {...rest} />
    case 'number':
      return <TextQuestion question={question} inputMode="decimal" unit={question.unit} {...rest} />
    case 'moment':
      return <MomentQuestion question={question} of={question.of} {...rest} />
    case 'telephone':
      return <TextQuestion question={question} inputMode="tel" {...rest} />
    case 'email':
      return <TextQuestion question={question} inputMode="email" {...rest} />
    case 'text':
      return <TextQuestion question={question} {...rest} />
  }
}

/** Its place stays when it is not shown, so that nothing moves. */
function OptionNumber({ n, isShown }: { n: number; isShown: boolean }) {
  return (
    <span aria-hidden className={clsx('tabular text-soft text-xs', !isShown && 'invisible')}>
      {n}
    </span>
  )
}

const YES_NO = [
  { value: true, label: 'Yes' },
  { value: false, label: 'No' },
] as const

interface Option<V extends AnswerValue> {
  readonly value: V
  readonly label: string
}

function ChoiceQuestion({ options, value, onAnswer, ...rest }: Props & { options: readonly Option<AnswerValue>[] }) {
  return <Options type="radio" options={options} isChosen={(option) => value === option} onPick={onAnswer} {...rest} />
}

/** Any number of options, each ticked by itself; what is chosen is answered at once. */
function SeveralQuestion({ options, value, onAnswer, ...rest }: Props & { options: readonly Option<string>[] }) {
  const chosen = Array.isArray(value) ? (value as readonly string[]) : []
  const toggle = (option: string) => onAnswer(chosen.includes(option) ? chosen.filter((v) => v !== option) : [...chosen, option])
  return <Options type="checkbox" options={options} isChosen={(option) => chosen.includes(option)} onPick={toggle} {...rest} />
}

interface OptionsProps<V extends AnswerValue> extends Pick<Props, 'question' | 'problem' | 'takesDigits'> {
  readonly type: 'radio' | 'checkbox'
  readonly options: readonly Option<V>[]
  readonly isChosen: (value: V) => boolean
  readonly onPick: (value: V) => void
}

function Options<V extends AnswerValue>({ type, question, options, problem, takesDigits, isChosen, onPick }: OptionsProps<V>) {
  const id = useId()
  return (
    <fieldset data-field={question.field} aria-describedby={problem === null ? undefined : `${id}-problem`}>
      <legend className="font-semibold">{question.label}</legend>
      <div className="mt-1 flex flex-wrap gap-2">
        {options.map((option, i) => (
          <label
            key={String(option.value)}
            className={clsx(
              'flex h-8 cursor-pointer items-center gap-2 rounded-sm border border-line-strong bg-raised px-3 has-checked:border-green has-checked:bg-green-wash has-focus-visible:outline-3 has-focus-visible:outline-ink',
              type === 'radio' && 'has-checked:font-semibold',
            )}
          >
            <input
              type={type}
              name={type === 'radio' ? `${id}-answer` : undefined}
              className={clsx('accent-green focus-visible:outline-none', type === 'checkbox' && 'size-4')}
              checked={isChosen(option.value)}
              onChange={() => onPick(option.value)}
            />
            <OptionNumber n={i + 1} isShown={takesDigits && i < 9} />
            {option.label}
          </label>
        ))}
      </div>
      {problem !== null && <Problem id={`${id}-problem`}>{problem}</Problem>}
    </fieldset>
  )
}

/** Words that must be said: they stand out from the rest, and the agent confirms having read them. */
function Disclosure({ question, text, value, problem, onAnswer }: Props & { text: string }) {
  const id = useId()
  return (
    <fieldset data-field={question.field} className="max-w-[62ch] border-brass border-l-4 bg-brass-wash px-4 py-3">
      <legend className="float-left mb-1 w-full font-semibold">{question.label} · must be read</legend>
      <p className="clear-both font-serif text-[1.1875rem] leading-8">{text}</p>
      <label className="mt-2 flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-green"
          aria-describedby={problem === null ? undefined : `${id}-problem`}
          checked={value === true}
          onChange={(e) => onAnswer(e.target.checked ? true : null)}
        />
        I have read this out
      </label>
      {problem !== null && <Problem id={`${id}-problem`}>{problem}</Problem>}
    </fieldset>
  )
}

interface TextProps extends Props {
  readonly inputMode?: 'decimal' | 'tel' | 'email'
  readonly unit?: string
}

function TextQuestion({ callId, question, value, problem, onAnswer, onDirty, inputMode, unit = '' }: TextProps) {
  const id = useId()
  const kept = typeof value === 'string' || typeof value === 'number' ? String(value) : ''
  const [typed, setTyped] = useDraft(`${callId} answer ${question.field}`, kept)
  const commit = () => {
    if (typed.trim() !== kept) onAnswer(typed)
  }
  return (
    <div data-field={question.field}>
      <label htmlFor={id} className="font-semibold">
        {question.label}
        {unit !== '' && <span className="font-normal text-soft"> ({unit})</span>}
      </label>
      <input
        id={id}
        inputMode={inputMode}
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

/** A day, a time, or both; answered when the question is left. */
function MomentQuestion({ callId, question, of, value, problem, onAnswer, onDirty }: Props & { of: 'date' | 'time' | 'dateTime' }) {
  const kept = typeof value === 'string' ? value : ''
  const [typed, setTyped] = useDraft(`${callId} answer ${question.field}`, kept)
  const [day = '', time = ''] = of === 'time' ? ['', typed] : typed.split('T')
  const change = (nextDay: string, nextTime: string) => {
    const next = of === 'date' ? nextDay : of === 'time' ? nextTime : [nextDay, nextTime].join('T')
    setTyped(next === 'T' ? '' : next)
    onDirty(next === 'T' ? '' : next)
  }
  const leave = (event: FocusEvent<HTMLElement>) => {
    if (!event.currentTarget.contains(event.relatedTarget) && typed !== kept) onAnswer(typed)
  }
  const Day = <DayField label={of === 'date' ? question.label : 'Day'} value={day} problem={problem} onDay={(next) => change(next, time)} />
  const Time = (
    <TimeField label={of === 'time' ? question.label : 'Time'} value={time} problem={of === 'time' ? problem : null} onTime={(next) => change(day, next)} />
  )
  if (of === 'dateTime')
    return (
      <fieldset data-field={question.field} onBlur={leave}>
        <legend className="font-semibold">{question.label}</legend>
        <div className="flex flex-wrap gap-3">
          {Day}
          {Time}
        </div>
      </fieldset>
    )
  return (
    <fieldset data-field={question.field} onBlur={leave}>
      {of === 'date' ? Day : Time}
    </fieldset>
  )
}
