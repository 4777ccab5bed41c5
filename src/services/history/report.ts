// The figures of a span: whole blocks by their sums, those the span cuts through by their calls.
import type { AgentId } from '@/core/ids'
import type { TakenBack } from '@/core/ledger'
import type { Grouped, Measures, occupancy } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import type { CallsBlock, StatesBlock } from './columns'
import type { Sums } from './kept'
import { type Quarter, quartersOf, type SeriesPoint, toSeries } from './quarters'
import { occupancyOf, spellsOf } from './spells'
import { isOf, measuresOf, openBlock, type Rules, type Tallies, type Tally, tally } from './tally'

type Occupancy = ReturnType<typeof occupancy>

export interface Report {
  readonly all: Measures
  readonly occupancy: Occupancy
  readonly queues: readonly Grouped[]
  readonly agents: readonly (Grouped & Occupancy)[]
  /** Calls answered and abandoned per hour or per day of the span. */
  readonly series: readonly SeriesPoint[]
  /** Ends that were pressed and taken back within the grace: presses by mistake, for the centre's own improvement. */
  readonly takenBackCount: number
  /** Outcomes that were corrected after they had been saved. */
  readonly correctedCount: number
}

export interface Part {
  readonly calls: CallsBlock
  readonly states: StatesBlock
  /** Of the whole block, made where they are asked for; null of what changes from moment to moment. */
  readonly sums: (() => Sums) | null
}

export interface ReportAsked {
  readonly span: { readonly fromMs: number; readonly toMs: number }
  readonly nowMs: number
  readonly steps: readonly number[]
  readonly only: AgentId | null
  readonly rules: Rules
  /** The one in use first, then what past days knew besides: queues and agents by id, under the name they have now. */
  readonly setUps: readonly SetUp[]
  readonly takenBack: readonly TakenBack[]
  readonly corrected: readonly TakenBack[]
}

export function reportOf(parts: readonly Part[], { span, nowMs, steps, only, rules, setUps, takenBack, corrected }: ReportAsked): Report {
  const tallies = parts.map(({ calls, sums }) => (sums !== null && isWithin(calls.fromMs, calls.lastMs + 1, span) ? sums().tallies : tally(calls, span, rules)))
  const spells = parts.map(({ states, sums }) => (sums !== null && isWithin(states.fromMs, states.toMs, span) ? sums().spells : spellsOf(states, span)))
  const quarters = parts.map((part) => quartersIn(part, span, only))
  // Whoever is retired is shown for as long as there is something to show.
  const seenQueues = new Set(tallies.flatMap((t) => [...part(t, only).keys()]))
  const seenAgents = new Set(
    only === null ? tallies.flatMap((t) => [...t.seenAgents]) : tallies.flatMap((t) => [...t.agents.keys()].filter((id) => id === only)),
  )
  const queues = uniqueById(setUps.flatMap((s) => s.queues)).filter((q) => !q.retired || seenQueues.has(q.id))
  const agents = uniqueById(setUps.flatMap((s) => s.agents)).filter((a) => (a.role === 'agent' && !a.retired) || seenAgents.has(a.id))
  const isMeant = (id: AgentId) => only === null || id === only
  const isOfSpan = (t: TakenBack) => t.atMs >= span.fromMs && t.atMs < span.toMs && isMeant(t.byAgentId)
  return {
    all: measuresOf(
      all(tallies, (t) => part(t, only)),
      nowMs,
    ),
    occupancy: occupancyOf(spells, only),
    queues: queues.map(({ id, name }) => ({
      id,
      name,
      measures: measuresOf(
        tallies.flatMap((t) => part(t, only).get(id) ?? []),
        nowMs,
      ),
    })),
    agents: agents.map(({ id, name }) => ({
      id,
      name,
      measures: measuresOf(
        all(isMeant(id) ? tallies : [], (t) => t.agents.get(id) ?? NOTHING),
        nowMs,
      ),
      ...occupancyOf(isMeant(id) ? spells : [], id),
    })),
    series: toSeries(quarters.flat(), steps),
    takenBackCount: takenBack.filter(isOfSpan).length,
    correctedCount: corrected.filter(isOfSpan).length,
  }
}

const NOTHING: ReadonlyMap<string, Tally> = new Map()

/** By queue: of everybody, or what one agent had of it. */
const part = (t: Tallies, only: AgentId | null) => (only === null ? t.queues : (t.agents.get(only) ?? NOTHING))

const all = (tallies: readonly Tallies[], of: (t: Tallies) => ReadonlyMap<string, Tally>): Tally[] => tallies.flatMap((t) => [...of(t).values()])

const isWithin = (fromMs: number, toMs: number, span: ReportAsked['span']): boolean => fromMs >= span.fromMs && toMs <= span.toMs

function quartersIn({ calls, sums }: Part, span: ReportAsked['span'], only: AgentId | null): readonly Quarter[] {
  if (only !== null) {
    const open = openBlock(calls)
    return quartersOf(calls, span, (row) => isOf(calls, row, only, open))
  }
  return sums !== null && isWithin(calls.fromMs, calls.lastMs + 1, span) ? sums().quarters : quartersOf(calls, span)
}

const uniqueById = <T extends { readonly id: string }>(items: readonly T[]): readonly T[] =>
  [...new Map(items.toReversed().map((i) => [i.id, i])).values()].reverse()

export type { SeriesPoint }
