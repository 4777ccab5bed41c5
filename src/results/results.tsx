'use client'
// Results: what happened in a span of days, from the whole centre down to a call, and the files it can be recomputed from.
import { useRouter, useSearchParams } from 'next/navigation'
import { useCallback, useState } from 'react'
import { floorNow } from '@/exchange/floor-time'
import type { FloorView } from '@/exchange/protocol'
import { HistoryProgress, seesEverybody } from '@/frame'
import { useHistory } from '@/history/react'
import { Button, Problem, TextField } from '@/ui'
import { CallsTable } from './calls-table'
import { ExportMenu } from './export-menu'
import { Figures } from './figures'
import { GroupsTable } from './groups-table'
import { Outcomes } from './outcomes'
import { SeriesChart } from './series-chart'
import { type Days, lastSevenDays, PRESETS, parseDays, stepsOf, toSpan } from './span'

export function Results({ view }: { view: FloorView }) {
  const { centre, account } = view
  /** An agent sees what they handled themselves. */
  const only = seesEverybody(account) ? null : account.id
  const query = useSearchParams()
  const router = useRouter()
  const initial = parseDays(query.get('from') ?? '', query.get('to') ?? '')
  const [days, setDays] = useState<Days>(initial.ok ? initial.days : lastSevenDays(new Date()))
  const span = toSpan(days)
  const { value: report, problem } = useHistory(
    useCallback((api) => api.report({ span: toSpan(days), nowMs: floorNow(), steps: stepsOf(days), only }), [days, only]),
  )

  const choose = (next: Days) => {
    setDays(next)
    router.replace(`/results?from=${next.from}&to=${next.to}`)
  }
  return (
    <main className="mx-auto max-w-[1280px] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <h1 className="mr-2 font-semibold text-2xl">{only === null ? 'Results' : 'Your results'}</h1>
        <DayChoice days={days} onChoose={choose} />
        {only === null && <ExportMenu span={span} />}
      </div>
      <HistoryProgress />
      {problem !== null && <Problem className="mt-4">The figures could not be computed: {problem}. Reload the page to try again.</Problem>}
      {report === null && problem === null && (
        <p role="status" className="mt-6 text-soft">
          Computing the figures…
        </p>
      )}
      {report !== null && (
        <div className="mt-4 space-y-8">
          <Figures report={report} />
          {report.takenBackCount > 0 && (
            <p className="!mt-3 text-soft">
              <strong className="text-ink">{report.takenBackCount}</strong> {report.takenBackCount === 1 ? 'press was' : 'presses were'} taken back within the
              grace, before anybody was cut off.
            </p>
          )}
          <div className="grid gap-10 lg:grid-cols-2">
            <SeriesChart series={report.series} byHour={days.from === days.to} />
            <GroupsTable caption="By queue" rows={report.queues} />
          </div>
          <Outcomes report={report} centre={centre}>
            {only === null && <GroupsTable caption="By agent" rows={report.agents} withOccupancy />}
          </Outcomes>
          <CallsTable days={days} only={only} centre={centre} />
        </div>
      )}
    </main>
  )
}

function DayChoice({ days, onChoose }: { days: Days; onChoose: (days: Days) => void }) {
  /** What is typed while it makes no sense yet; null while the fields show the span that is on. */
  const [draft, setDraft] = useState<Days | null>(null)
  const { from, to } = draft ?? days
  const parsed = parseDays(from, to)
  const problem = parsed.ok ? null : parsed.says
  const show = (next: Days) => {
    const wanted = parseDays(next.from, next.to)
    setDraft(wanted.ok ? null : next)
    if (wanted.ok) onChoose(wanted.days)
  }
  return (
    <fieldset className="flex flex-wrap items-end gap-2">
      <legend className="sr-only">Days</legend>
      {PRESETS.map((preset) => {
        const wanted = preset.days(new Date())
        return (
          <Button
            key={preset.label}
            aria-pressed={wanted.from === days.from && wanted.to === days.to}
            className="aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-white"
            onClick={() => show(wanted)}
          >
            {preset.label}
          </Button>
        )
      })}
      <TextField label="From" type="date" value={from} onChange={(e) => show({ from: e.target.value, to })} />
      <TextField label="To" type="date" value={to} onChange={(e) => show({ from, to: e.target.value })} />
      {problem !== null && <Problem>{problem}</Problem>}
    </fieldset>
  )
}
