// The measures of campaigns in MEASURES.md, over attempts: how many, whom they reached, and what came of it, each rate of the one before. An empty
// denominator gives null, never 0 % and never 100 %.
import type { AttemptResult, Try } from '@/core/campaigns'

/** Sums that can be added up. */
export interface AttemptSums {
  readonly attempts: number
  /** Of those, how many are over. */
  readonly ended: number
  /** A person answered. */
  readonly live: number
  /** A person was put through to an agent. */
  readonly connected: number
  readonly rightParty: number
  readonly conversions: number
  /** A person answered and no agent was there in time. */
  readonly abandoned: number
  readonly machines: number
}

export interface AttemptMeasures extends AttemptSums {
  /** Live answers / attempts that ended. */
  readonly answerRatio: number | null
  /** Connected / live answers. */
  readonly connectedRatio: number | null
  /** Right-party contacts / connected. */
  readonly rightPartyRatio: number | null
  /** Conversions / right-party contacts. */
  readonly conversionRatio: number | null
  /** Abandoned / live answers (16 CFR 310.4(b)(4)). */
  readonly abandonedRatio: number | null
}

/** What an outcome code counts as. */
export interface CodeCounts {
  readonly rightParty: boolean
  readonly conversion: boolean
}

export const NO_ATTEMPTS: AttemptSums = { attempts: 0, ended: 0, live: 0, connected: 0, rightParty: 0, conversions: 0, abandoned: 0, machines: 0 }

const LIVE: ReadonlySet<AttemptResult> = new Set(['live', 'abandoned'])

/** With one attempt more; `counts` is what its code counts as, null without one. */
export function withAttempt(sums: AttemptSums, { result }: Pick<Try, 'result'>, counts: CodeCounts | null): AttemptSums {
  const connected = result === 'live'
  const one = (is: boolean) => (is ? 1 : 0)
  return {
    attempts: sums.attempts + 1,
    ended: sums.ended + one(result !== null),
    live: sums.live + one(result !== null && LIVE.has(result)),
    connected: sums.connected + one(connected),
    rightParty: sums.rightParty + one(connected && counts?.rightParty === true),
    conversions: sums.conversions + one(connected && counts?.conversion === true),
    abandoned: sums.abandoned + one(result === 'abandoned'),
    machines: sums.machines + one(result === 'machine'),
  }
}

export function measureAttempts(sums: AttemptSums): AttemptMeasures {
  const { ended, live, connected, rightParty, conversions, abandoned } = sums
  return {
    ...sums,
    answerRatio: ratio(live, ended),
    connectedRatio: ratio(connected, live),
    rightPartyRatio: ratio(rightParty, connected),
    conversionRatio: ratio(conversions, rightParty),
    abandonedRatio: ratio(abandoned, live),
  }
}

const ratio = (of: number, all: number): number | null => (all === 0 ? null : of / all)

/**
 * The abandoned share if those count whom the detector takes for machines and drops: `dropped` is the share of people it is known to drop, by its maker or a
 * test of one's own. Of `live` people taken live there were live / (1 - dropped) in all.
 */
export function abandonedWithDrops({ live, abandoned }: Pick<AttemptSums, 'live' | 'abandoned'>, dropped: number): number | null {
  if (live === 0) return null
  const all = live / (1 - dropped)
  return (abandoned + all - live) / all
}
