'use client'
// Sessions: what agents did with their time. One day is drawn spell by spell, more days are added up; each agent's day opens to its stretches.
import { addDays, format, startOfDay } from 'date-fns'
import { useSearchParams } from 'next/navigation'
import { useCallback, useMemo, useState } from 'react'
import { toSessionsCsv, toSessionsICalendar } from '@/core/formats'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import { HistoryProgress, seesEverybody } from '@/parts/frame'
import { useKeptPlan } from '@/parts/plans'
import { Button, Menu, MenuItem, Problem, saveFile } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView } from '@/services/exchange/protocol'
import type { AgentSessions } from '@/services/history/client'
import { useHistory, useHistoryOpening } from '@/services/history/react'
import { AgentDay } from './agent-day'
import { Computing } from './computing'
import { DayChoice, useDays } from './day-choice'
import { DayTimeline } from './day-timeline'
import { plannedShifts } from './planned'
import { ResultsHead } from './results-head'
import { SessionsTable } from './sessions-table'
import { toSpan } from './span'

export function Sessions({ view }: { view: FloorView }) {
  const { account, centre } = view
  const only = seesEverybody(account) ? null : account.id
  const [days, choose] = useDays('/results/sessions')
  const isOneDay = days.from === days.to
  const [plan] = useKeptPlan(days.from)
  const planned = useMemo(() => plannedShifts(plan, days.from), [plan, days.from])
  const wished = AgentIdSchema.safeParse(useSearchParams().get('agent') ?? '')
  const [opened, setOpened] = useState<AgentId | null>(wished.success ? wished.data : only)
  const { value, latest, problem } = useHistory(
    useCallback((api) => api.sessions({ span: toSpan(days), days: daysOf(days), only, nowMs: floorNow() }).then((rows) => ({ rows, days })), [days, only]),
  )
  const openDay = (id: AgentId, fromMs: number) => {
    choose(oneDay(fromMs))
    setOpened(id)
  }
  const { progress } = useHistoryOpening()
  const rows = latest?.rows ?? []
  const shown = latest === null ? days : latest.days
  const open = isOneDay ? rows.find((r) => r.id === opened) : undefined
  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <ResultsHead of="sessions" days={days} mine={only !== null} />
        <DayChoice days={days} onChoose={choose} />
        {rows.length > 0 && <Files rows={rows} centreName={centre.name} reasons={centre.notReadyReasons} />}
      </div>
      <HistoryProgress />
      {problem !== null && <Problem className="mt-4">The sessions could not be read: {problem}. Reload the page to try again.</Problem>}
      <Computing isOn={value === null && problem === null} />
      {latest !== null && (
        <div aria-busy={value === null} className="mt-4 space-y-6 aria-busy:opacity-50">
          {rows.length === 0 && progress === null && <p>Nobody was on shift on {shown.from === shown.to ? 'this day' : 'these days'}. Choose others above.</p>}
          {rows.length > 0 && shown.from === shown.to && (
            <DayTimeline rows={rows} opened={open?.id ?? null} onOpen={(id) => setOpened(id === open?.id ? null : id)} reasons={centre.notReadyReasons} />
          )}
          {open !== undefined && <AgentDay key={open.id} agent={open} view={view} onClose={() => setOpened(null)} />}
          {rows.length > 0 && (
            <SessionsTable rows={rows} reasons={centre.notReadyReasons} onOpenDay={openDay} planned={isOneDay ? planned : []} nowMs={floorNow()} />
          )}
        </div>
      )}
    </main>
  )
}

const oneDay = (fromMs: number) => ({ from: format(fromMs, 'yyyy-MM-dd'), to: format(fromMs, 'yyyy-MM-dd') })

/** Where each local day of the span begins: the days the clocks change are 23 or 25 hours. */
function daysOf(days: Parameters<typeof toSpan>[0]): readonly number[] {
  const { fromMs, toMs } = toSpan(days)
  const starts: number[] = []
  for (let day = new Date(fromMs); day.getTime() < toMs; day = startOfDay(addDays(day, 1))) starts.push(day.getTime())
  return starts
}

function Files({ rows, centreName, reasons }: { rows: readonly AgentSessions[]; centreName: string; reasons: FloorView['centre']['notReadyReasons'] }) {
  return (
    <section aria-label="Export" className="ml-auto">
      <Menu label="The days chosen, as a file" align="end" trigger={<Button>Save as a file</Button>}>
        <MenuItem onSelect={() => saveFile('sessions.csv', toSessionsCsv(rows, reasons), 'text/csv')}>
          <span className="block">sessions.csv</span>
          <span className="block text-soft text-xs">A line for each agent and day: sessions, time in each state, paid and unpaid</span>
        </MenuItem>
        <MenuItem onSelect={() => saveFile('sessions.ics', toSessionsICalendar(centreName, rows, floorNow()), 'text/calendar')}>
          <span className="block">sessions.ics</span>
          <span className="block text-soft text-xs">Sessions as events, for a calendar</span>
        </MenuItem>
      </Menu>
    </section>
  )
}
