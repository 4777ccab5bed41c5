'use client'
// The day so far: calls of each quarter of an hour, how many were answered in time, who was there for them, against what was expected.
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { addMinutes, format, startOfDay } from 'date-fns'
import { useCallback, useState } from 'react'
import { onShiftAt } from '@/core/sessions'
import { QUARTERS } from '@/core/staffing'
import { DAY, MINUTE } from '@/core/time'
import { floorNow } from '@/exchange/floor-time'
import { useForecasts, useHistory } from '@/history/react'
import { SelectField, stepPath } from '@/ui'

interface Props {
  readonly queues: readonly { readonly id: string; readonly name: string }[]
}

const WIDTH = 544
const HEIGHT = 150
const STAFF = 40
const LEFT = 26
const QUARTER_MS = 15 * MINUTE

export function DaySoFar({ queues }: Props) {
  const [queueId, setQueueId] = useState('')
  const [dayMs] = useState(() => startOfDay(floorNow()).getTime())
  const { forecasts } = useForecasts(format(dayMs, 'yyyy-MM-dd'), dayMs)
  const { latest: today } = useHistory(
    useCallback(
      async (api) => {
        const nowMs = floorNow()
        const [calls, staff] = await Promise.all([
          api.profiles({ days: [{ day: 'today', weekday: 0, fromMs: dayMs, toMs: dayMs + DAY }], nowMs }),
          api.sessions({ span: { fromMs: dayMs, toMs: dayMs + DAY }, only: null, days: [dayMs], nowMs }),
        ])
        return { calls, staff: staff.map((a) => a.days.flatMap((d) => d.sessions)), nowMs }
      },
      [dayMs],
    ),
  )
  if (today === null) return null
  const isMeant = (id: string) => queueId === '' || id === queueId
  const offered = sumOf(today.calls.filter((c) => isMeant(c.queueId)).map((c) => c.days[0]?.offered ?? []))
  const expected = sumOf((forecasts?.queues ?? []).filter((q) => isMeant(q.queueId)).map((q) => q.offered))
  const now = (today.nowMs - dayMs) / QUARTER_MS
  /** In the middle of a quarter; of the one that is on, at this moment. */
  const staff = Array.from({ length: QUARTERS }, (_, q) => onShiftAt(today.staff, q === Math.floor(now) ? today.nowMs - 1 : dayMs + (q + 0.5) * QUARTER_MS))
  const [from, to] = busy([offered, expected, staff])
  const x = scaleLinear([from, to], [LEFT, WIDTH - 4])
  const y = scaleLinear([0, Math.max(4, max([...offered, ...expected]) ?? 0)], [HEIGHT - 18, 4]).nice()
  const s = scaleLinear([0, Math.max(2, max(staff) ?? 0)], [HEIGHT + STAFF, HEIGHT + 6])
  const calls = offered.reduce((a, b) => a + b, 0)
  /** The quarter that is on counts as far as it has come. */
  const expectedByNow = expected.reduce((sum, e, q) => sum + e * Math.min(1, Math.max(0, now - q)), 0)
  const name = queueId === '' ? 'All queues' : (queues.find((q) => q.id === queueId)?.name ?? '')
  return (
    <figure className="mt-6" data-day-so-far>
      <div className="flex items-end justify-between gap-4">
        <figcaption>
          <span className="font-semibold">The day so far</span>
          <span className="block text-soft text-xs">
            {calls} {calls === 1 ? 'call' : 'calls'}
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
        aria-label={`${name} by quarter of an hour. ${offered
          .slice(from, to)
          .map((n, i) => `${clockOf(dayMs, from + i)}: ${n} calls, ${(expected[from + i] ?? 0).toFixed(1)} expected, ${staff[from + i]} on shift`)
          .join('; ')}`}
      >
        {y.ticks(3).map((tick) => (
          <g key={tick} transform={`translate(0 ${y(tick)})`}>
            <line x1={LEFT} x2={WIDTH} stroke="var(--color-line)" />
            <text x={LEFT - 4} dy="0.32em" textAnchor="end" fontSize="10" fill="var(--color-soft)">
              {tick}
            </text>
          </g>
        ))}
        {offered.slice(from, to).map((n, i) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a quarter of an hour is its place
            key={i}
            x={x(from + i) + 1}
            y={y(n)}
            width={Math.max(1, x(from + 1) - x(from) - 2)}
            height={y(0) - y(n)}
            fill="var(--color-green)"
          >
            <title>{`${clockOf(dayMs, from + i)}: ${n} calls, ${(expected[from + i] ?? 0).toFixed(1)} expected, ${staff[from + i]} on shift`}</title>
          </rect>
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
        <li>
          <span aria-hidden className="mr-1 inline-block size-2.5 bg-green" /> calls
        </li>
        <li>
          <span aria-hidden className="mr-1 inline-block w-4 border-brass border-t-2 border-dashed align-middle" /> expected
        </li>
        <li>
          <span aria-hidden className="mr-1 inline-block size-2.5 bg-line-strong" /> on shift, up to {max(staff) ?? 0}
        </li>
      </ul>
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
