'use client'
import { addDays, format, isValid, parseISO } from 'date-fns'
import { useDeferredValue, useMemo, useState } from 'react'
import type { DayBasis } from '@/core/coming-day'
import { toCsv } from '@/core/csv'
import { type Need, QUARTERS } from '@/core/staffing'
import { formatClock } from '@/core/time'
import { HistoryProgress } from '@/parts/frame'
// Tomorrow: what a coming day is expected to bring, how far such forecasts are off, and how many agents it needs for the aim.
import { quarterClock } from '@/parts/plans'
import { Button, type Column, DayField, PlaceLink, Problem, Progress, saveFile, Table, TextField } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import { useSeen, useSetUpInUse } from '@/services/exchange/react'
import type { QueueForecast } from '@/services/history/client'
import { useForecasts } from '@/services/history/react'
import { ByRulesWords } from './by-rules-words'
import { NeedChart } from './need-chart'
import { ShiftPlanner } from './shift-plan'
import { needOf, trafficOf } from './use-basis'
import { useByRules } from './use-by-rules'

interface Row extends QueueForecast {
  readonly name: string
  readonly withinMs: number
  readonly calls: number
  readonly most: number
}

export function Tomorrow() {
  const [nowMs] = useState(floorNow)
  const [day, setDay] = useState(() => format(addDays(nowMs, 1), 'yyyy-MM-dd'))
  const [percentTyped, setPercentTyped] = useState('100')
  const [aimTyped, setAimTyped] = useState('80')
  const queues = useSeen((view) => view.centre.queues)
  const agents = useSeen((view) => view.seats.filter((s) => s.queueIds.length > 0).length)
  const isDay = isValid(parseISO(day)) && day !== ''
  const [times, aim] = [numberIn(percentTyped, 1, 1_000), numberIn(aimTyped, 1, 99)]
  const { forecasts, problem } = useForecasts(isDay ? day : format(addDays(nowMs, 1), 'yyyy-MM-dd'), nowMs, (times ?? 100) / 100)
  const share = useDeferredValue((aim ?? 80) / 100)
  const known = useMemo(
    () =>
      (forecasts?.queues ?? []).flatMap((f) => {
        const queue = queues?.find((q) => q.id === f.queueId)
        return queue === undefined ? [] : [{ ...f, name: queue.name, withinMs: queue.serviceLevelMs }]
      }),
    [forecasts, queues],
  )
  const need = useMemo(() => needOf(known, share), [known, share])
  const rules = useByRules()
  const revision = useSeen((view) => view.centre.revision)
  const setUp = useSetUpInUse(revision ?? 0)?.setUp
  const basis: DayBasis | null =
    setUp === undefined || !isDay || known.length === 0
      ? null
      : { setUp, startMs: parseISO(day).getTime(), traffic: trafficOf(known), came: null, atWork: need.together, crew: null }
  if (queues === null) return null
  const rows: readonly Row[] = known.map((q, i) => ({ ...q, calls: q.offered.reduce((a, b) => a + b, 0), most: Math.max(0, ...(need.queues[i] ?? [])) }))
  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <div className="mr-2 flex items-baseline gap-4">
          <h1 className="font-semibold text-2xl">Tomorrow</h1>
          <PlaceLink href="/floor" isHere={false}>
            Floor
          </PlaceLink>
          <PlaceLink href="/floor/what-if" isHere={false}>
            What if
          </PlaceLink>
        </div>
        <DayField label="Day" value={day} problem={isDay ? null : 'Choose a day.'} onDay={setDay} />
        <TextField
          label="Calls, % of usual"
          inputMode="numeric"
          className="w-36"
          value={percentTyped}
          problem={times === null ? 'A number from 1 to 1000.' : null}
          onChange={(e) => setPercentTyped(e.target.value)}
        />
        <TextField
          label="Aim, % in time"
          inputMode="numeric"
          className="w-32"
          value={aimTyped}
          problem={aim === null ? 'A number from 1 to 99.' : null}
          onChange={(e) => setAimTyped(e.target.value)}
        />
        {rows.length > 0 && (
          <Button className="ml-auto" onClick={() => saveFile('tomorrow.csv', toPlanCsv(rows, need), 'text/csv')}>
            Save as CSV
          </Button>
        )}
      </div>
      <HistoryProgress />
      {problem !== null && <Problem className="mt-4">The past days could not be read: {problem}. Reload the page to try again.</Problem>}
      {forecasts === null && problem === null && (
        <p role="status" className="mt-6 text-soft">
          Reading the past days…
        </p>
      )}
      {forecasts !== null && rows.every((r) => r.days === 0) && (
        <p className="mt-6">No past day with calls is kept here yet, so nothing can be expected. Come back tomorrow.</p>
      )}
      {rows.some((r) => r.days > 0) && (
        <div className="mt-5 space-y-6">
          <NeedChart rows={rows} need={need} byRules={rules.found?.agents ?? null} />
          <section aria-label="By the rules" className="space-y-2">
            <div className="flex flex-wrap items-center gap-4">
              {rules.round === null ? (
                <Button disabled={basis === null} onClick={() => basis !== null && rules.play(basis, Math.max(1, agents ?? 1), share)}>
                  Play it by the rules
                </Button>
              ) : (
                <>
                  <Button onClick={rules.callOff}>Call off</Button>
                  <Progress
                    label={
                      rules.round < rules.rounds
                        ? `Playing the day, round ${rules.round + 1} of at most ${rules.rounds}`
                        : 'Looking for what makes the difference'
                    }
                    done={rules.round}
                    of={rules.rounds}
                  />
                </>
              )}
              {rules.found === null && rules.round === null && (
                <span className="max-w-[75ch] text-soft">
                  Erlang A knows one queue at a time. Played by the rules in use the day has skills, overflow, rings, and callers left over from the quarter
                  before.
                </span>
              )}
            </div>
            {rules.problem !== null && <Problem>{rules.problem}</Problem>}
            {rules.found !== null && rules.round === null && (
              <ByRulesWords
                found={rules.found}
                need={need}
                reasons={rules.reasons}
                nameOf={(id) => known.find((k) => k.queueId === id)?.name ?? 'a queue of before'}
              />
            )}
          </section>
          {isDay && (
            <ShiftPlanner key={day} day={day} need={{ ...need, byRules: rules.found?.agents ?? null }} agents={Math.max(1, agents ?? 1)} traffic={known} />
          )}
          <Table label="Expected, by queue" caption="Expected, by queue" columns={COLUMNS} rows={rows} keyOf={(r) => r.queueId} fixed={false} />
          <p className="max-w-[80ch] text-soft">
            Learnt from {dayWords(forecasts?.from)} to {dayWords(forecasts?.through)}; for a holiday or an event, say what share of the usual calls you expect.
            Off by: each of the last days was forecast from the others, and the differences by quarter of an hour added up; chance alone makes the share in
            brackets, because calls come one by one. Agents: the fewest on calls or free for them, by Erlang A with the handle times and the patience measured
            on these days; breaks come on top. Apart: every queue has agents of its own. Together: everybody takes every call. With agents who serve several
            queues, as here, it is between the two.
          </p>
        </div>
      )}
    </main>
  )
}

const dayWords = (day: string | null | undefined): string => (day == null ? 'no day' : format(parseISO(day), 'EEE d MMM'))
const tabular = 'tabular text-right'
const percentOf = (ratio: number | null) => (ratio === null ? 'unknown' : `${Math.round(ratio * 100)} %`)

const COLUMNS: readonly Column<Row>[] = [
  { id: 'name', heading: 'Queue', isName: true, sortBy: (r) => r.name, cell: (r) => r.name },
  { id: 'calls', heading: 'Calls', align: 'right', className: tabular, sortBy: (r) => r.calls, cell: (r) => Math.round(r.calls) },
  { id: 'days', heading: 'Learnt from', align: 'right', className: 'text-right', cell: (r) => `${r.days} days, ${r.sameWeekday} of this weekday` },
  {
    id: 'error',
    heading: 'Off by (chance)',
    align: 'right',
    className: 'text-right',
    cell: (r) =>
      r.error.byQuarter === null ? <span className="text-soft">too few days to say</span> : `${percentOf(r.error.byQuarter)} (${percentOf(r.error.byChance)})`,
  },
  { id: 'errorDay', heading: 'Whole day off by', align: 'right', className: 'text-right', cell: (r) => percentOf(r.error.byDay) },
  {
    id: 'handle',
    heading: 'Handle time',
    align: 'right',
    className: tabular,
    cell: (r) => (r.handleMs === null ? <span className="text-soft">unknown</span> : formatClock(r.handleMs)),
  },
  {
    id: 'patience',
    heading: 'Patience',
    align: 'right',
    className: tabular,
    cell: (r) => (r.patienceMs === null ? <span className="text-soft">nobody abandoned</span> : formatClock(r.patienceMs)),
  },
  { id: 'within', heading: 'In time is', align: 'right', className: tabular, cell: (r) => formatClock(r.withinMs) },
  { id: 'most', heading: 'Agents, at most', align: 'right', className: tabular, sortBy: (r) => r.most, cell: (r) => r.most },
]

/** Of what was typed; null for what is no such number. */
function numberIn(typed: string, least: number, most: number): number | null {
  const value = Number(typed.trim().replace(',', '.'))
  return typed.trim() !== '' && Number.isFinite(value) && value >= least && value <= most ? value : null
}

/** A line for each quarter of an hour: calls expected and agents needed of each queue, and of all. */
function toPlanCsv(rows: readonly Row[], need: Need): string {
  const fields = ['from', ...rows.flatMap((r) => [`${r.name} calls`, `${r.name} agents`]), 'agents apart', 'agents together']
  return toCsv(
    fields,
    Array.from({ length: QUARTERS }, (_, q) => [
      quarterClock(q),
      ...rows.flatMap((r, i) => [(r.offered[q] ?? 0).toFixed(2), need.queues[i]?.[q] ?? 0]),
      need.apart[q] ?? 0,
      need.together[q] ?? 0,
    ]),
  )
}
