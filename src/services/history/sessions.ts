// Agents' states of a span from the blocks: for a day spell by spell, with the calls they were about; for more days what they add up to, day by day.
import { type AgentId, deviceOfAgent } from '@/core/ids'
import type { CallRecord, LedgerEntry } from '@/core/ledger'
import { type Spell, sessionsOf, type TimeSums, timeSums } from '@/core/sessions'
import type { Reason } from '@/core/set-up'
import { DAY } from '@/core/time'
import { recordAt, stateAt } from './columns'
import { type Names, named } from './names'
import type { Part } from './report'
import { openBlock, rowsIn } from './tally'

export interface SessionsAsked {
  readonly span: { readonly fromMs: number; readonly toMs: number }
  readonly only: AgentId | null
  /** Where each day begins, ascending. */
  readonly days: readonly number[]
}

export interface AgentSessions {
  readonly id: AgentId
  readonly name: string
  /** Of the whole span. */
  readonly sums: TimeSums
  readonly days: readonly {
    readonly fromMs: number
    readonly sessions: readonly { readonly fromMs: number; readonly toMs: number }[]
    readonly sums: TimeSums
    /** Spell by spell where one day was asked for; none otherwise. */
    readonly spells: readonly Spell[]
  }[]
}

/** By name. Whoever was not on shift is left out. A spell over midnight is cut there. */
export function sessionsIn(parts: readonly Part[], { span, only, days }: SessionsAsked, names: Names, reasons: readonly Reason[]): readonly AgentSessions[] {
  const byAgent = new Map<AgentId, { name: string; spells: Spell[] }>()
  for (const { states } of parts)
    for (let row = 0; row < states.count; row++) {
      const { agentId, agent, state, reason, fromMs, toMs } = stateAt(states, row)
      if ((only !== null && agentId !== only) || toMs <= span.fromMs || fromMs >= span.toMs) continue
      const found = byAgent.get(agentId) ?? { name: names.agent(agentId, agent) ?? agent, spells: [] }
      byAgent.set(agentId, found)
      found.spells.push({ state, reason, fromMs: Math.max(fromMs, span.fromMs), toMs: Math.min(toMs, span.toMs) })
    }
  return [...byAgent]
    .map(([id, { name, spells }]) => ({
      id,
      name,
      sums: timeSums(spells, reasons),
      days: days.flatMap((fromMs, i) => {
        const own = cut(spells, fromMs, days[i + 1] ?? span.toMs)
        if (own.length === 0) return []
        const sessions = sessionsOf(own)
        return [
          {
            fromMs,
            sums: timeSums(own, reasons),
            sessions: sessions.map((s) => ({ fromMs: s.fromMs, toMs: s.toMs })),
            spells: days.length === 1 ? sessions.flatMap((s) => s.spells) : [],
          },
        ]
      }),
    }))
    .toSorted((a, b) => a.name.localeCompare(b.name))
}

const cut = (spells: readonly Spell[], fromMs: number, toMs: number): readonly Spell[] =>
  spells.flatMap((s) => (s.toMs > fromMs && s.fromMs < toMs ? [{ ...s, fromMs: Math.max(s.fromMs, fromMs), toMs: Math.min(s.toMs, toMs) }] : []))

/** What an agent had of a call. */
export interface CallOfDay extends Pick<CallRecord, 'callId' | 'customer' | 'number' | 'queue' | 'queueId' | 'campaignId' | 'direction' | 'outcome'> {
  readonly role: CallRecord['agents'][number]['role']
  readonly fromMs: number
  readonly toMs: number
}

/** Calls an agent had a part in during a span, in order. */
export function callsOfDay(parts: readonly Part[], span: SessionsAsked['span'], agentId: AgentId, names: Names): readonly CallOfDay[] {
  const found: CallOfDay[] = []
  for (const { calls } of parts) {
    const open = openBlock(calls)
    const [from, to] = rowsIn(calls, { fromMs: span.fromMs - BEFORE_MS, toMs: span.toMs })
    for (let row = from; row < to; row++) {
      if (!open.isOn(agentId, row)) continue
      const { callId, customer, number, queue, queueId, campaignId, direction, outcome, agents } = named(recordAt(calls, row), names)
      const leg = agents.find((l) => l.agentId === agentId)
      if (leg === undefined || leg.toMs <= span.fromMs || leg.fromMs >= span.toMs) continue
      found.push({ callId, customer, number, queue, queueId, campaignId, direction, outcome, role: leg.role, fromMs: leg.fromMs, toMs: leg.toMs })
    }
  }
  return found.toSorted((a, b) => a.fromMs - b.fromMs)
}

/** A call that came in before the span may have been had in it: a message of the night is heard in the morning. */
const BEFORE_MS = DAY

/** Whether an event is about an agent: their own, done by them, or at their end of a call. */
export function isAbout({ event }: Pick<LedgerEntry, 'event'>, agentId: AgentId): boolean {
  const {
    agentId: own,
    byAgentId,
    toAgentId,
    deviceId,
  } = event as { readonly agentId?: string; readonly byAgentId?: string; readonly toAgentId?: string; readonly deviceId?: string }
  return own === agentId || byAgentId === agentId || toAgentId === agentId || deviceId === deviceOfAgent(agentId)
}
