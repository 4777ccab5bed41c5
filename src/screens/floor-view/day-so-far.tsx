'use client'
// The day so far: calls of each quarter of an hour, how many were answered in time, who was there for them, against what was expected.
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { addMinutes, format, startOfDay } from 'date-fns'
import { useCallback, useState } from 'react'
import type { CameAt } from '@/core/coming-day'
import type { LedgerEntry } from '@/core/ledger'
import { onShiftAt } from '@/core/sessions'
import { QUARTERS } from '@/core/staffing'
import { DAY, QUARTER_MS } from '@/core/time'
import { SelectField, stepPath } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import { useForecasts, useHistory } from '@/services/history/react'

interface Props {
  readonly queues: readonly { readonly id: string; readonly name: string; readonly serviceLevelMs: number }[]
  readonly wordsOf: (mark: LedgerEntry) => string
}

const WIDTH = 544
const HEIGHT = 150
const STAFF = 40
const LEFT = 26
/** Half of the last time below it. */
const RIGHT = 16
/** From the ground up. */
const PARTS = [
  { says: 'in time', fill: 'var(--color-green)', mark: 'bg-green' },
  { says: 'later', fill: 'var(--color-sea)', mark: 'bg-sea' },
  { says: 'abandoned', fill: 'var(--color-red)', mark: 'bg-red' },
  { says: 'waiting', fill: 'var(--color-line-strong)', mark: 'bg-line-strong' },
] as const

function byQuarter(calls: readonly CameAt[]): readonly number[] {
  const counts = Array.from({ length: QUARTERS }, () => 0)
  for (const { atMs } of calls) counts[Math.floor(atMs / QUARTER_MS)] = (counts[Math.floor(atMs / QUARTER_MS)] ?? 0) + 1
  return counts
}

export function DaySoFar({ queues, wordsOf }: Props) {
  const [queueId, setQueueId] = useState('')
  const [dayMs] = useState(() => startOfDay(floorNow()).getTime())
  const { forecasts } = useForecasts(format(dayMs, 'yyyy-MM-dd'), dayMs)
  const { latest: today } = useHistory(
    useCallback(
      async (api) => {
        const nowMs = floorNow()
        const span = { fromMs: dayMs, toMs: dayMs + DAY }
        const [calls, staff, marks] = await Promise.all([
          api.came({ ...span, nowMs }),
          api.sessions({ span, only: null, days: [dayMs], nowMs }),
          api.marks(span),
        ])
        return { calls, marks, staff: staff.map((a) => a.days.flatMap((d) => d.sessions)), nowMs }
      },
      [dayMs],
    ),
  )
  if (today === null) return null
  const isMeant = (id: string) => queueId === '' || id === queueId
  const meant = today.calls.filter((c) => isMeant(c.queueId))
  const withinMs = new Map(queues.map((q) => [q.id, q.serviceLevelMs]))
  const isInTime = (c: CameAt) => c.answered && c.waitedMs <= (withinMs.get(c.queueId) ?? 0)
  const counted = (is: (c: CameAt) => boolean) => byQuarter(meant.filter(is))
  const [offered, inTime, later, gaveUp] = [counted(() => true), counted(isInTime), counted((c) => c.answered && !isInTime(c)), counted((c) => c.gaveUp)]
  const expected = sumOf((forecasts?.queues ?? []).filter((q) => isMeant(q.queueId)).map((q) => q.offered))
  const now = (today.nowMs - dayMs) / QUARTER_MS
  /** In the middle of a quarter; of the one that is on, at this moment. */
  const staff = Array.from({ length: QUARTERS }, (_, q) => onShiftAt(today.staff, q === Math.floor(now) ? today.nowMs - 1 : dayMs + (q + 0.5) * QUARTER_MS))
  const [from, to] = busy([offered, expected, staff])
  const x = scaleLinear([from, to], [LEFT, WIDTH - RIGHT])
  const y = scaleLinear([0, Math.max(4, max([...offered, ...expected]) ?? 0)], [HEIGHT - 18, 4]).nice()
  const s = scaleLinear([0, Math.max(2, max(staff) ?? 0)], [HEIGHT + STAFF, HEIGHT + 6])
  const waiting = offered.map((n, q) => n - (inTime[q] ?? 0) - (later[q] ?? 0) - (gaveUp[q] ?? 0))
  /** What was done in the night stands in the list below alone. */
  const isDrawn = ({ atMs }: LedgerEntry) => (atMs - dayMs) / QUARTER_MS >= from && (atMs - dayMs) / QUARTER_MS <= to
  const markWords = (mark: LedgerEntry) => `${format(mark.atMs, 'HH:mm')} ${wordsOf(mark)}`
  /** The quarter that is on counts as far as it has come. */
  const expectedByNow = expected.reduce((sum, e, q) => sum + e * Math.min(1, Math.max(0, now - q)), 0)
  const decided = (inTime: number, later: number, gaveUp: number) => inTime + later + gaveUp
  const share = (of: readonly [number, number, number]) => (decided(...of) === 0 ? '' : `, ${Math.round((of[0] / decided(...of)) * 100)} % in time`)
  const total = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)
  const calls = total(offered)
  const said = (q: number) =>
    `${clockOf(dayMs, q)}: ${offered[q] ?? 0} calls, ${(expected[q] ?? 0).toFixed(1)} expected, ${staff[q] ?? 0} on shift${share([inTime[q] ?? 0, later[q] ?? 0, gaveUp[q] ?? 0])}`
  const name = queueId === '' ? 'All queues' : (queues.find((q) => q.id === queueId)?.name ?? '')
  return (
    <figure className="mt-6" data-day-so-far>
      <div className="flex items-end justify-between gap-4">
        <figcaption>
          <span className="font-semibold">The day so far</span>
          <span className="block text-soft text-xs">
            {calls} {calls === 1 ? 'call' : 'calls'}
            {share([total(inTime), total(later), total(gaveUp)])}
            {expected.some((e) => e > 0) ? `, ${Math.round(expectedByNow)} expected by now` : '; no past days to expect anything from'}
          </span>
        </figcaption>
        <SelectField label="Queue" className="w-40" value={queueId} onChange={(e) => setQueueId(e.target.value)}>
          <option value="">All queues</option>
          {queues.map((q) => (
            <option key={q.id} value={q.id}>
              {q.name}
            </option>
          ))}
        </SelectField>
      </div>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + STAFF + 4}`}
        className="mt-1 w-full"
        role="img"
        aria-label={`${name} by quarter of an hour. ${Array.from({ length: to - from }, (_, i) => said(from + i)).join('; ')}`}
      >
        {y.ticks(3).map((tick) => (
          <g key={tick} transform={`translate(0 ${y(tick)})`}>
            <line x1={LEFT} x2={WIDTH} stroke="var(--color-line)" />
            <text x={LEFT - 4} dy="0.32em" textAnchor="end" fontSize="10" fill="var(--color-soft)">
              {tick}
            </text>
          </g>
        ))}
        {Array.from({ length: to - from }, (_, i) => from + i).map((q) => {
          let below = 0
          return (
            <g key={q}>
              <title>{said(q)}</title>
              {PARTS.map(({ fill }, part) => {
                const value = [inTime, later, gaveUp, waiting][part]?.[q] ?? 0
                below += value
                return (
                  <rect
                    key={fill}
                    x={x(q) + 1}
                    y={y(below)}
                    width={Math.max(1, x(q + 1) - x(q) - 2)}
                    height={Math.max(0, y(below - value) - y(below))}
                    fill={fill}
                  />
                )
              })}
            </g>
          )
        })}
        {today.marks.filter(isDrawn).map((mark) => (
          <path key={mark.seq} d={`M${x((mark.atMs - dayMs) / QUARTER_MS)} 9l5 -9h-10z`} fill="var(--color-red)">
            <title>{markWords(mark)}</title>
          </path>
        ))}
        {expected.some((e) => e > 0) && (
          <path d={stepPath(expected, from, to, x, y)} fill="none" stroke="var(--color-brass)" strokeWidth={2} strokeDasharray="5 3" />
        )}
        {Array.from({ length: Math.ceil((to - from) / 8) + 1 }, (_, i) => from + i * 8)
          .filter((q) => q <= to)
          .map((q) => (
            <text key={q} x={x(q)} y={HEIGHT - 4} textAnchor="middle" fontSize="10" fill="var(--color-soft)">
              {clockOf(dayMs, q)}
            </text>
          ))}
        {now >= from && now <= to && <line x1={x(now)} x2={x(now)} y1={0} y2={HEIGHT + STAFF} stroke="var(--color-ink)" />}
        {staff.slice(from, to).map((n, i) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a quarter of an hour is its place
            key={i}
            x={x(from + i)}
            y={s(n)}
            width={Math.max(1, x(from + 1) - x(from))}
            height={s(0) - s(n)}
            fill="var(--color-line-strong)"
          />
        ))}
      </svg>
      <ul className="flex flex-wrap gap-x-4 text-soft text-xs">
        {PARTS.map(({ says, mark }) => (
          <li key={says}>
            <span aria-hidden className={`mr-1 inline-block size-2.5 ${mark}`} /> {says}
          </li>
        ))}
        <li>
          <span aria-hidden className="mr-1 inline-block w-4 border-brass border-t-2 border-dashed align-middle" /> expected
        </li>
        <li>
          <span aria-hidden className="mr-1 inline-block size-2.5 bg-line-strong" /> on shift, up to {max(staff) ?? 0}
        </li>
        {today.marks.length > 0 && (
          <li>
            <span aria-hidden className="mr-1 inline-block border-x-4 border-x-transparent border-t-8 border-t-red align-middle" /> something was done
          </li>
        )}
      </ul>
      {today.marks.length > 0 && (
        <ol aria-label="Done about the floor today" className="mt-1 max-h-24 overflow-auto text-xs">
          {today.marks.toReversed().map((mark) => (
            <li key={mark.seq} className="flex gap-2">
              <span className="tabular text-soft">{format(mark.atMs, 'HH:mm')}</span> {wordsOf(mark)}
            </li>
          ))}
        </ol>
      )}
    </figure>
  )
}

const sumOf = (rows: readonly (readonly number[])[]): readonly number[] =>
  Array.from({ length: QUARTERS }, (_, q) => rows.reduce((sum, r) => sum + (r[q] ?? 0), 0))

/** From the first quarter in which anything was, to the last, and a little around it; an empty day is shown from 8 to 18. */
function busy(rows: readonly (readonly number[])[]): readonly [number, number] {
  const has = Array.from({ length: QUARTERS }, (_, q) => rows.some((r) => (r[q] ?? 0) > 0))
  const [first, last] = [has.indexOf(true), has.lastIndexOf(true)]
  return first < 0 ? [32, 72] : [Math.max(0, Math.min(first - 1, QUARTERS - 16)), Math.min(QUARTERS, Math.max(last + 2, first + 15))]
}

const clockOf = (dayMs: number, quarter: number): string => format(addMinutes(dayMs, quarter * 15), 'HH:mm')
