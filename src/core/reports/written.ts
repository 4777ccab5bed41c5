// Figures of chats, mails and texts, per channel, as MEASURES.md has them.
import { mean, median, quantile } from 'd3-array'
import type { Written } from '@/core/channels'
import type { AgentId, QueueId } from '@/core/ids'
import type { WrittenRecord } from '@/core/ledger'
import type { EpochMs } from '@/core/time'

export interface WrittenMeasures {
  readonly offered: number
  /** Somebody of the centre has answered. */
  readonly answered: number
  readonly abandoned: number
  readonly underWay: number
  /** From the first words to the first answer, ms; null without any. */
  readonly firstResponseMs: { readonly mean: number; readonly median: number; readonly p90: number } | null
  /** First response within the queue's time ÷ offered; null when nothing was offered, or its time is not up yet for all. */
  readonly serviceLevelRatio: number | null
  /** The agents' shared clock per piece that was handled, ms; null without any. */
  readonly handleMs: number | null
  /** Sum of the pieces' open time ÷ time with at least one in hand, over agents; null without any. */
  readonly concurrency: number | null
  readonly uncoded: number
}

export interface WrittenOptions {
  readonly nowMs: EpochMs
  /** Within what time a queue is to answer; null where it says none. */
  readonly serviceLevelMs: (queueId: QueueId, channel: Written) => number | null
}

/** Pieces that somebody else began are offered; those an agent began count for handle time and concurrency only. */
export function measureWritten(records: readonly WrittenRecord[], { nowMs, serviceLevelMs }: WrittenOptions): WrittenMeasures {
  const offered = records.filter((r) => r.direction === 'inbound')
  const responses = offered.flatMap((r) => (r.firstResponseAtMs === null ? [] : [r.firstResponseAtMs - r.offeredAtMs]))
  const legs = records.flatMap((r) => r.agents)
  const judged = offered.flatMap((r) => {
    const within = serviceLevelMs(r.queueId, r.channel)
    if (within === null) return []
    const tookMs = (r.firstResponseAtMs ?? r.endedAtMs ?? nowMs) - r.offeredAtMs
    // Whoever still may be answered in time is not judged yet.
    if (r.firstResponseAtMs === null && r.endedAtMs === null && tookMs <= within) return []
    return [r.firstResponseAtMs !== null && tookMs <= within]
  })
  return {
    offered: offered.length,
    answered: responses.length,
    abandoned: offered.filter((r) => r.result === 'abandoned').length,
    underWay: records.filter((r) => r.result === 'underWay').length,
    firstResponseMs:
      responses.length === 0
        ? null
        : {
            mean: mean(responses) ?? 0,
            median: median(responses) ?? 0,
            p90:
              quantile(
                responses.toSorted((a, b) => a - b),
                0.9,
              ) ?? 0,
          },
    serviceLevelRatio: judged.length === 0 ? null : judged.filter(Boolean).length / judged.length,
    handleMs: legs.length === 0 ? null : legs.reduce((sum, l) => sum + l.handleMs, 0) / legs.length,
    concurrency: concurrencyOf(records),
    uncoded: records.filter((r) => r.result === 'handled' && r.outcome === null && r.calledAs === null && nowMs - (r.endedAtMs ?? nowMs) > UNCODED_AFTER_MS)
      .length,
  }
}

const UNCODED_AFTER_MS = 10 * 60_000

/** Of each agent, and then over all of them: how many were in hand while any was. */
export function concurrencyOf(records: readonly Pick<WrittenRecord, 'agents'>[]): number | null {
  const byAgent = new Map<AgentId, { readonly atMs: EpochMs; readonly by: 1 | -1 }[]>()
  for (const { agents } of records)
    for (const leg of agents) {
      const edges = byAgent.get(leg.agentId) ?? []
      // Kept by an earlier version, it is only known from when to when.
      for (const { fromMs, toMs } of leg.spells.length === 0 ? [leg] : leg.spells)
        if (toMs > fromMs) edges.push({ atMs: fromMs, by: 1 }, { atMs: toMs, by: -1 })
      byAgent.set(leg.agentId, edges)
    }
  let [openMs, busyMs] = [0, 0]
  for (const edges of byAgent.values()) {
    edges.sort((a, b) => a.atMs - b.atMs || a.by - b.by)
    let [count, sinceMs] = [0, 0]
    for (const { atMs, by } of edges) {
      openMs += count * (atMs - sinceMs)
      if (count > 0) busyMs += atMs - sinceMs
      count += by
      sinceMs = atMs
    }
  }
  return busyMs === 0 ? null : openMs / busyMs
}
