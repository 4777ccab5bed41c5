// How long agents were in each state in a span, from blocks of spells: sums that can be added up.
import type { AgentId } from '@/core/ids'
import { occupancy } from '@/core/reports'
import { listWords, placeAt, type StatesBlock, valueAt } from './columns'
import type { Asked } from './tally'

/** Milliseconds by agent and state. */
export type Spells = ReadonlyMap<string, ReadonlyMap<string, number>>

/** Cut at both ends of the span: an hour is an hour, whatever began before it. */
export function spellsOf(block: StatesBlock, { fromMs, toMs }: Asked): Spells {
  const [agents, states] = [listWords(block.agentId), listWords(block.state)]
  const sums = agents.map(() => new Map<string, number>())
  for (let row = 0; row < block.count; row++) {
    const began = valueAt(block.beganAtMs, row)
    const ms = Math.min(began + valueAt(block.lastedMs, row), toMs) - Math.max(began, fromMs)
    if (ms <= 0) continue
    const sum = sums[placeAt(block.agentId, row) ?? 0] as Map<string, number>
    const state = states[placeAt(block.state, row) ?? 0] as string
    sum.set(state, (sum.get(state) ?? 0) + ms)
  }
  return new Map(agents.map((id, i) => [id, sums[i] as Map<string, number>]))
}

/** Of one agent, or of all of them together. */
export function occupancyOf(spells: readonly Spells[], of: AgentId | null): ReturnType<typeof occupancy> {
  const total = new Map<string, number>()
  for (const blocks of spells)
    for (const [agentId, sums] of blocks) if (of === null || agentId === of) for (const [state, ms] of sums) total.set(state, (total.get(state) ?? 0) + ms)
  return occupancy([...total].map(([state, toMs]) => ({ state, fromMs: 0, toMs })))
}
