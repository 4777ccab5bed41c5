'use client'
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { type Need, QUARTERS } from '@/core/staffing'
// Calls expected by quarter of an hour, one queue on the other, and below the agents they need: apart and together.
import { quarterClock } from '@/parts/plans'
import { stepPath } from '@/parts/ui'

interface Props {
  readonly rows: readonly { readonly name: string; readonly offered: readonly number[] }[]
  readonly need: Need
  /** By the rules themselves, once the day has been played. */
  readonly byRules: readonly number[] | null
}

const WIDTH = 1232
const CALLS = 170
const AGENTS = 130
const LEFT = 40
/** Told apart by shade and by place: the first stands at the ground. */
const FILLS = ['var(--color-green)', 'var(--color-sea)', 'var(--color-brass)', 'var(--color-ink)', 'var(--color-line-strong)']

export function NeedChart({ rows, need, byRules }: Props) {
  const total = Array.from({ length: QUARTERS }, (_, q) => rows.reduce((sum, r) => sum + (r.offered[q] ?? 0), 0))
  const has = total.map((t) => t >= 0.05)
  const [from, to] = [Math.max(0, has.indexOf(true)), Math.max(has.lastIndexOf(true) + 1, has.indexOf(true) + 4)]
  const x = scaleLinear([from, to], [LEFT, WIDTH - 4])
  const y = scaleLinear([0, max(total) || 1], [CALLS - 18, 4]).nice()
  const a = scaleLinear([0, Math.max(1, max(need.apart) ?? 0, max(byRules ?? []) ?? 0)], [CALLS + AGENTS, CALLS + 12]).nice()
  const drawn = (values: readonly number[]) => stepPath(values, from, to, x, a)
  return (
    <figure>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-4">
        <span className="font-semibold">Calls by quarter of an hour, and the agents they need</span>
        <ul className="flex flex-wrap gap-x-4 text-soft text-xs">
          {rows.map((r, i) => (
            <li key={r.name} className="flex items-center gap-1">
              <span aria-hidden className="size-3" style={{ background: FILLS[i % FILLS.length] }} />
              {r.name}
            </li>
          ))}
          <li>
            <span aria-hidden className="mr-1 inline-block w-4 border-ink border-t-2 align-middle" />
            agents together
          </li>
          <li>
            <span aria-hidden className="mr-1 inline-block w-4 border-red border-t-2 border-dashed align-middle" />
            agents apart
          </li>
          {byRules !== null && (
            <li>
              <span aria-hidden className="mr-1 inline-block w-4 border-brass border-t-2 border-dotted align-middle" />
              agents by the rules
            </li>
          )}
        </ul>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${CALLS + AGENTS + 6}`}
        className="mt-1 w-full"
        role="img"
        aria-label={`Expected by quarter of an hour. ${total
          .slice(from, to)
          .map(
            (t, i) =>
              `${quarterClock(from + i)}: ${t.toFixed(1)} calls, ${need.together[from + i]} agents together, ${need.apart[from + i]} apart${byRules === null ? '' : `, ${byRules[from + i]} by the rules`}`,
          )
          .join('; ')}`}
      >
        {[...y.ticks(3).map((t) => ({ t, at: y(t) })), ...a.ticks(4).map((t) => ({ t, at: a(t) }))].map(({ t, at }) => (
          <g key={at} transform={`translate(0 ${at})`}>
            <line x1={LEFT} x2={WIDTH} stroke="var(--color-line)" />
            <text x={LEFT - 6} dy="0.32em" textAnchor="end" fontSize="11" fill="var(--color-soft)">
              {t}
            </text>
          </g>
        ))}
        {Array.from({ length: to - from }, (_, i) => from + i).map((q) => {
          let below = 0
          return (
            <g key={q}>
              <title>{`${quarterClock(q)}: ${rows.map((r) => `${r.name} ${(r.offered[q] ?? 0).toFixed(1)}`).join(', ')}; ${need.together[q]} to ${need.apart[q]} agents`}</title>
              {rows.map((r, i) => {
                const value = r.offered[q] ?? 0
                below += value
                return (
                  <rect
                    key={r.name}
                    x={x(q) + 1}
                    width={Math.max(1, x(q + 1) - x(q) - 2)}
                    y={y(below)}
                    height={Math.max(0, y(below - value) - y(below))}
                    fill={FILLS[i % FILLS.length]}
                  />
                )
              })}
              {q % 4 === 0 && (
                <text x={x(q)} y={CALLS - 3} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
                  {quarterClock(q)}
                </text>
              )}
            </g>
          )
        })}
        <path d={drawn(need.together)} fill="none" stroke="var(--color-ink)" strokeWidth={2} />
        <path d={drawn(need.apart)} fill="none" stroke="var(--color-red)" strokeWidth={2} strokeDasharray="5 3" />
        {byRules !== null && <path d={drawn(byRules)} fill="none" stroke="var(--color-brass)" strokeWidth={3} strokeDasharray="2 3" />}
      </svg>
    </figure>
  )
}
