// Answered in time by quarter of an hour, of the day as it is and as it might be.
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import type { Compared } from '@/core/coming-day'
import { quarterClock } from '@/parts/plans'

const WIDTH = 1232
const HEIGHT = 170
const LEFT = 40

export function LevelChart({ inTime: { first, second } }: Pick<Compared, 'inTime'>) {
  const has = first.map((v, q) => v !== null || (second[q] ?? null) !== null)
  const [from, to] = [Math.max(0, has.indexOf(true)), Math.max(has.lastIndexOf(true) + 1, has.indexOf(true) + 4)]
  const x = scaleLinear([from, to], [LEFT, WIDTH - 4])
  const y = scaleLinear([0, 1], [HEIGHT - 20, 6])
  const drawn = (values: readonly (number | null)[]) =>
    line<number>(
      (q) => x(q + 0.5),
      (q) => y(values[q] ?? 0),
    ).defined((q) => (values[q] ?? null) !== null)(Array.from({ length: to - from }, (_, i) => from + i)) ?? ''
  const percent = (value: number | null | undefined) => (value == null ? 'no calls' : `${Math.round(value * 100)} %`)
  return (
    <figure>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-4">
        <span className="font-semibold">Answered in time, by quarter of an hour</span>
        <ul className="flex gap-x-4 text-soft text-xs">
          <li>
            <span aria-hidden className="mr-1 inline-block w-4 border-ink border-t-2 align-middle" /> as it is
          </li>
          <li>
            <span aria-hidden className="mr-1 inline-block w-4 border-brass border-t-2 border-dashed align-middle" /> changed
          </li>
        </ul>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="mt-1 w-full"
        role="img"
        aria-label={`Answered in time by quarter of an hour. ${Array.from({ length: to - from }, (_, i) => from + i)
          .map((q) => `${quarterClock(q)}: ${percent(first[q])} as it is, ${percent(second[q])} changed`)
          .join('; ')}`}
      >
        {[0, 0.25, 0.5, 0.75, 1].map((tick) => (
          <g key={tick} transform={`translate(0 ${y(tick)})`}>
            <line x1={LEFT} x2={WIDTH} stroke="var(--color-line)" />
            <text x={LEFT - 6} dy="0.32em" textAnchor="end" fontSize="11" fill="var(--color-soft)">
              {tick * 100}
            </text>
          </g>
        ))}
        {Array.from({ length: to - from }, (_, i) => from + i)
          .filter((q) => q % 4 === 0)
          .map((q) => (
            <text key={q} x={x(q)} y={HEIGHT - 4} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
              {quarterClock(q)}
            </text>
          ))}
        <path d={drawn(first)} fill="none" stroke="var(--color-ink)" strokeWidth={2} />
        <path d={drawn(second)} fill="none" stroke="var(--color-brass)" strokeWidth={2} strokeDasharray="5 3" />
      </svg>
    </figure>
  )
}
