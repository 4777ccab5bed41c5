'use client'
// Calls over time: answered and abandoned per hour or day, stacked. Told apart by fill pattern as well as colour.
import { max } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import { format } from 'date-fns'
import type { SeriesPoint } from '@/history/client'

const WIDTH = 720
const HEIGHT = 190
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
  const label = (ms: number) => format(ms, byHour ? 'HH' : 'EEE d')
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
        {shown.map((p) => (
          <g key={p.fromMs} transform={`translate(${x(p.fromMs)} 0)`}>
            <title>{`${label(p.fromMs)}: ${p.answered} answered, ${p.abandoned} abandoned`}</title>
            <rect y={y(p.answered)} width={x.bandwidth()} height={y(0) - y(p.answered)} fill="var(--color-green)" />
            <rect y={y(p.answered + p.abandoned)} width={x.bandwidth()} height={y(p.answered) - y(p.answered + p.abandoned)} fill="url(#abandoned)" />
            <text x={x.bandwidth() / 2} y={HEIGHT - 8} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
              {label(p.fromMs)}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  )
}

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
