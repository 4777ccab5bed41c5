'use client'
import { max, min } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import type { AgentId } from '@/core/ids'
import { atWorkAt } from '@/core/staffing'
// A plan of shifts: a lane each with its breaks, and above them how many are at work against how many are needed, and how many came.
import { type KeptPlan, quarterClock } from '@/parts/plans'
import { stepPath } from '@/parts/ui'

interface Props {
  readonly plan: KeptPlan
  /** On shift as it came, by quarter; null for a day that has not come. */
  readonly came: readonly number[] | null
  readonly nameOf: (id: AgentId) => string
}

const WIDTH = 1232
const BARE = 40
/** Beside names. */
const NAMED = 150
const AGENTS = 120
const LANE = 14

export function ShiftChart({ plan: { need, shifts }, came, nameOf }: Props) {
  const quarters = [...need.flatMap((n, q) => (n > 0 ? [q, q + 1] : [])), ...shifts.flatMap((s) => [s.from, s.to])]
  const [from, to] = [min(quarters) ?? 32, max(quarters) ?? 72]
  const atWork = need.map((_, q) => atWorkAt(shifts, q))
  const left = shifts.some((s) => s.agentId !== null) ? NAMED : BARE
  const x = scaleLinear([from, to], [left, WIDTH - 4])
  const y = scaleLinear([0, Math.max(1, max([...need, ...atWork, ...(came ?? [])]) ?? 0)], [AGENTS, 8]).nice()
  const drawn = (values: readonly number[]) => stepPath(values, from, to, x, y)
  const height = AGENTS + 24 + shifts.length * LANE
  const words = Array.from({ length: to - from }, (_, i) => from + i).map(
    (q) => `${quarterClock(q)}: ${atWork[q]} at work, ${need[q]} needed${came === null ? '' : `, ${came[q]} came`}`,
  )
  return (
    <figure>
      <ul className="flex flex-wrap justify-end gap-x-4 text-soft text-xs">
        <li>
          <span aria-hidden className="mr-1 inline-block size-2.5 bg-line" /> at work
        </li>
        <li>
          <span aria-hidden className="mr-1 inline-block w-4 border-ink border-t-2 align-middle" /> needed
        </li>
        {came !== null && (
          <li>
            <span aria-hidden className="mr-1 inline-block w-4 border-brass border-t-2 border-dashed align-middle" /> on shift as it came
          </li>
        )}
        <li>
          <span aria-hidden className="mr-1 inline-block h-2.5 w-4 bg-green" /> a shift, with its breaks
        </li>
      </ul>
      <svg viewBox={`0 0 ${WIDTH} ${height}`} className="mt-1 w-full" role="img" aria-label={`Shifts by quarter of an hour. ${words.join('; ')}`}>
        {y.ticks(4).map((tick) => (
          <g key={tick} transform={`translate(0 ${y(tick)})`}>
            <line x1={left} x2={WIDTH} stroke="var(--color-line)" />
            <text x={left - 6} dy="0.32em" textAnchor="end" fontSize="11" fill="var(--color-soft)">
              {tick}
            </text>
          </g>
        ))}
        {Array.from({ length: to - from }, (_, i) => from + i).map((q) => (
          <g key={q}>
            <title>{words[q - from]}</title>
            <rect x={x(q)} width={x(q + 1) - x(q)} y={y(atWork[q] ?? 0)} height={y(0) - y(atWork[q] ?? 0)} fill="var(--color-line)" />
            {q % 4 === 0 && (
              <text x={x(q)} y={AGENTS + 15} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
                {quarterClock(q)}
              </text>
            )}
          </g>
        ))}
        <path d={drawn(need)} fill="none" stroke="var(--color-ink)" strokeWidth={2} />
        {came !== null && <path d={drawn(came)} fill="none" stroke="var(--color-brass)" strokeWidth={2} strokeDasharray="5 3" />}
        {shifts.map((s, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two shifts may be the same in everything
          <g key={i} transform={`translate(0 ${AGENTS + 24 + i * LANE})`}>
            <title>{`${quarterClock(s.from)} to ${quarterClock(s.to)}, breaks at ${s.breaks.map((b) => quarterClock(b.from)).join(', ')}`}</title>
            {s.agentId !== null && (
              <text x={left - 8} y={LANE - 5} textAnchor="end" fontSize="11" fill="var(--color-ink)">
                {nameOf(s.agentId)}
              </text>
            )}
            <rect x={x(s.from)} width={x(s.to) - x(s.from)} height={LANE - 3} fill="var(--color-green)" />
            {s.breaks.map((b) => (
              <rect key={b.from} x={x(b.from)} width={x(b.to) - x(b.from)} height={LANE - 3} fill="var(--color-paper)" stroke="var(--color-green)" />
            ))}
          </g>
        ))}
      </svg>
    </figure>
  )
}
