'use client'
// A day of everybody, a lane each: states as stretches of time, with what lasted beyond its plan marked. The table below says the same in figures.
import { max, min } from 'd3-array'
import { scaleTime } from 'd3-scale'
import { format } from 'date-fns'
import { useMemo, useState } from 'react'
import type { AgentId } from '@/core/ids'
import { overPlan, type Spell } from '@/core/sessions'
import type { Reason } from '@/core/set-up'
import { formatClock, HOUR } from '@/core/time'
import type { AgentSessions } from '@/services/history/client'
import { Lane, spellUnder } from './lane'
import { LOOKS, STATE_NAMES, spellWords } from './state-looks'

interface Props {
  readonly rows: readonly AgentSessions[]
  readonly reasons: readonly Reason[]
  readonly opened: AgentId | null
  readonly onOpen: (id: AgentId) => void
}

const WIDTH = 1232
const NAME = 150
const LANE = 20

export function DayTimeline({ rows, reasons, opened, onOpen }: Props) {
  const [pointed, setPointed] = useState<{ readonly name: string; readonly spell: Spell } | null>(null)
  const { lanes, x } = useMemo(() => {
    const lanes = rows.map((row) => ({ row, spells: row.days.flatMap((d) => d.spells) }))
    const all = lanes.flatMap((l) => l.spells)
    const [fromMs, toMs] = [min(all, (s) => s.fromMs) ?? 0, max(all, (s) => s.toMs) ?? 0]
    return { lanes, x: scaleTime([Math.floor(fromMs / HOUR) * HOUR, Math.max(toMs, fromMs + HOUR)], [NAME, WIDTH - 4]) }
  }, [rows])
  const height = rows.length * (LANE + 6) + 26
  return (
    <figure>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-4">
        <span className="font-semibold">The day, by agent</span>
        {pointed === null ? <Legend /> : <span className="text-xs tabular">{`${pointed.name}: ${stretchWords(pointed.spell, reasons)}`}</span>}
      </figcaption>
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing is no fieldset */}
      <svg viewBox={`0 0 ${WIDTH} ${height}`} className="mt-2 w-full" role="group" aria-label="The day, a lane for each agent">
        <defs>
          <pattern id="over-plan" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--color-ink)" />
            <rect width="3" height="6" fill="var(--color-red)" />
          </pattern>
        </defs>
        {x.ticks(12).map((tick) => (
          <g key={tick.getTime()} transform={`translate(${x(tick)} 0)`}>
            <line y1={20} y2={height} stroke="var(--color-line)" />
            <text y={12} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
              {format(tick, 'HH:mm')}
            </text>
          </g>
        ))}
        {lanes.map(({ row, spells }, i) => (
          // biome-ignore lint/a11y/useSemanticElements: a button cannot stand inside a drawing
          <g
            key={row.id}
            transform={`translate(0 ${24 + i * (LANE + 6)})`}
            role="button"
            tabIndex={0}
            aria-pressed={row.id === opened}
            aria-label={`${row.name}: ${laneWords(row)}`}
            className="cursor-pointer outline-offset-2"
            onClick={() => onOpen(row.id)}
            onMouseMove={(e) => {
              const spell = spellUnder(e, spells, WIDTH, x.invert)
              setPointed(spell === null ? null : { name: row.name, spell })
            }}
            onMouseLeave={() => setPointed(null)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return
              e.preventDefault()
              onOpen(row.id)
            }}
          >
            <rect width={WIDTH} height={LANE + 4} fill={row.id === opened ? 'var(--color-green-wash)' : 'transparent'} />
            <text x={4} y={LANE / 2 + 6} fontSize="13" fontWeight={row.id === opened ? 700 : 400} fill="var(--color-ink)">
              {row.name}
            </text>
            <Lane spells={spells} reasons={reasons} x={x} height={LANE} />
          </g>
        ))}
      </svg>
    </figure>
  )
}

/** What it was, from when to when, how long, how much beyond its plan. */
export function stretchWords(spell: Spell, reasons: readonly Reason[]): string {
  const over = overPlan(spell, reasons)
  return `${spellWords(spell)}, ${format(spell.fromMs, 'HH:mm:ss')} to ${format(spell.toMs, 'HH:mm:ss')}, ${formatClock(spell.toMs - spell.fromMs)}${over > 0 ? `, ${formatClock(over)} over plan` : ''}`
}

const SHOWN = ['onCall', 'writing', 'wrapUp', 'ready', 'ringing', 'notReady', 'internalCall', 'listening'] as const

function Legend() {
  return (
    <ul className="flex flex-wrap gap-x-4 text-soft text-xs">
      {SHOWN.map((state) => (
        <li key={state} className="flex items-center gap-1">
          <svg aria-hidden width="14" height="14">
            <rect y={LOOKS[state].from * 14} width="14" height={(LOOKS[state].to - LOOKS[state].from) * 14} fill={LOOKS[state].fill} />
          </svg>
          {STATE_NAMES[state].toLowerCase()}
        </li>
      ))}
      <li className="flex items-center gap-1">
        <svg aria-hidden width="14" height="14">
          <rect y={8} width="14" height="6" fill="url(#over-plan)" />
        </svg>
        over plan
      </li>
    </ul>
  )
}

const laneWords = ({ sums, days }: AgentSessions): string =>
  `${days.flatMap((d) => d.sessions.map((s) => `${format(s.fromMs, 'HH:mm')} to ${format(s.toMs, 'HH:mm')}`)).join(', ')}; on call ${formatClock(sums.byState.onCall ?? 0)}, ready ${formatClock(sums.byState.ready ?? 0)}, not ready ${formatClock(sums.byState.notReady ?? 0)}`
