'use client'
// Results: what happened in a span of days, from the whole centre down to a call, and the files it can be recomputed from.
import { useCallback } from 'react'
import { HistoryProgress, seesEverybody } from '@/parts/frame'
import { Problem } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView } from '@/services/exchange/protocol'
import { useHistory } from '@/services/history/react'
import { CallsTable } from './calls-table'
import { Computing } from './computing'
import { DayChoice, useDays } from './day-choice'
import { ExportMenu } from './export-menu'
import { Figures } from './figures'
import { GroupsTable } from './groups-table'
import { Outcomes } from './outcomes'
import { ResultsHead } from './results-head'
import { SeriesChart } from './series-chart'
import { Sound } from './sound'
import { stepsOf, toSpan } from './span'
import { Written } from './written'

export function Results({ view }: { view: FloorView }) {
  const { centre, account } = view
  /** An agent sees what they handled themselves. */
  const only = seesEverybody(account) ? null : account.id
  const [days, choose] = useDays('/results')
  const span = toSpan(days)
  const {
    value,
    latest: report,
    problem,
  } = useHistory(useCallback((api) => api.report({ span: toSpan(days), nowMs: floorNow(), steps: stepsOf(days), only }), [days, only]))

  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <ResultsHead of="calls" days={days} mine={only !== null} />
        <DayChoice days={days} onChoose={choose} />
        {only === null && <ExportMenu span={span} />}
      </div>
      <HistoryProgress />
      {problem !== null && <Problem className="mt-4">The figures could not be computed: {problem}. Reload the page to try again.</Problem>}
      <Computing isOn={value === null && problem === null} />
      {report !== null && (
        <div aria-busy={value === null} className="mt-4 space-y-8 aria-busy:opacity-50">
          <Figures report={report} />
          {report.correctedCount > 0 && (
            <p className="!mt-3 text-soft">
              <strong className="text-ink">{report.correctedCount}</strong>{' '}
              {report.correctedCount === 1 ? 'outcome was corrected after it had' : 'outcomes were corrected after they had'} been saved.
            </p>
          )}
          {report.takenBackCount > 0 && (
            <p className="!mt-3 text-soft">
              <strong className="text-ink">{report.takenBackCount}</strong> {report.takenBackCount === 1 ? 'press was' : 'presses were'} undone before anybody
              was cut off.
            </p>
          )}
          <div className="grid gap-10 lg:grid-cols-2">
            <SeriesChart series={report.series} byHour={days.from === days.to} />
            <GroupsTable caption="By queue" rows={report.queues} />
          </div>
          <Outcomes report={report} centre={centre}>
            {only === null && <GroupsTable caption="By agent" rows={report.agents} withOccupancy />}
          </Outcomes>
          <Written view={view} span={span} only={only} />
          {only === null && <Sound fromMs={span.fromMs} toMs={span.toMs} />}
          <CallsTable days={days} only={only} centre={centre} />
        </div>
      )}
    </main>
  )
}
