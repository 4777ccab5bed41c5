// The measures of MEASURES.md over call records and agent intervals. An empty denominator gives null, which
// screens read as "no calls": never 0 % and never 100 %.
import { mean, quantileSorted } from 'd3-array'
import type { AgentId, QueueId } from '@/core/ids'
import type { AgentInterval, AgentLeg, CallRecord } from '@/core/ledger'
import { MINUTE } from '@/core/time'

export interface Measures {
  readonly offered: number
  /** Of those, how many wait or are talked on at this moment. */
  readonly underWay: number
  readonly answered: number
  readonly abandoned: number
  readonly shortAbandons: number
  /** Left with queues, and of those how many were called back and reached. */
  readonly messages: number
  readonly messagesCalledBack: number
  /** Abandoned without short abandons / (offered − short abandons). */
  readonly abandonRatio: number | null
  /** Answered within the queue's T / (offered − short abandons). */
  readonly serviceLevelRatio: number | null
  readonly speedOfAnswer: { readonly meanMs: number; readonly medianMs: number; readonly p90Ms: number } | null
  /** Mean of talk + hold + wrap-up over handled legs. */
  readonly ahtMs: number | null
  readonly handledLegs: number
  /** Handled calls without an outcome 10 minutes after their end. */
  readonly uncoded: number
  /** Coded calls that ran a script, and among them those whose answers speak against the code. */
  readonly codedWithScript: number
  readonly disagreements: number
  readonly disagreementRatio: number | null
  /** Outcome code → calls coded so. */
  readonly outcomes: Readonly<Record<string, number>>
}

/** A handled call without an outcome counts as uncoded from this long after its end. */
export const UNCODED_AFTER_MS = 10 * MINUTE
/** T of the service level where a queue sets none. */
export const DEFAULT_SERVICE_LEVEL_MS = 20_000

export interface MeasureOptions {
  readonly nowMs: number
  /** T of a queue, milliseconds. */
  readonly serviceLevelMs: (queueId: QueueId | null) => number
  /** Whether the answers of a coded call speak against its code. */
  readonly disagrees: (record: CallRecord) => boolean
}

/** Whoever had the call handled it: first, or after it was handed to them. Who was only asked, or joined, did not. */
export const isHandling = ({ role }: Pick<AgentLeg, 'role'>): boolean => role === 'handled' || role === 'transferredTo'

/** A call of a queue came in for it. Who rang while it was closed, or a desk where nobody is, was put to a mailbox and offered to nobody. */
export const isOffered = ({ direction, queueId }: Pick<PartOfCall, 'direction' | 'queueId'>): boolean => direction === 'inbound' && queueId !== null

/** Offered, answered and service level count calls that came in for a queue; handle time and outcomes every handled call. Calls between colleagues are in none. */
export function measure(all: readonly PartOfCall[], options: MeasureOptions): Measures {
  const records = all.filter((r) => r.direction !== 'internal')
  const inbound = records.filter(isOffered)
  const messages = records.filter((r) => r.direction === 'message')
  const answered = inbound.filter((r) => r.answeredAtMs !== null)
  const abandoned = inbound.filter((r) => r.result === 'abandoned')
  const shortAbandons = abandoned.filter((r) => r.shortAbandon).length
  // Of who still waits it is not known yet how it ends: no share counts them.
  const waiting = inbound.filter((r) => r.result === 'underWay' && r.answeredAtMs === null).length
  const base = inbound.length - shortAbandons - waiting
  const within = answered.filter((r) => waitMs(r) <= options.serviceLevelMs(r.queueId)).length
  const codedWithScript = records.filter((r) => r.outcome !== null && r.script !== null)
  const disagreements = codedWithScript.filter(options.disagrees).length
  const legs = records.filter((r) => r.result === 'handled').flatMap((r) => r.agents.filter(isHandling))
  return {
    offered: inbound.length,
    underWay: inbound.filter((r) => r.result === 'underWay').length,
    answered: answered.length,
    abandoned: abandoned.length,
    shortAbandons,
    messages: messages.length,
    messagesCalledBack: messages.filter((r) => r.answeredAtMs !== null).length,
    abandonRatio: ratio(abandoned.length - shortAbandons, base),
    serviceLevelRatio: ratio(within, base),
    speedOfAnswer: speedOfAnswer(answered.map(waitMs)),
    ahtMs: mean(legs, (l) => l.talkMs + l.holdMs + l.wrapUpMs) ?? null,
    handledLegs: legs.length,
    uncoded: records.filter((r) => r.result === 'handled' && r.outcome === null && r.codedByAnother !== true && r.endedAtMs + UNCODED_AFTER_MS <= options.nowMs)
      .length,
    codedWithScript: codedWithScript.length,
    disagreements,
    disagreementRatio: ratio(disagreements, codedWithScript.length),
    outcomes: countOutcomes(records),
  }
}

/** Handle time / (handle time + ready time), and handle time / shift time; null without a shift. Beside them the time in calls between colleagues. */
export function occupancy(intervals: readonly (Pick<AgentInterval, 'fromMs' | 'toMs'> & { readonly state: string })[]): {
  readonly occupancyRatio: number | null
  readonly utilisationRatio: number | null
  readonly internalMs: number
} {
  const total = (states: readonly string[]) => intervals.filter((i) => states.includes(i.state)).reduce((sum, i) => sum + i.toMs - i.fromMs, 0)
  const handleMs = total(['onCall', 'writing', 'wrapUp'])
  const internalMs = total(['internalCall'])
  const shiftMs = total(['onCall', 'writing', 'wrapUp', 'ready', 'notReady', 'ringing', 'dialling', 'listening']) + internalMs
  return { occupancyRatio: ratio(handleMs, handleMs + total(['ready'])), utilisationRatio: ratio(handleMs, shiftMs), internalMs }
}

export interface Grouped {
  readonly id: string
  readonly name: string
  readonly measures: Measures
}

interface Named<Id extends string> {
  readonly id: Id
  readonly name: string
}

/** The same measures per queue, in the order given. */
export function byQueue(records: readonly CallRecord[], queues: readonly Named<QueueId>[], options: MeasureOptions): readonly Grouped[] {
  return queues.map(({ id, name }) => ({
    id,
    name,
    measures: measure(
      records.filter((r) => r.queueId === id),
      options,
    ),
  }))
}

/** The same measures per agent: a call counts for each agent who handled it, its outcome for who coded it. */
export function byAgent(records: readonly CallRecord[], agents: readonly Named<AgentId>[], options: MeasureOptions): readonly Grouped[] {
  return agents.map(({ id, name }) => ({ id, name, measures: measure(ofAgent(records, id), options) }))
}

/** A call as one agent had it. Whether the call is coded does not depend on who did it. */
type PartOfCall = CallRecord & { readonly codedByAnother?: boolean }

/** The calls an agent handled or coded, with their own legs, and the outcome where it is theirs. */
export const ofAgent = (records: readonly CallRecord[], id: AgentId): PartOfCall[] =>
  records.flatMap((r) => {
    const legs = r.agents.filter((l) => l.agentId === id)
    if (!legs.some(isHandling) && r.outcomeById !== id) return []
    return [
      {
        ...r,
        agents: legs,
        ...(r.outcomeById === id ? {} : { outcome: null, outcomeAtMs: null, outcomeById: null, outcomeBy: null, codedByAnother: r.outcome !== null }),
      },
    ]
  })

/** Calls of the interval: a call belongs to the interval of its `offeredAtMs`, end excluded. */
export const inInterval = (records: readonly CallRecord[], fromMs: number, toMs: number): CallRecord[] =>
  records.filter((r) => r.offeredAtMs >= fromMs && r.offeredAtMs < toMs)

const waitMs = (r: CallRecord): number => (r.answeredAtMs ?? r.endedAtMs) - r.offeredAtMs

const ratio = (part: number, whole: number): number | null => (whole > 0 ? part / whole : null)

function speedOfAnswer(waits: readonly number[]): Measures['speedOfAnswer'] {
  const sorted = waits.toSorted((a, b) => a - b)
  const at = (p: number) => quantileSorted(sorted, p)
  const [meanMs, medianMs, p90Ms] = [mean(sorted), at(0.5), at(0.9)]
  return meanMs === undefined || medianMs === undefined || p90Ms === undefined ? null : { meanMs, medianMs, p90Ms }
}

function countOutcomes(records: readonly CallRecord[]): Record<string, number> {
  const counts: Record<string, number> = {}
  for (const { outcome } of records) if (outcome !== null) counts[outcome] = (counts[outcome] ?? 0) + 1
  return counts
}
