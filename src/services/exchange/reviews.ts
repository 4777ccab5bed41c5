// Reviews as they are shown: to those who answer for the floor all of them, to everybody else those about them.
import type { AgentId } from '@/core/ids'
import { type Review, scoreOf } from '@/core/reviews'
import { unentitled } from '@/core/rules/rights'
import { type FloorState, revisionOf } from '@/core/state'
import { values } from '@/core/table'

export interface ReviewsPart {
  /** Changes with every change of one. */
  readonly revision: number
  /** About this account, and not answered. */
  readonly toAnswer: number
}

export interface ReviewView extends Review {
  /** 0 to 1. */
  readonly score: number | null
}

export function createReviewsPart(state: FloorState): (accountId: AgentId) => ReviewsPart {
  let revision = -1
  let toAnswer: ReadonlyMap<AgentId, number> = new Map()
  return (accountId) => {
    const now = revisionOf(state, 'reviews')
    // Counted once for all tabs, and only when one has changed.
    if (now !== revision) toAnswer = countOpen(state)
    revision = now
    return { revision: now, toAnswer: toAnswer.get(accountId) ?? 0 }
  }
}

function countOpen(state: FloorState): ReadonlyMap<AgentId, number> {
  const counts = new Map<AgentId, number>()
  for (const { agentId, answer } of state.reviews.values()) if (answer === null) counts.set(agentId, (counts.get(agentId) ?? 0) + 1)
  return counts
}

/** The latest first; of one call, or of all. */
export const reviewsFor = (state: FloorState, accountId: AgentId, callId: string | null): readonly ReviewView[] => {
  const all = unentitled(state, accountId, 'supervision') === null
  return values(state.reviews)
    .filter((r) => (callId === null || r.callId === callId) && (all || r.agentId === accountId))
    .toSorted((a, b) => b.madeAtMs - a.madeAtMs)
    .map((r) => ({ ...r, score: scoreOf(r.sheet, r.answers).ratio }))
}
