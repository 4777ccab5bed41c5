// Spells of agents' states in columns.

import { toAgentId } from '@/core/ids'
import type { AgentInterval } from '@/core/ledger'
import { type Numbers, packNumbers, valueAt } from './numbers'
import { packWords, type Words, wordAt } from './texts'

export interface StatesBlock {
  readonly count: number
  /** From the first beginning to the last end; 0 without spells. */
  readonly fromMs: number
  readonly toMs: number
  readonly agentId: Words
  readonly agent: Words
  readonly state: Words
  readonly reason: Words
  readonly beganAtMs: Numbers
  readonly lastedMs: Numbers
}

export function packStates(intervals: readonly AgentInterval[]): StatesBlock {
  let [fromMs, toMs] = [Infinity, 0]
  for (const i of intervals) {
    fromMs = Math.min(fromMs, i.fromMs)
    toMs = Math.max(toMs, i.toMs)
  }
  return {
    count: intervals.length,
    fromMs: intervals.length === 0 ? 0 : fromMs,
    toMs,
    agentId: packWords(intervals.map((i) => i.agentId)),
    agent: packWords(intervals.map((i) => i.agent)),
    state: packWords(intervals.map((i) => i.state)),
    reason: packWords(intervals.map((i) => i.reason)),
    beganAtMs: packNumbers(intervals.map((i) => i.fromMs)),
    lastedMs: packNumbers(intervals.map((i) => i.toMs - i.fromMs)),
  }
}

export function stateAt(block: StatesBlock, row: number): AgentInterval {
  const fromMs = valueAt(block.beganAtMs, row)
  return {
    agentId: toAgentId(wordAt(block.agentId, row) ?? ''),
    agent: wordAt(block.agent, row) ?? '',
    state: wordAt(block.state, row) as AgentInterval['state'],
    reason: wordAt(block.reason, row),
    fromMs,
    toMs: fromMs + valueAt(block.lastedMs, row),
  }
}
