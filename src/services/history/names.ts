// Names as they are now. A block knows whom it speaks of by id, and keeps the names of its day for those whom no set-up knows any more.
import type { CallRecord } from '@/core/ledger'
import type { SetUp } from '@/core/set-up'

export interface Names {
  /** Of an id; what it was called then where nobody knows it now. */
  queue(id: string | null, then: string | null): string | null
  agent(id: string | null, then: string | null): string | null
}

/** Of the set-up in use first, then of those that know what it no longer does. */
export function namesOf(setUps: readonly SetUp[]): Names {
  const latest = (named: (setUp: SetUp) => readonly { readonly id: string; readonly name: string }[]) =>
    new Map(setUps.toReversed().flatMap((s) => named(s).map((n) => [n.id, n.name] as const)))
  const [queues, agents] = [latest((s) => s.queues), latest((s) => s.agents)]
  return {
    queue: (id, then) => (id === null ? then : (queues.get(id) ?? then)),
    agent: (id, then) => (id === null ? then : (agents.get(id) ?? then)),
  }
}

export const named = (record: CallRecord, names: Names): CallRecord => ({
  ...record,
  queue: names.queue(record.queueId, record.queue),
  agents: record.agents.map((leg) => ({ ...leg, agent: names.agent(leg.agentId, leg.agent) ?? leg.agent })),
  missedBy: record.missedBy.map((missed) => ({ ...missed, agent: names.agent(missed.agentId, missed.agent) ?? missed.agent })),
  sound: record.sound.map((s) => ({ ...s, agent: names.agent(s.agentId, s.agent) ?? s.agent })),
  outcomeBy: names.agent(record.outcomeById, record.outcomeBy),
})
