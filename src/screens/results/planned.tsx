// A day's sessions against the plan of shifts that is kept for it.
import { addMinutes, format, parseISO } from 'date-fns'
import type { AgentId } from '@/core/ids'
import { againstPlan } from '@/core/sessions'
import { formatClock, MINUTE } from '@/core/time'
import type { KeptPlan } from '@/parts/plans'
import type { Column } from '@/parts/ui'
import { useSeen } from '@/services/exchange/react'
import type { AgentSessions } from '@/services/history/client'

export interface PlannedShift {
  readonly agentId: AgentId
  readonly fromMs: number
  readonly toMs: number
}

/** The shifts that are somebody's. */
export function plannedShifts(plan: KeptPlan | null, day: string): readonly PlannedShift[] {
  const at = (quarter: number) => addMinutes(parseISO(day), quarter * 15).getTime()
  return (plan?.shifts ?? []).flatMap((s) => (s.agentId === null ? [] : [{ agentId: s.agentId, fromMs: at(s.from), toMs: at(s.to) }]))
}

const spanWords = (s: PlannedShift): string => `${format(s.fromMs, 'HH:mm')} to ${format(s.toMs, 'HH:mm')}`

export function planColumns(planned: readonly PlannedShift[], nowMs: number): readonly Column<AgentSessions>[] {
  const own = (row: AgentSessions) => planned.filter((p) => p.agentId === row.id)
  const sessions = (row: AgentSessions) => row.days.flatMap((d) => d.sessions)
  const late = (row: AgentSessions) => own(row).reduce((sum, p) => sum + (againstPlan(p, sessions(row), nowMs).lateMs ?? 0), 0)
  const missed = (row: AgentSessions) => own(row).reduce((sum, p) => sum + againstPlan(p, sessions(row), nowMs).missedMs, 0)
  const off = (row: AgentSessions, ms: number) =>
    own(row).length === 0 ? (
      <span className="text-soft">–</span>
    ) : (
      <span className={ms >= MINUTE ? 'text-red tabular' : 'text-soft tabular'}>{formatClock(ms)}</span>
    )
  return [
    {
      id: 'planned',
      heading: 'Planned',
      align: 'right' as const,
      sortBy: (r) => own(r)[0]?.fromMs ?? null,
      cell: (r) => <span className="whitespace-nowrap tabular">{own(r).map(spanWords).join(', ') || 'no shift'}</span>,
    },
    { id: 'late', heading: 'Late', align: 'right', sortBy: late, cell: (r) => off(r, late(r)) },
    { id: 'missed', heading: 'Of it missed', align: 'right', sortBy: missed, cell: (r) => off(r, missed(r)) },
  ]
}

/** Who had a shift that has begun and was not on shift at all that day: the table has no row for them. */
export function NotThere({ planned, rows, nowMs }: { planned: readonly PlannedShift[]; rows: readonly AgentSessions[]; nowMs: number }) {
  const absent = planned.filter((p) => p.fromMs <= nowMs && !rows.some((r) => r.id === p.agentId))
  if (absent.length === 0) return null
  return (
    <p className="mt-1 text-red">
      Planned and not there: {absent.length} {absent.length === 1 ? 'shift' : 'shifts'}, <NamesOf ids={absent.map((p) => p.agentId)} />.
    </p>
  )
}

function NamesOf({ ids }: { ids: readonly AgentId[] }) {
  const seats = useSeen((view) => view.seats) ?? []
  return <>{ids.map((id) => seats.find((s) => s.id === id)?.name ?? 'an account of before').join(', ')}</>
}
