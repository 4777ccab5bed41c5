// What is asked about people who are to be forgotten, and what time forgets by itself. No tab sends it: whoever keeps the ledger has more to forget than the
// floor, and asks once that is noted.
import type { Whom } from '@/core/do-not-call'
import type { AgentId } from '@/core/ids'
import type { RETAINED } from '@/core/ledger'
import type { EpochMs } from '@/core/time'

export interface PrivacyCommand {
  readonly kind: 'forgetPerson'
  readonly agentId: AgentId
  /** Ids of pieces of work, records and promises. */
  readonly about: readonly string[]
  /** Entries of the do-not-call list that are theirs. */
  readonly listed: readonly Whom[]
}

/** As the set-up says. */
export interface RetentionCommand {
  readonly kind: 'forgetDetails'
  readonly what: (typeof RETAINED)[number]
  readonly beforeMs: EpochMs
}
