// Which calls are looked at for a review: by a rule, and of those by chance, so that nobody picks the ones they like.
import type { AgentId } from '@/core/ids'

export const SAMPLE_RULES = ['any', 'leastReviewed', 'recorded', 'longest', 'handedOn'] as const
export type SampleRule = (typeof SAMPLE_RULES)[number]

/** What a rule looks at of a call. */
export interface SampledCall {
  readonly callId: string
  readonly outcome: string | null
  readonly agents: readonly { readonly agentId: AgentId; readonly talkMs: number; readonly holdMs: number; readonly role: string }[]
  readonly recordings: readonly string[]
  readonly transfers: readonly unknown[]
}

/** Of the longest, one in so many. */
const LONGEST_SHARE = 10

/**
 * Coded calls that nobody has reviewed and the rule means. `leastReviewed`: of agents with the fewest reviews among those who had any of the calls; `longest`: the
 * tenth of them that were talked on longest, holds included, at least one.
 */
export function sampleBy<C extends SampledCall>(
  rule: SampleRule,
  calls: readonly C[],
  reviews: readonly { readonly callId: string; readonly agentId: AgentId }[],
): readonly C[] {
  const reviewed = new Set(reviews.map((r) => r.callId))
  const open = calls.filter((c) => c.outcome !== null && c.agents.length > 0 && !reviewed.has(c.callId))
  switch (rule) {
    case 'any':
      return open
    case 'recorded':
      return open.filter((c) => c.recordings.length > 0)
    case 'handedOn':
      return open.filter((c) => c.transfers.length > 0)
    case 'longest': {
      const talk = (c: C) => c.agents.reduce((sum, a) => sum + a.talkMs + a.holdMs, 0)
      return open.toSorted((a, b) => talk(b) - talk(a)).slice(0, Math.ceil(open.length / LONGEST_SHARE))
    }
    case 'leastReviewed': {
      const count = (id: AgentId) => reviews.filter((r) => r.agentId === id).length
      const fewest = Math.min(...open.flatMap((c) => c.agents.map((a) => count(a.agentId))))
      return open.filter((c) => c.agents.some((a) => count(a.agentId) === fewest))
    }
  }
}
