// Where the rules themselves need other agents than the formula, and what makes the difference.
import { sum } from 'd3-array'
import type { NeededFound, Spread } from '@/core/coming-day'
import type { QueueId } from '@/core/ids'
import type { Need } from '@/core/staffing'
import { quarterClock } from '@/parts/plans'
import type { Reasons } from '@/screens/tomorrow/day-ahead/client'

interface Props {
  readonly found: NeededFound
  readonly need: Pick<Need, 'together' | 'apart'>
  readonly reasons: Reasons | null
  readonly nameOf: (id: QueueId) => string
}

export function ByRulesWords({ found, need, reasons, nameOf }: Props) {
  const hours = (agents: readonly number[]) => `${Math.round(sum(agents) / 4)} h`
  const apart = stretchesOf(found.agents.map((n, q) => n - (need.together[q] ?? 0)))
  const worst = found.byQueue.filter((q) => q.inTime !== null).toSorted((a, b) => (a.inTime ?? 1) - (b.inTime ?? 1))[0]
  return (
    <div className="max-w-[85ch] space-y-2">
      <p>
        By the rules themselves {hours(found.agents)} of agents are needed: by Erlang A {hours(need.together)} together, {hours(need.apart)} apart.{' '}
        {apart.length === 0 ? 'Nowhere do the rules and Erlang A together differ by two agents or more.' : `Apart from Erlang A together ${listed(apart)}.`}
        {worst !== undefined && ` With them, ${percent(worst.inTime)} of the calls of ${nameOf(worst.queueId)} are answered in time, the fewest of any queue.`}
      </p>
      {found.short.length > 0 && (
        <p className="text-red">
          Everybody there is would be too few at {found.short.slice(0, 6).map(quarterClock).join(', ')}
          {found.short.length > 6 ? ` and ${found.short.length - 6} more quarters of an hour` : ''}.
        </p>
      )}
      {reasons !== null && reasons.asItIs !== null && (
        <p>
          Why: with the agents Erlang A asks for together, {percent(reasons.asItIs.mean)} are answered in time.{' '}
          {because('If everybody took every queue', reasons.allTakeAll)}
          {because('if nobody else were asked when it takes long', reasons.withoutOverflow)}
          {because('if calls were put through without ringing', reasons.withoutRinging, true)}
        </p>
      )}
    </div>
  )
}

const percent = (share: number | null): string => (share === null ? 'none' : `${Math.round(share * 100)} %`)

const because = (says: string, spread: Spread | null, isLast = false): string =>
  spread === null ? '' : `${says}: ${percent(spread.mean)}${isLast ? '.' : '; '}`

interface Stretch {
  readonly from: number
  readonly to: number
  readonly more: number
}

/** Runs of quarters in which the two differ by two agents or more to the same side; by the most of it. */
function stretchesOf(differences: readonly number[]): readonly Stretch[] {
  const found: Stretch[] = []
  for (const [q, more] of differences.entries()) {
    if (Math.abs(more) < 2) continue
    const last = found.at(-1)
    if (last !== undefined && last.to === q && Math.sign(last.more) === Math.sign(more))
      found[found.length - 1] = { ...last, to: q + 1, more: Math.abs(more) > Math.abs(last.more) ? more : last.more }
    else found.push({ from: q, to: q + 1, more })
  }
  return found
}

const listed = (stretches: readonly Stretch[]): string =>
  stretches
    .slice(0, 5)
    .map(({ from, to, more }) => `by ${Math.abs(more)} ${more > 0 ? 'more' : 'fewer'} from ${quarterClock(from)} to ${quarterClock(to)}`)
    .join(', ') + (stretches.length > 5 ? ` and ${stretches.length - 5} more times` : '')
