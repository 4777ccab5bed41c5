// What figures are reckoned by: the queues' service levels and what speaks against a code, as the set-up in use has them.
import type { QueueId } from '@/core/ids'
import { doubtOf, type OutcomeCode } from '@/core/outcomes'
import { DEFAULT_SERVICE_LEVEL_MS } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import type { Rules } from './tally'

/** Of the set-up in use first, then of those that know what it no longer does. */
export function rulesOf([inUse, ...others]: readonly [SetUp, ...SetUp[]]): Rules {
  const queueOf = new Map([...others.toReversed(), inUse].flatMap((s) => s.queues).map((q) => [q.id, q]))
  const codes = new Map(inUse.outcomeSets.map((set) => [set.id as string, new Map(set.codes.map((c) => [c.code, c]))]))
  const codeOf = (queueId: QueueId | null, code: string): OutcomeCode | undefined =>
    codes.get((queueId === null ? undefined : queueOf.get(queueId)?.outcomeSetId) ?? inUse.outsideOutcomeSetId)?.get(code)
  return {
    key: JSON.stringify([
      [...queueOf.values()].map((q) => [q.id, q.serviceLevelMs, q.outcomeSetId]),
      inUse.outsideOutcomeSetId,
      inUse.outcomeSets.map((set) => [set.id, set.codes.map((c) => [c.code, c.doubts.map((d) => d.when)])]),
    ]),
    serviceLevelMs: (queueId) => (queueId === null ? undefined : queueOf.get(queueId)?.serviceLevelMs) ?? DEFAULT_SERVICE_LEVEL_MS,
    mayDisagree: (queueId, code) => (codeOf(queueId, code)?.doubts.length ?? 0) > 0,
    disagrees({ queueId, customer, outcome, answers }) {
      const code = outcome === null ? undefined : codeOf(queueId, outcome)
      return code !== undefined && doubtOf(code, { 'caller.known': customer !== null, 'caller.name': customer, ...answers }) !== null
    },
  }
}
