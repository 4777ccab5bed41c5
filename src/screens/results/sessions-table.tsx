'use client'
// Time of each agent: on shift, in each state, unpaid, and beyond the plan of reasons; several days open to a line for each.
import clsx from 'clsx'
import { format } from 'date-fns'
import { useState } from 'react'
import type { AgentId } from '@/core/ids'
import type { Spell, TimeSums } from '@/core/sessions'
import type { Reason } from '@/core/set-up'
import { formatClock } from '@/core/time'
import { type Column, Table } from '@/parts/ui'
import type { AgentSessions } from '@/services/history/client'
import { NotThere, type PlannedShift, planColumns } from './planned'

interface Props {
  readonly rows: readonly AgentSessions[]
  readonly reasons: readonly Reason[]
  readonly onOpenDay: (id: AgentId, fromMs: number) => void
  /** Whose shifts were planned, on the one day that is shown; none where no plan is kept, or more days are shown. */
  readonly planned: readonly PlannedShift[]
  readonly nowMs: number
}

const time = (ms: number | undefined) => <span className={clsx('whitespace-nowrap tabular', !ms && 'text-soft')}>{ms ? formatClock(ms) : '0:00'}</span>

const COLUMNS: readonly (readonly [string, (sums: TimeSums) => number])[] = [
  ['On shift', (s) => s.onShiftMs],
  ['On call', (s) => of(s, 'onCall') + of(s, 'dialling')],
  ['Writing', (s) => of(s, 'writing')],
  ['Wrap-up', (s) => of(s, 'wrapUp')],
  ['Ready', (s) => of(s, 'ready') + of(s, 'ringing')],
  ['Internal', (s) => of(s, 'internalCall') + of(s, 'listening')],
  ['Not ready', (s) => of(s, 'notReady')],
  ['Unpaid', (s) => s.unpaidMs],
  ['Over plan', (s) => s.overPlanMs],
]
const of = (sums: TimeSums, state: Spell['state']): number => sums.byState[state] ?? 0

export function SessionsTable({ rows, reasons, onOpenDay, planned, nowMs }: Props) {
  const [opened, setOpened] = useState<AgentId | null>(null)
  const many = rows.some((r) => r.days.length > 1)
  const columns: readonly Column<AgentSessions>[] = [
    {
      id: 'name',
      heading: 'Agent',
      isName: true,
      sortBy: (r) => r.name,
      cell: (r) =>
        many ? (
          <button
            type="button"
            aria-expanded={opened === r.id}
            onClick={() => setOpened(opened === r.id ? null : r.id)}
            className="underline decoration-dotted underline-offset-2"
          >
            {r.name}
          </button>
        ) : (
          r.name
        ),
    },
    {
      id: 'sessions',
      heading: many ? 'Days' : 'Sessions',
      align: 'right' as const,
      cell: (r) => <span className="whitespace-nowrap tabular">{many ? r.days.length : r.days.flatMap((d) => d.sessions.map(sessionWords)).join(', ')}</span>,
    },
    ...(planned.length === 0 ? [] : planColumns(planned, nowMs)),
    ...COLUMNS.map(
      ([heading, value]): Column<AgentSessions> => ({ id: heading, heading, align: 'right', sortBy: (r) => value(r.sums), cell: (r) => time(value(r.sums)) }),
    ),
  ]
  const all = total(rows)
  return (
    <section aria-label="Time of agents">
      <Table
        label="Time of agents"
        columns={columns}
        rows={rows}
        keyOf={(r) => r.id}
        fixed={false}
        below={(r) => (opened === r.id ? <DaysOf agent={r} onOpenDay={onOpenDay} /> : null)}
      />
      <p className="mt-2 text-soft">
        Together <strong className="text-ink tabular">{formatClock(all.onShiftMs)}</strong> on shift, of it{' '}
        <strong className="text-ink tabular">{formatClock(all.unpaidMs)}</strong> unpaid. Not ready:{' '}
        {Object.entries(all.byReason)
          .toSorted(([, a], [, b]) => b - a)
          .map(([reason, ms]) => `${reason} ${formatClock(ms)}${reasons.find((r) => r.name === reason)?.paid === false ? ' (unpaid)' : ''}`)
          .join(', ') || 'nobody'}
        .
      </p>
      <NotThere planned={planned} rows={rows} nowMs={nowMs} />
    </section>
  )
}

const sessionWords = (s: { readonly fromMs: number; readonly toMs: number }): string => `${format(s.fromMs, 'HH:mm')} to ${format(s.toMs, 'HH:mm')}`

function DaysOf({ agent, onOpenDay }: { agent: AgentSessions; onOpenDay: Props['onOpenDay'] }) {
  return (
    <ul className="ml-4">
      {agent.days.map((d) => (
        <li key={d.fromMs} className="flex flex-wrap items-baseline gap-4 py-0.5">
          <button type="button" className="w-28 text-left underline underline-offset-2" onClick={() => onOpenDay(agent.id, d.fromMs)}>
            {format(d.fromMs, 'EEE d MMM')}
          </button>
          <span className="w-60 tabular">{d.sessions.map(sessionWords).join(', ')}</span>
          <span>on shift {formatClock(d.sums.onShiftMs)}</span>
          <span>on call {formatClock(of(d.sums, 'onCall'))}</span>
          <span>not ready {formatClock(of(d.sums, 'notReady'))}</span>
          {d.sums.overPlanCount > 0 && <span className="text-red">over plan {formatClock(d.sums.overPlanMs)}</span>}
        </li>
      ))}
    </ul>
  )
}

function total(rows: readonly AgentSessions[]) {
  const byReason: Record<string, number> = {}
  let [onShiftMs, unpaidMs] = [0, 0]
  for (const { sums } of rows) {
    onShiftMs += sums.onShiftMs
    unpaidMs += sums.unpaidMs
    for (const [reason, ms] of Object.entries(sums.byReason)) byReason[reason] = (byReason[reason] ?? 0) + ms
  }
  return { onShiftMs, unpaidMs, byReason }
}
