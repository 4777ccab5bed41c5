'use client'
// Calls over time: answered and abandoned per hour or day, stacked. Told apart by fill pattern as well as colour.
import { max } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import { format } from 'date-fns'
import { type Column, Table } from '@/parts/ui'
import type { SeriesPoint } from '@/services/history/client'
import { dayName, hourName } from './span'

const WIDTH = 720
const HEIGHT = 190
const MOST_NAMES = 24
const MARGIN = { top: 8, right: 4, bottom: 24, left: 36 }

export function SeriesChart({ series, byHour }: { series: readonly SeriesPoint[]; byHour: boolean }) {
  const shown = byHour ? busyHours(series) : series
  const x = scaleBand<number>()
    .domain(shown.map((p) => p.fromMs))
    .range([MARGIN.left, WIDTH - MARGIN.right])
    .paddingInner(0.25)
    .paddingOuter(0.1)
  const y = scaleLinear()
    .domain([0, Math.max(4, max(shown, (p) => p.answered + p.abandoned) ?? 0)])
    .nice()
    .range([HEIGHT - MARGIN.bottom, MARGIN.top])
  const label = byHour ? hourName : (ms: number) => format(ms, 'EEE d')
  // A month of names does not stand beside each other.
  const every = Math.ceil(shown.length / MOST_NAMES)
  return (
    <figure>
      <figcaption className="flex items-baseline justify-between">
        <span className="font-semibold">Offered calls by {byHour ? 'the hour' : 'day'}</span>
        <span className="flex gap-4 text-soft text-xs">
          <Key fill="var(--color-green)" label="answered" />
          <Key fill="url(#abandoned)" label="abandoned" />
        </span>
      </figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-1 w-full" role="img" aria-label={inWords(shown, label)}>
        <defs>
          <pattern id="abandoned" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--color-red-wash)" />
            <rect width="3" height="6" fill="var(--color-red)" />
          </pattern>
        </defs>
        {y.ticks(4).map((tick) => (
          <g key={tick} transform={`translate(0 ${y(tick)})`}>
            <line x1={MARGIN.left} x2={WIDTH - MARGIN.right} stroke="var(--color-line)" />
            <text x={MARGIN.left - 6} dy="0.32em" textAnchor="end" fontSize="11" fill="var(--color-soft)">
              {tick}
            </text>
          </g>
        ))}
        {shown.map((p, i) => (
          <g key={p.fromMs} transform={`translate(${x(p.fromMs)} 0)`}>
            <title>{`${byHour ? label(p.fromMs) : dayName(p.fromMs)}: ${p.answered} answered, ${p.abandoned} abandoned`}</title>
            <rect y={y(p.answered)} width={x.bandwidth()} height={y(0) - y(p.answered)} fill="var(--color-green)" />
            <rect y={y(p.answered + p.abandoned)} width={x.bandwidth()} height={y(p.answered) - y(p.answered + p.abandoned)} fill="url(#abandoned)" />
            <text x={x.bandwidth() / 2} y={HEIGHT - 8} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
              {i % every === 0 && label(p.fromMs)}
            </text>
          </g>
        ))}
      </svg>
      <details className="mt-1">
        <summary className="text-soft">As a table</summary>
        <Table
          label={`Offered calls by ${byHour ? 'the hour' : 'day'}, as a table`}
          columns={columnsFor(byHour ? 'Hour' : 'Day', (p) => (byHour ? label(p.fromMs) : dayName(p.fromMs)))}
          rows={shown}
          keyOf={(p) => String(p.fromMs)}
          compact
          className="mt-1 max-w-96"
        />
      </details>
    </figure>
  )
}

const columnsFor = (heading: string, name: (p: SeriesPoint) => string): readonly Column<SeriesPoint>[] => [
  { id: 'when', heading, isName: true, cell: name },
  { id: 'answered', heading: 'Answered', align: 'right', className: 'tabular text-right', width: 'w-24', cell: (p) => p.answered },
  { id: 'abandoned', heading: 'Abandoned', align: 'right', className: 'tabular text-right', width: 'w-24', cell: (p) => p.abandoned },
]

function Key({ fill, label }: { fill: string; label: string }) {
  return (
    <span className="flex items-center gap-1">
      <svg aria-hidden width="12" height="12">
        <rect width="12" height="12" fill={fill} />
      </svg>
      {label}
    </span>
  )
}

/** From the first hour with a call to the last, at least six hours, so that nights do not squeeze the day. */
function busyHours(series: readonly SeriesPoint[]): readonly SeriesPoint[] {
  const busy = series.map((p, i) => (p.answered + p.abandoned > 0 ? i : -1)).filter((i) => i >= 0)
  const first = busy[0] ?? 8
  const last = Math.max(busy.at(-1) ?? 17, first + 5)
  return series.slice(first, last + 1)
}

const inWords = (series: readonly SeriesPoint[], label: (ms: number) => string): string =>
  `Offered calls. ${series.map((p) => `${label(p.fromMs)}: ${p.answered} answered, ${p.abandoned} abandoned`).join('; ')}`
