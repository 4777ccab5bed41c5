'use client'
// A call is scored against a sheet: a question after the other, the score as it stands, remarks at places in the call.
import { type FormEvent, useState } from 'react'
import { type AgentId, CallIdSchema } from '@/core/ids'
import { BEST, type Remark, type Sheet, type SheetQuestion, scoreOf } from '@/core/reviews'
import { SECOND } from '@/core/time'
import { Button, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import type { ReviewView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { percent } from './format'
import { usePlayed } from './played'

interface Props {
  readonly callId: string
  readonly agents: readonly { readonly id: AgentId; readonly name: string }[]
  readonly sheets: readonly Sheet[]
  /** What is made anew; undefined for a first one. */
  readonly before: ReviewView | undefined
  /** Of the call: a remark cannot be at a place beyond its end. */
  readonly lastsMs: number
  readonly onClose: () => void
}

const SCALE = Array.from({ length: BEST }, (_, i) => i + 1)
const SCALE_WORDS = ['poor', 'weak', 'fair', 'good', 'very good']

interface Begun {
  readonly agentId: string
  readonly sheetId: string
  readonly answers: Readonly<Record<string, number>>
  readonly remarks: readonly Remark[]
  readonly note: string
}

export function ReviewForm({ callId, agents, sheets, before, lastsMs, onClose }: Props) {
  const command = useCommand()
  const initial: Begun = {
    agentId: before?.agentId ?? agents[0]?.id ?? '',
    sheetId: before?.sheet.id ?? sheets[0]?.id ?? '',
    answers: before?.answers ?? {},
    remarks: before?.remarks ?? [],
    note: before?.note ?? '',
  }
  // Twenty minutes of listening are in it: it is there on coming back, until it is saved or called off.
  const [json, setJson, forget] = useDraft(`review ${callId}`, JSON.stringify(initial))
  const { agentId, sheetId, answers, remarks, note } = JSON.parse(json) as Begun
  const set = (change: Partial<Begun>) => setJson(JSON.stringify({ agentId, sheetId, answers, remarks, note, ...change }))
  const leave = () => {
    forget()
    onClose()
  }
  const [problem, setProblem] = useState<{ readonly says: string; readonly of: string | undefined } | null>(null)
  const sheet = sheets.find((s) => s.id === sheetId)
  if (sheet === undefined) return <Problem>No sheet is in use. Set-up has them in its file under “reviewSheets”.</Problem>
  const score = scoreOf(sheet, answers)
  const save = async (event: FormEvent) => {
    event.preventDefault()
    const reply = await command({
      kind: 'makeReview',
      callId: CallIdSchema.parse(callId),
      ofAgentId: agentId as AgentId,
      sheetId,
      answers: { ...answers },
      remarks: [...remarks],
      note,
    })
    if (reply.ok) leave()
    else setProblem({ says: `${reply.refusal.says} ${reply.refusal.next}`, of: reply.refusal.reason === 'reviewUnanswered' ? score.open[0]?.id : undefined })
  }
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label="Review" className="mt-2 border border-line-strong bg-raised p-4">
      <div className="flex flex-wrap gap-4">
        {agents.length > 1 && (
          <SelectField label="Agent" className="w-48" value={agentId} onChange={(e) => set({ agentId: e.target.value })}>
            {agents.map((a) => (
              <option key={a.id} value={a.id}>
                {a.name}
              </option>
            ))}
          </SelectField>
        )}
        {sheets.length > 1 && (
          <SelectField label="Sheet" className="w-56" value={sheetId} onChange={(e) => set({ sheetId: e.target.value })}>
            {sheets.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}, version {s.version}
              </option>
            ))}
          </SelectField>
        )}
      </div>
      <ol className="mt-2 space-y-3">
        {sheet.questions.map((q) => (
          <li key={q.id}>
            <Question question={q} value={answers[q.id]} onChange={(value) => set({ answers: { ...answers, [q.id]: value } })} />
          </li>
        ))}
      </ol>
      <Remarks remarks={remarks} lastsMs={lastsMs} onChange={(next) => set({ remarks: next })} />
      <TextField label="Note" className="mt-3" value={note} maxLength={1_000} onChange={(e) => set({ note: e.target.value })} />
      <p role="status" className="mt-3 font-semibold">
        Score: {score.ratio === null ? 'nothing answered yet' : percent(score.ratio)}
        {score.failed.length > 0 && <span className="text-red"> · failed: {score.failed.map((q) => q.label).join('; ')}</span>}
        {score.open.length > 0 && score.ratio !== null && <span className="font-normal text-soft"> · {score.open.length} to answer</span>}
      </p>
      {problem !== null && (
        <Problem of={problem.of} className="mt-2">
          {problem.says}
        </Problem>
      )}
      <div className="mt-3 flex gap-3">
        <Button type="submit" tone="primary">
          Save review
        </Button>
        <Button onClick={leave}>Cancel</Button>
      </div>
    </form>
  )
}

function Question({ question, value, onChange }: { question: SheetQuestion; value: number | undefined; onChange: (value: number) => void }) {
  const options = question.kind === 'yesNo' ? [[1, 'Yes'] as const, [0, 'No'] as const] : SCALE.map((n) => [n, `${n} ${SCALE_WORDS[n - 1]}`] as const)
  return (
    <fieldset>
      <legend>
        {question.label}{' '}
        <span className="text-soft">
          weight {question.weight}
          {question.mustHave && ', must not fail'}
        </span>
      </legend>
      <div className="mt-1 flex flex-wrap gap-4">
        {options.map(([n, label]) => (
          <label key={n} className="flex min-h-6 items-center gap-1">
            <input type="radio" name={question.id} className="size-4 accent-green" checked={value === n} onChange={() => onChange(n)} />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

/** At `1:20` of the call. */
function Remarks({ remarks, lastsMs, onChange }: { remarks: readonly Remark[]; lastsMs: number; onChange: (remarks: readonly Remark[]) => void }) {
  const { hasSound, placeMs } = usePlayed()
  const [at, setAt] = useState('')
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const add = () => {
    const atMs = placeOf(at)
    if (atMs === null || atMs > lastsMs) return setProblem(`“${at}” is no place in this call. Type minutes and seconds, such as 1:20.`)
    if (text.trim() === '') return setProblem('The remark is empty. Write what you noticed.')
    onChange([...remarks, { atMs, text: text.trim() }].toSorted((a, b) => a.atMs - b.atMs))
    setAt('')
    setText('')
    setProblem(null)
  }
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">Remarks</legend>
      <ul>
        {remarks.map((r) => (
          <li key={`${r.atMs} ${r.text}`} className="flex items-baseline gap-3">
            <span className="tabular w-12">{clockOf(r.atMs)}</span>
            <span className="min-w-0 flex-1">{r.text}</span>
            <Button className="!h-6" onClick={() => onChange(remarks.filter((o) => o !== r))} aria-label={`Take out “${r.text}”`}>
              Take out
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <TextField label="At" className="w-20" value={at} placeholder="1:20" onChange={(e) => setAt(e.target.value)} />
        {hasSound && (
          <Button onClick={() => setAt(clockOf(Math.max(0, placeMs() ?? 0)))} aria-label="At the place that is played">
            Here
          </Button>
        )}
        <TextField label="Remark" className="min-w-60 flex-1" value={text} maxLength={500} onChange={(e) => setText(e.target.value)} />
        <Button onClick={add}>Add remark</Button>
      </div>
      {problem !== null && (
        <Problem of={problem.startsWith('“') ? 'At' : 'Remark'} className="mt-1">
          {problem}
        </Problem>
      )}
    </fieldset>
  )
}

/** Minutes and seconds, or seconds alone; null for anything else. */
function placeOf(typed: string): number | null {
  const parts = /^(?:(\d{1,3}):)?(\d{1,4})$/.exec(typed.trim())
  return parts === null ? null : (Number(parts[1] ?? 0) * 60 + Number(parts[2])) * SECOND
}

export const clockOf = (atMs: number): string => `${Math.floor(atMs / 60_000)}:${String(Math.floor(atMs / 1_000) % 60).padStart(2, '0')}`
