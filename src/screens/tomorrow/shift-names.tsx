'use client'
// Whose each shift is: given out by skills, or by hand.
import { giveOut } from '@/core/coming-day'
import { type AgentId, AgentIdSchema, type QueueId } from '@/core/ids'
import { type KeptPlan, quarterClock } from '@/parts/plans'
import { Button, Problem } from '@/parts/ui'
import { useAllSeen, useSetUpInUse } from '@/services/exchange/react'

interface Props {
  readonly plan: KeptPlan
  readonly traffic: readonly { readonly queueId: QueueId; readonly offered: readonly number[] }[]
  readonly onChange: (plan: KeptPlan) => void
}

export function ShiftNames({ plan, traffic, onChange }: Props) {
  const seen = useAllSeen((view) => ({ seats: view.seats, revision: view.centre.revision }))
  const inUse = useSetUpInUse(seen?.revision ?? 0)
  if (seen === null) return null
  const agents = seen.seats.filter((a) => a.queueIds.length > 0)
  const named = plan.shifts.filter((s) => s.agentId !== null).length
  const rename = (given: readonly (AgentId | null)[]) => onChange({ ...plan, shifts: plan.shifts.map((s, i) => ({ ...s, agentId: given[i] ?? null })) })
  const twice = agents.filter((a) => overlaps(plan, a.id))
  return (
    <section aria-label="Who works which shift" className="space-y-2">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="font-semibold">Who works which shift</h3>
        <span className="text-soft">{named === plan.shifts.length ? 'Every shift has somebody.' : `${named} of ${plan.shifts.length} have somebody.`}</span>
        <Button disabled={inUse === null || named === plan.shifts.length} onClick={() => inUse !== null && rename(giveOut(inUse.setUp, plan.shifts, traffic))}>
          Give out the rest
        </Button>
        {named > 0 && (
          <Button tone="quiet" onClick={() => rename(plan.shifts.map(() => null))}>
            Take all back
          </Button>
        )}
      </div>
      {twice.length > 0 && (
        <Problem>
          {twice.map((a) => a.name).join(' and ')} {twice.length === 1 ? 'has' : 'have'} shifts that overlap. Give one of them to somebody else.
        </Problem>
      )}
      <ul className="grid gap-x-6 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">
        {plan.shifts.map((s, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two shifts may be the same in everything
          <li key={i} className="flex items-center gap-3">
            <span className="tabular w-36 shrink-0">
              {quarterClock(s.from)} to {quarterClock(s.to)}
            </span>
            <select
              aria-label={`Shift ${i + 1}, ${quarterClock(s.from)} to ${quarterClock(s.to)}`}
              className="min-w-0 flex-1 rounded border border-line-strong bg-raised px-2 py-1"
              value={s.agentId ?? ''}
              onChange={(e) => {
                const chosen = AgentIdSchema.safeParse(e.target.value)
                rename(plan.shifts.map((t, n) => (n === i ? (chosen.success && e.target.value !== '' ? chosen.data : null) : t.agentId)))
              }}
            >
              <option value="">nobody yet</option>
              {agents.map((a) => (
                <option key={a.id} value={a.id}>
                  {a.name}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </section>
  )
}

function overlaps({ shifts }: KeptPlan, id: AgentId): boolean {
  const own = shifts.filter((s) => s.agentId === id)
  return own.some((s, i) => own.some((t, n) => n > i && s.from < t.to && t.from < s.to))
}
