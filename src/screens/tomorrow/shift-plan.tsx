'use client'
import { sum } from 'd3-array'
import { addDays, parseISO } from 'date-fns'
import { useCallback, useEffect, useRef, useState } from 'react'
import { toCsv } from '@/core/csv'
import type { AgentId, QueueId } from '@/core/ids'
import { onShiftAt } from '@/core/sessions'
import { atWorkAt, type Need, QUARTERS } from '@/core/staffing'
import { MINUTE } from '@/core/time'
// Shifts for the day: laid over what it needs, with how much better a plan could be; kept, and set against the day as it came.
import { type KeptPlan, presentAt, quarterClock, useKeptPlan } from '@/parts/plans'
import { Button, Problem, SelectField, saveFile, TextField } from '@/parts/ui'
import { type Laying, layShiftsAside } from '@/screens/tomorrow/shifts/client'
import { floorNow } from '@/services/exchange/floor-time'
import { useSeen } from '@/services/exchange/react'
import { useHistory } from '@/services/history/react'
import { KINDS, kindWords } from './kinds'
import { ShiftChart } from './shift-chart'
import { ShiftNames } from './shift-names'

interface Props {
  readonly day: string
  readonly need: Pick<Need, 'apart' | 'together'> & { readonly byRules: readonly number[] | null }
  /** How many agents there are. */
  readonly agents: number
  /** How many calls of each queue are expected: by that shifts are given to those who can take them. */
  readonly traffic: readonly { readonly queueId: QueueId; readonly offered: readonly number[] }[]
}

/** As many as there are agents in a large centre; the program grows no larger by it. */
const MOST_AGENTS = 500

export function ShiftPlanner({ day, need, agents, traffic }: Props) {
  const [kept, keep] = useKeptPlan(day)
  const [laid, setLaid] = useState<KeptPlan | null>(null)
  const [laying, setLaying] = useState<Laying | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [agentsTyped, setAgentsTyped] = useState(String(agents))
  const [covers, setCovers] = useState<'together' | 'apart' | 'byRules'>('together')
  const [kinds, setKinds] = useState<readonly string[]>(KINDS.map((k) => k.name))
  const current = useRef<Laying | null>(null)
  useEffect(() => () => current.current?.cancel(), [])
  const came = useCame(day)
  const seats = useSeen((view) => view.seats)
  const nameOf = (id: AgentId) => seats?.find((a) => a.id === id)?.name ?? 'an account of before'
  const count = /^\d+$/.test(agentsTyped.trim()) ? Number(agentsTyped) : Number.NaN
  const isCount = count >= 1 && count <= MOST_AGENTS
  const plan = laid ?? kept

  const lay = async () => {
    setProblem(null)
    const wanted = (need[covers] ?? need.together).slice(0, QUARTERS)
    const next = layShiftsAside({ need: wanted, kinds: KINDS.filter((k) => kinds.includes(k.name)), agents: count, beginEvery: 2 })
    current.current = next
    setLaying(next)
    try {
      const answer = await next.answer
      if (answer === null) return
      const { shifts, cost, bound } = answer
      setLaid({ need: wanted, shifts: shifts.map(({ from, to, breaks }) => ({ from, to, breaks: [...breaks], agentId: null })), cost, bound })
    } catch (error) {
      setProblem(`The shifts could not be laid: ${error instanceof Error ? error.message : String(error)}. Nothing is lost; press Lay shifts again.`)
    } finally {
      if (current.current === next) setLaying(null)
    }
  }

  return (
    <section aria-label="Shifts" className="space-y-3">
      <div className="flex flex-wrap items-end gap-4">
        <h2 className="mr-2 pb-2 font-semibold">Shifts</h2>
        <TextField
          label="Agents there are"
          inputMode="numeric"
          className="w-36"
          value={agentsTyped}
          problem={isCount ? null : `A number from 1 to ${MOST_AGENTS}.`}
          onChange={(e) => setAgentsTyped(e.target.value)}
        />
        <SelectField
          label="Laid over"
          className="w-52"
          value={covers}
          onChange={(e) => setCovers(e.target.value === 'apart' || e.target.value === 'byRules' ? e.target.value : 'together')}
        >
          <option value="together">agents together</option>
          <option value="apart">agents apart</option>
          <option value="byRules" disabled={need.byRules === null}>
            {need.byRules === null ? 'agents by the rules (not played)' : 'agents by the rules'}
          </option>
        </SelectField>
        <fieldset className="flex flex-wrap gap-x-4 pb-2">
          <legend className="sr-only">Shifts there are</legend>
          {KINDS.map((k) => (
            <label key={k.name} className="flex cursor-pointer items-center gap-2" title={kindWords(k)}>
              <input
                type="checkbox"
                className="size-4 accent-green"
                checked={kinds.includes(k.name)}
                onChange={() => setKinds(kinds.includes(k.name) ? kinds.filter((n) => n !== k.name) : [...kinds, k.name])}
              />
              {k.name}
            </label>
          ))}
        </fieldset>
        {laying === null ? (
          <Button tone="primary" disabled={!isCount || kinds.length === 0} onClick={() => void lay()}>
            Lay shifts
          </Button>
        ) : (
          <Button onClick={() => laying.cancel()}>Call off</Button>
        )}
        {plan !== null && (
          <span className="ml-auto flex gap-2">
            {laid !== null && (
              <Button
                onClick={() => {
                  keep(laid)
                  setLaid(null)
                }}
              >
                Keep this plan
              </Button>
            )}
            {laid === null && kept !== null && (
              <Button tone="quiet" onClick={() => keep(null)}>
                Forget this plan
              </Button>
            )}
            <Button onClick={() => saveFile(`shifts-${day}.csv`, toShiftsCsv(plan, nameOf), 'text/csv')}>Save shifts as CSV</Button>
          </span>
        )}
      </div>
      {kinds.length === 0 && <p className="text-red">Tick at least one kind of shift.</p>}
      {problem !== null && <Problem>{problem}</Problem>}
      <p role="status" className={laying === null ? 'sr-only' : 'text-soft'}>
        {laying === null ? '' : 'Laying shifts…'}
      </p>
      {plan !== null && (
        <>
          <p>
            <span className="font-semibold">{laid === null ? 'Kept plan.' : 'Not kept yet.'}</span> {planWords(plan)}
            {came !== null && ` ${cameWords(plan, came)}`}
          </p>
          <ShiftChart plan={plan} came={came} nameOf={nameOf} />
          <ShiftNames key={laid === null ? 'kept' : 'laid'} plan={plan} traffic={traffic} onChange={laid === null ? keep : setLaid} />
        </>
      )}
      {plan === null && laying === null && (
        <p className="max-w-[80ch] text-soft">
          No plan is kept for this day. Shifts begin at the full and the half hour: {KINDS.map(kindWords).join('; ')}. First as few agents are missing as can
          be, then as few hours are worked.
        </p>
      )}
    </section>
  )
}

const hours = (quarters: number): string => `${(quarters / 4).toFixed(quarters % 4 === 0 ? 0 : 2)} h`

function planWords(plan: KeptPlan): string {
  const missing = sum(plan.need.map((n, q) => Math.max(0, n - atWorkAt(plan.shifts, q))))
  const over = sum(plan.need.map((n, q) => Math.max(0, atWorkAt(plan.shifts, q) - n)))
  const gap = plan.cost === 0 ? 0 : (plan.cost - plan.bound) / plan.cost
  const better = gap <= 0 ? 'No plan of these shifts is better.' : `No plan of these shifts is better by more than ${(gap * 100).toFixed(1)} %.`
  return `${plan.shifts.length} ${plan.shifts.length === 1 ? 'shift' : 'shifts'}, ${hours(sum(plan.shifts.map((s) => s.to - s.from)))}; ${missing === 0 ? 'nobody is missing' : `${hours(missing)} missing`}, ${hours(over)} more than needed. ${better}`
}

function cameWords(plan: KeptPlan, came: readonly number[]): string {
  const off = sum(came.map((n, q) => Math.abs(n - presentAt(plan, q))))
  return `On shift as it came: ${hours(sum(came))}, apart from the plan by ${hours(off)} in all.`
}

/** Who was on shift in the middle of each quarter, of a day that has begun; null before. */
function useCame(day: string): readonly number[] | null {
  const { value } = useHistory(
    useCallback(
      async (api) => {
        const fromMs = parseISO(day).getTime()
        const nowMs = floorNow()
        if (!(fromMs < nowMs)) return null
        const toMs = addDays(fromMs, 1).getTime()
        const rows = await api.sessions({ span: { fromMs, toMs }, days: [fromMs], only: null, nowMs })
        const sessions = rows.map((r) => r.days.flatMap((d) => d.sessions))
        return Array.from({ length: QUARTERS }, (_, q) => onShiftAt(sessions, fromMs + (q + 0.5) * 15 * MINUTE))
      },
      [day],
    ),
  )
  return value
}

/** A line for each shift: from, to, its breaks. */
function toShiftsCsv({ shifts }: KeptPlan, nameOf: (id: AgentId) => string): string {
  const most = Math.max(0, ...shifts.map((s) => s.breaks.length))
  const numbers = Array.from({ length: most }, (_, i) => i)
  return toCsv(
    ['from', 'to', 'agent', ...numbers.flatMap((i) => [`break ${i + 1} from`, `break ${i + 1} to`])],
    shifts.map((s) => [
      ...[quarterClock(s.from), quarterClock(s.to), s.agentId === null ? '' : nameOf(s.agentId)],
      ...numbers.flatMap((i) => [s.breaks[i], s.breaks[i]].map((b, end) => (b === undefined ? '' : quarterClock(end === 0 ? b.from : b.to)))),
    ]),
  )
}
