'use client'
// Reviews: what they come to by agent and by question, each down to its call, and a call to review next, picked at random.
import { format } from 'date-fns'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { BEST, SAMPLE_RULES, type SampleRule, sampleBy } from '@/core/reviews'
import { seesEverybody } from '@/parts/frame'
import { Button, type Column, nameIn, Problem, SelectField, Table } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView, ReviewView } from '@/services/exchange/protocol'
import { useHistoryApi } from '@/services/history/react'
import { DayChoice, useDays } from './day-choice'
import { percent } from './format'
import { ResultsHead } from './results-head'
import { toSpan } from './span'
import { useReviews } from './use-reviews'

interface AgentRow {
  readonly id: string
  readonly name: string
  readonly count: number
  readonly score: number | null
  readonly failed: number
  readonly agreed: number
  readonly disagreed: number
}

const mean = (values: readonly number[]): number | null => (values.length === 0 ? null : values.reduce((a, b) => a + b, 0) / values.length)

export function Reviews({ view }: { view: FloorView }) {
  const { account, seats } = view
  const all = seesEverybody(account)
  const [days, choose] = useDays('/results/reviews')
  const span = toSpan(days)
  const reviews = useReviews(null)
  if (reviews === null) return null
  const shown = reviews.filter((r) => r.madeAtMs >= span.fromMs && r.madeAtMs < span.toMs)
  const rows: readonly AgentRow[] = [...new Set(shown.map((r) => r.agentId))].map((id) => {
    const own = shown.filter((r) => r.agentId === id)
    return {
      id,
      name: nameIn(seats, id),
      count: own.length,
      score: mean(own.flatMap((r) => r.score ?? [])),
      failed: own.filter((r) => r.score === 0).length,
      agreed: own.filter((r) => r.answer?.agrees === true).length,
      disagreed: own.filter((r) => r.answer?.agrees === false).length,
    }
  })
  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <ResultsHead of="reviews" days={days} mine={!all} />
        <DayChoice days={days} onChoose={choose} />
        {all && <PickCall days={days} reviews={reviews} />}
      </div>
      {shown.length === 0 ? (
        <p className="mt-6">
          {all
            ? 'No call was reviewed on these days. Pick one, or open a call in Results and press Review this call.'
            : 'None of your calls was reviewed on these days.'}
        </p>
      ) : (
        <div className="mt-5 grid gap-8 lg:grid-cols-2">
          <Table label="Reviews by agent" caption="By agent" columns={BY_AGENT} rows={rows} keyOf={(r) => r.id} fixed={false} />
          <Table label="Reviews by question" caption="By question" columns={BY_QUESTION} rows={questionsOf(shown)} keyOf={(q) => q.key} fixed={false} />
          <div className="lg:col-span-2">
            <Table
              label="Reviews"
              caption="Reviews"
              columns={reviewColumns(view)}
              rows={shown}
              keyOf={(r) => `${r.callId} ${r.agentId} ${r.byAgentId}`}
              fixed={false}
            />
          </div>
        </div>
      )}
    </main>
  )
}

const number = 'tabular text-right'
const BY_AGENT: readonly Column<AgentRow>[] = [
  { id: 'name', heading: 'Agent', isName: true, sortBy: (r) => r.name, cell: (r) => r.name },
  { id: 'count', heading: 'Reviews', align: 'right', className: number, sortBy: (r) => r.count, cell: (r) => r.count },
  { id: 'score', heading: 'Score', align: 'right', className: number, sortBy: (r) => r.score, cell: (r) => percent(r.score) },
  { id: 'failed', heading: 'Failed', align: 'right', className: number, sortBy: (r) => r.failed, cell: (r) => r.failed },
  { id: 'agreed', heading: 'Agreed', align: 'right', className: number, sortBy: (r) => r.agreed, cell: (r) => r.agreed },
  { id: 'disagreed', heading: 'Disagreed', align: 'right', className: number, sortBy: (r) => r.disagreed, cell: (r) => r.disagreed },
]

interface QuestionRow {
  readonly key: string
  readonly sheet: string
  readonly label: string
  readonly mean: number | null
}

/** Each question of each version by itself: another version may ask something else by the same name. */
function questionsOf(reviews: readonly ReviewView[]): readonly QuestionRow[] {
  const found = new Map<string, { readonly sheet: string; readonly label: string; readonly shares: number[] }>()
  for (const { sheet, answers } of reviews)
    for (const q of sheet.questions) {
      const key = `${sheet.id} ${sheet.version} ${q.id}`
      const row = found.get(key) ?? { sheet: `${sheet.name}, version ${sheet.version}`, label: q.label, shares: [] }
      found.set(key, row)
      const value = answers[q.id]
      if (value !== undefined) row.shares.push(q.kind === 'yesNo' ? value : (value - 1) / (BEST - 1))
    }
  return [...found].map(([key, { sheet, label, shares }]) => ({ key, sheet, label, mean: mean(shares) }))
}

const BY_QUESTION: readonly Column<QuestionRow>[] = [
  { id: 'label', heading: 'Question', isName: true, cell: (q) => <span className="font-normal">{q.label}</span> },
  { id: 'sheet', heading: 'Sheet', cell: (q) => <span className="text-soft">{q.sheet}</span> },
  { id: 'mean', heading: 'Mean', align: 'right', className: number, sortBy: (q) => q.mean, cell: (q) => percent(q.mean) },
]

const reviewColumns = ({ seats }: FloorView): readonly Column<ReviewView>[] => [
  {
    id: 'at',
    heading: 'Made',
    isName: true,
    sortBy: (r: ReviewView) => r.madeAtMs,
    cell: (r) => (
      <Link href={`/results/call/${r.callId}`} className="underline underline-offset-2">
        {format(r.madeAtMs, 'EEE d MMM HH:mm')}
      </Link>
    ),
  },
  { id: 'agent', heading: 'Agent', cell: (r) => nameIn(seats, r.agentId) },
  { id: 'by', heading: 'By', cell: (r) => nameIn(seats, r.byAgentId) },
  { id: 'score', heading: 'Score', align: 'right', className: number, sortBy: (r) => r.score, cell: (r) => percent(r.score) },
  {
    id: 'answer',
    heading: 'Answer',
    cell: (r) =>
      r.answer === null ? (
        <span className="text-soft">none yet</span>
      ) : (
        `${r.answer.agrees ? 'agrees' : 'does not agree'}${r.answer.text === '' ? '' : `: ${r.answer.text}`}`
      ),
  },
]

const RULE_WORDS: Readonly<Record<SampleRule, string>> = {
  any: 'any',
  leastReviewed: 'of whom fewest were reviewed',
  recorded: 'one with its recording',
  longest: 'one of the longest',
  handedOn: 'one that was handed on',
}

/** Of those of the days that an agent had and nobody has reviewed: by chance, so that nobody picks the ones they like. */
function PickCall({ days, reviews }: { days: Parameters<typeof toSpan>[0]; reviews: readonly ReviewView[] }) {
  const api = useHistoryApi()
  const router = useRouter()
  const [rule, setRule] = useState<SampleRule>('any')
  const [problem, setProblem] = useState<string | null>(null)
  const pick = async () => {
    if (api === null) return
    const asked = { span: toSpan(days), rows: 'result' as const, columns: null, row: 'handled', column: null, atMost: 2_000, only: null, nowMs: floorNow() }
    const calls = sampleBy(rule, await api.crossCalls(asked), reviews)
    const [any = 0] = crypto.getRandomValues(new Uint32Array(1))
    const chosen = calls[any % Math.max(1, calls.length)]
    if (chosen === undefined)
      return setProblem(
        `${rule === 'any' ? 'No call' : 'No such call'} of these days is left that nobody has reviewed. Choose other days${rule === 'any' ? '' : ', or another rule'}.`,
      )
    router.push(`/results/call/${chosen.callId}`)
  }
  return (
    <div className="ml-auto">
      <div className="flex flex-wrap items-end gap-2">
        <SelectField label="Which call" className="w-52" value={rule} onChange={(e) => setRule(SAMPLE_RULES.find((r) => r === e.target.value) ?? 'any')}>
          {SAMPLE_RULES.map((r) => (
            <option key={r} value={r}>
              {RULE_WORDS[r]}
            </option>
          ))}
        </SelectField>
        <Button onClick={() => void pick()}>Pick a call at random</Button>
      </div>
      {problem !== null && <Problem className="mt-1 max-w-72">{problem}</Problem>}
    </div>
  )
}
