'use client'
// A condition, made by selecting: a field, a test, a value; several of them together with “all of” or “any of”.
import { type Condition, FACTS, type Question, type Test } from '@/core/scripts'
import { Button } from '@/parts/ui'

interface Props {
  readonly label: string
  readonly value: Condition
  readonly questions: readonly Question[]
  readonly onChange: (condition: Condition) => void
  readonly nested?: boolean
}

const BOX = 'h-8 min-w-0 rounded-sm border border-line-strong bg-raised px-1'
const MOST_NESTED = 2

export function ConditionEditor({ label, value, questions, onChange, nested = false }: Props) {
  if (!('all' in value) && !('any' in value))
    return (
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-1">
        <TestEditor label={label} test={value} questions={questions} onChange={onChange} />
        {!nested && (
          <Button tone="quiet" className="!px-1" aria-label={`${label}: and or or`} onClick={() => onChange({ all: [value, value] })}>
            and / or
          </Button>
        )}
      </div>
    )
  const parts = 'all' in value ? value.all : value.any
  const withParts = (next: readonly Condition[]): Condition => {
    const [only] = next
    if (next.length === 1 && only !== undefined) return only
    return 'all' in value ? { all: next } : { any: next }
  }
  return (
    <fieldset aria-label={label} className="min-w-0 flex-1 space-y-1 border-line border-l-2 pl-2">
      <select
        aria-label={`${label}: how many`}
        className={BOX}
        value={'all' in value ? 'all' : 'any'}
        onChange={(e) => onChange(e.target.value === 'all' ? { all: parts } : { any: parts })}
      >
        <option value="all">all of these hold</option>
        <option value="any">any of these holds</option>
      </select>
      {parts.map((part, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a part is known by its place; what it says is being edited
        <div key={at} className="flex items-start gap-1">
          <ConditionEditor
            label={`${label}, part ${at + 1}`}
            value={part}
            questions={questions}
            nested={label.split(', part').length > MOST_NESTED}
            onChange={(next) => onChange(withParts(parts.map((p, i) => (i === at ? next : p))))}
          />
          <Button
            tone="quiet"
            className="!px-1"
            aria-label={`Take out ${label}, part ${at + 1}`}
            onClick={() => onChange(withParts(parts.filter((_, i) => i !== at)))}
          >
            ✕
          </Button>
        </div>
      ))}
      <Button tone="quiet" className="!px-1" onClick={() => onChange(withParts([...parts, parts.at(-1) ?? { field: 'caller.known', is: true }]))}>
        Add a part
      </Button>
    </fieldset>
  )
}

const TESTS = { is: 'is', isNot: 'is not', atLeast: 'is at least', atMost: 'is at most', answered: 'is answered' } as const
type TestName = keyof typeof TESTS

const nameOf = (test: Test): TestName => (Object.keys(TESTS) as TestName[]).find((name) => name in test) ?? 'is'
const wantedOf = (test: Test): string | boolean | number => (test as unknown as Record<string, string | boolean | number>)[nameOf(test)] as string

function TestEditor({ label, test, questions, onChange }: Omit<Props, 'value' | 'onChange' | 'nested'> & { test: Test; onChange: (test: Test) => void }) {
  const question = questions.find((q) => q.field === test.field)
  const name = nameOf(test)
  const withField = (field: string) => onChange({ field, is: firstValue(questions.find((q) => q.field === field)) })
  const withName = (next: TestName) => {
    const value = wantedOf(test)
    const fitting =
      next === 'answered'
        ? true
        : next === 'atLeast' || next === 'atMost'
          ? question?.kind === 'number'
            ? 0
            : ''
          : typeof value === 'boolean' && question?.kind !== 'yesNo'
            ? ''
            : value
    onChange({ field: test.field, [next]: fitting } as unknown as Test)
  }
  const known = questions.some((q) => q.field === test.field) || (FACTS as readonly string[]).includes(test.field)
  return (
    <>
      <select aria-label={`${label}: field`} className={`${BOX} max-w-48`} value={test.field} onChange={(e) => withField(e.target.value)}>
        {!known && <option value={test.field}>{test.field} (not known)</option>}
        <optgroup label="Answers">
          {questions.map((q) => (
            <option key={q.field} value={q.field}>
              {q.label}
            </option>
          ))}
        </optgroup>
        <optgroup label="Caller and call">
          {FACTS.map((fact) => (
            <option key={fact} value={fact}>
              {fact}
            </option>
          ))}
        </optgroup>
      </select>
      <select aria-label={`${label}: test`} className={BOX} value={name} onChange={(e) => withName(e.target.value as TestName)}>
        {(Object.keys(TESTS) as TestName[])
          .filter((t) => (t !== 'atLeast' && t !== 'atMost') || question?.kind === 'number' || question?.kind === 'moment' || t === name)
          .map((t) => (
            <option key={t} value={t}>
              {TESTS[t]}
            </option>
          ))}
      </select>
      <ValueField
        label={`${label}: value`}
        name={name}
        value={wantedOf(test)}
        field={test.field}
        question={question}
        onChange={(v) => onChange({ field: test.field, [name]: v } as unknown as Test)}
      />
    </>
  )
}

function firstValue(question: Question | undefined): string | boolean | number {
  if (question === undefined) return true
  if (question.kind === 'choice' || question.kind === 'several') return question.options[0]?.value ?? ''
  if (question.kind === 'yesNo' || question.kind === 'disclosure') return true
  return question.kind === 'number' ? (question.least ?? 0) : ''
}

interface ValueProps {
  readonly label: string
  readonly name: TestName
  readonly value: string | boolean | number
  readonly field: string
  readonly question: Question | undefined
  readonly onChange: (value: string | boolean | number) => void
}

function ValueField({ label, name, value, field, question, onChange }: ValueProps) {
  const isYesNo = name === 'answered' || question?.kind === 'yesNo' || question?.kind === 'disclosure' || field === 'caller.known'
  if (isYesNo)
    return (
      <select aria-label={label} className={BOX} value={value === false ? 'no' : 'yes'} onChange={(e) => onChange(e.target.value === 'yes')}>
        <option value="yes">yes</option>
        <option value="no">no</option>
      </select>
    )
  if (question?.kind === 'choice' || question?.kind === 'several')
    return (
      <select aria-label={label} className={`${BOX} max-w-48`} value={String(value)} onChange={(e) => onChange(e.target.value)}>
        {!question.options.some((o) => o.value === value) && <option value={String(value)}>{String(value) || 'choose'}</option>}
        {question.options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </select>
    )
  if (question?.kind === 'number')
    return (
      <input
        aria-label={label}
        type="number"
        step="any"
        className={`${BOX} w-24`}
        value={Number(value)}
        onChange={(e) => onChange(e.target.valueAsNumber || 0)}
      />
    )
  return <input aria-label={label} className={`${BOX} w-36`} value={String(value)} onChange={(e) => onChange(e.target.value)} />
}
