'use client'
// Breakdown: any figure by any two of what calls differ in, as a table and as bars, down to the calls; compared with the days before, kept under a name.
import { subDays } from 'date-fns'
import { useSearchParams } from 'next/navigation'
import { useCallback, useState } from 'react'
import { toCsv } from '@/core/csv'
import { DAY } from '@/core/time'
import { HistoryProgress, seesEverybody } from '@/parts/frame'
import { Button, Problem, SelectField, saveFile } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView } from '@/services/exchange/protocol'
import { type CrossTable, DIMENSIONS, type Dimension } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { BreakdownBars } from './breakdown-bars'
import { BreakdownCalls } from './breakdown-calls'
import { BreakdownTable, type Picked } from './breakdown-table'
import { type Choice, DIMENSION_WORDS, dimensionWords, FIGURES, keyWords, questionsOf } from './breakdown-words'
import { Computing } from './computing'
import { DayChoice, useDays } from './day-choice'
import { KeptBreakdowns } from './kept-breakdowns'
import { ResultsHead } from './results-head'
import { toSpan } from './span'

const FIRST: Choice = { rows: 'queue', columns: 'hour', figure: 'offered', compares: false }

export function Breakdown({ view }: { view: FloorView }) {
  const { account, centre, seats } = view
  const only = seesEverybody(account) ? null : account.id
  const [days, choose] = useDays('/results/breakdown')
  const query = useSearchParams()
  const [choice, setChoice] = useState<Choice>(() => ({ ...FIRST, rows: (query.get('rows') as Dimension | null) ?? FIRST.rows }))
  const [picked, setPicked] = useState<Picked | null>(null)
  const { rows, columns, compares } = choice
  const words = { centre, seats }
  const { value, latest, problem } = useHistory(
    useCallback(
      async (api) => {
        const asked = { rows, columns, only, nowMs: floorNow() }
        const [table, before] = await Promise.all([
          api.cross({ ...asked, span: toSpan(days) }),
          compares ? api.cross({ ...asked, span: spanBefore(days) }) : Promise.resolve(null),
        ])
        return { table, before, rows, columns, days }
      },
      [days, rows, columns, only, compares],
    ),
  )
  const figure = FIGURES.find((f) => f.id === choice.figure) ?? FIGURES[0]
  const change = (next: Partial<Choice>) => {
    setPicked(null)
    setChoice({ ...choice, ...next })
  }
  const options = (
    <>
      {DIMENSIONS.map((d) => (
        <option key={d} value={d}>
          {DIMENSION_WORDS[d]}
        </option>
      ))}
      <optgroup label="Answers of the script">
        {questionsOf(centre).map((q) => (
          <option key={q.field} value={`answer ${q.field}`}>
            {q.label}
          </option>
        ))}
      </optgroup>
    </>
  )
  if (figure === undefined) return null
  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <ResultsHead of="breakdown" days={days} mine={only !== null} />
        <DayChoice days={days} onChoose={choose} />
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <SelectField label="Rows" className="w-48" value={rows} onChange={(e) => change({ rows: e.target.value as Dimension })}>
          {options}
        </SelectField>
        <SelectField
          label="Columns"
          className="w-48"
          value={columns ?? ''}
          onChange={(e) => change({ columns: e.target.value === '' ? null : (e.target.value as Dimension) })}
        >
          <option value="">None</option>
          {options}
        </SelectField>
        <SelectField label="Figure" className="w-52" value={choice.figure} onChange={(e) => setChoice({ ...choice, figure: e.target.value })}>
          {FIGURES.map((f) => (
            <option key={f.id} value={f.id}>
              {f.name}
            </option>
          ))}
        </SelectField>
        <label className="flex h-8 items-center gap-2">
          <input type="checkbox" className="size-4 accent-green" checked={compares} onChange={(e) => change({ compares: e.target.checked })} />
          Compare with the days before
        </label>
        <KeptBreakdowns choice={choice} onChoose={change} words={words} />
        {latest !== null && (
          <Button className="ml-auto" onClick={() => saveFile('breakdown.csv', toBreakdownCsv(latest, words), 'text/csv')}>
            Save as CSV
          </Button>
        )}
      </div>
      <HistoryProgress />
      {problem !== null && <Problem className="mt-4">The breakdown could not be computed: {problem}. Reload the page to try again.</Problem>}
      <Computing isOn={value === null && problem === null} />
      {latest !== null && latest.table.rows.length === 0 && <p className="mt-6">There were no calls on these days. Choose others above.</p>}
      {latest !== null && latest.table.rows.length > 0 && (
        <div aria-busy={value === null} className="mt-4 space-y-6 aria-busy:opacity-50">
          <BreakdownTable {...latest} figure={figure} words={words} picked={picked} onPick={setPicked} />
          <BreakdownBars {...latest} figure={figure} words={words} />
          {picked !== null && <BreakdownCalls days={days} rows={rows} columns={columns} picked={picked} only={only} words={words} />}
        </div>
      )}
    </main>
  )
}

/** As many days, ending where these begin. */
function spanBefore(days: Parameters<typeof toSpan>[0]) {
  const { fromMs, toMs } = toSpan(days)
  const count = Math.round((toMs - fromMs) / DAY)
  return { fromMs: subDays(fromMs, count).getTime(), toMs: fromMs }
}

interface Shown {
  readonly table: CrossTable
  readonly rows: Dimension
  readonly columns: Dimension | null
}

/** A line for each cell, or for each row without columns, with every figure as a number: shares 0 to 1, times in ms. */
function toBreakdownCsv({ table, rows, columns }: Shown, words: Parameters<typeof keyWords>[2]): string {
  const lines =
    columns === null
      ? table.rows.map(({ key, measures }) => [key, keyWords(rows, key, words), ...FIGURES.map((f) => f.value(measures))])
      : table.cells.map(({ row, column, measures }) => [
          row,
          keyWords(rows, row, words),
          column,
          keyWords(columns, column, words),
          ...FIGURES.map((f) => f.value(measures)),
        ])
  const head = (d: Dimension) => [dimensionWords(d, words).toLowerCase(), `${dimensionWords(d, words).toLowerCase()} in words`]
  return toCsv([...head(rows), ...(columns === null ? [] : head(columns)), ...FIGURES.map((f) => f.id)], lines)
}
