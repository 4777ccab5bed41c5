// What the calls of one block come to, by queue and by agent: the measures of MEASURES.md as sums that can be added up. Those of whole blocks are
// kept, so that a month is thirty additions. core/reports says what each measure is; a property holds the two against each other.
import { bisectLeft, mean, quantileSorted } from 'd3-array'
import type { AgentId, QueueId } from '@/core/ids'
import type { AgentLeg, CallRecord } from '@/core/ledger'
import { isHandling, type Measures, UNCODED_AFTER_MS } from '@/core/reports'
import { type CallsBlock, isNullAt, listWords, numberAt, placeAt, textAt, valueAt } from './columns'

export interface Tally {
  offered: number
  underWay: number
  waiting: number
  answered: number
  abandoned: number
  shortAbandons: number
  messages: number
  messagesCalledBack: number
  within: number
  handleMs: number
  handledLegs: number
  codedWithScript: number
  disagreements: number
  readonly outcomes: Map<string, number>
  /** Waits of answered calls, milliseconds. */
  readonly waits: number[]
  /** Ends of handled calls that have no outcome. */
  readonly uncodedEnds: number[]
}

/** By queue; calls of none are under ''. */
export type ByQueue = ReadonlyMap<string, Tally>

export interface Tallies {
  readonly queues: ByQueue
  /** What each agent had of them: a call counts for each who handled it, its outcome for who coded it. */
  readonly agents: ReadonlyMap<string, ByQueue>
  /** Agents on any of them, in whatever part. */
  readonly seenAgents: ReadonlySet<string>
}

export interface Rules {
  /** Another one where anything below answers otherwise: what was kept by the former is void. */
  readonly key: string
  readonly serviceLevelMs: (queueId: QueueId | null) => number
  /** Whether calls of this queue with this code can disagree with it at all. */
  readonly mayDisagree: (queueId: QueueId | null, code: string) => boolean
  readonly disagrees: (call: Pick<CallRecord, 'queueId' | 'customer' | 'outcome' | 'answers'>) => boolean
}

export interface Asked {
  readonly fromMs: number
  /** Excluded. */
  readonly toMs: number
}

export const createTally = (): Tally => ({
  offered: 0,
  underWay: 0,
  waiting: 0,
  answered: 0,
  abandoned: 0,
  shortAbandons: 0,
  within: 0,
  messages: 0,
  messagesCalledBack: 0,
  handleMs: 0,
  handledLegs: 0,
  codedWithScript: 0,
  disagreements: 0,
  outcomes: new Map(),
  waits: [],
  uncodedEnds: [],
})

/** Rows of calls that were offered in the span: from the first to before the last. */
export function rowsIn({ offeredAtMs, count }: CallsBlock, { fromMs, toMs }: Pick<Asked, 'fromMs' | 'toMs'>): readonly [number, number] {
  const { base, data } = offeredAtMs
  return [bisectLeft(data, fromMs - base + 1, 0, count), bisectLeft(data, toMs - base + 1, 0, count)]
}

/** Whether a row is a call between colleagues; null where none is. Such calls are in the log of who was on them, and in no figure of calls. */
export function internalIn({ direction }: CallsBlock): ((row: number) => boolean) | null {
  const word = listWords(direction).indexOf('internal')
  return word < 0 ? null : (row) => placeAt(direction, row) === word
}

/** Calls of a span that came in for a queue: their rows, and whose they are. */
export function* queuedRows(
  block: CallsBlock,
  { directions, queues }: Pick<ReturnType<typeof openBlock>, 'directions' | 'queues'>,
  span: Parameters<typeof rowsIn>[1],
): Generator<readonly [row: number, queueId: QueueId]> {
  const [from, to] = rowsIn(block, span)
  for (let row = from; row < to; row++) {
    const place = placeAt(block.queueId, row)
    if (place !== null && directions[placeAt(block.direction, row) ?? 0] === 'inbound') yield [row, queues[place] as QueueId]
  }
}

/** What a pass over a block looks up again and again. */
export function openBlock(block: CallsBlock) {
  const { legs, answers } = block
  const roles = listWords(legs.role).map((role) => isHandling({ role: role as AgentLeg['role'] }))
  const fields = listWords(answers.field)
  const written = listWords(answers.value)
  const values: unknown[] = []
  const legAgents: readonly string[] = listWords(legs.agentId)
  return {
    directions: listWords(block.direction),
    results: listWords(block.result),
    queues: listWords(block.queueId),
    outcomes: listWords(block.outcome),
    coders: listWords(block.outcomeById),
    legAgents,
    /** Whether whoever had this leg handled the call. */
    isHandling: (at: number): boolean => roles[valueAt(legs.role.index, at)] ?? false,
    /** Whether an agent had any part in it. */
    isOn(agentId: AgentId, row: number): boolean {
      for (let at = legs.starts[row] as number; at < (legs.starts[row + 1] as number); at++)
        if (legAgents[valueAt(legs.agentId.index, at)] === agentId) return true
      return false
    },
    answersOf(row: number): CallRecord['answers'] {
      const found: Record<string, unknown> = {}
      for (let at = answers.starts[row] as number; at < (answers.starts[row + 1] as number); at++) {
        const place = valueAt(answers.value.index, at)
        values[place] ??= JSON.parse(written[place] ?? 'null')
        found[fields[valueAt(answers.field.index, at)] ?? ''] = values[place]
      }
      return found as CallRecord['answers']
    },
  }
}
type OpenBlock = ReturnType<typeof openBlock>

const wordOf = (words: readonly string[], place: number | null): string | null => (place === null ? null : (words[place] as string))

/** The agents a call counts for: who handled it, each once, and who coded it. */
export function agentsOf({ legs, outcomeById }: CallsBlock, open: OpenBlock, row: number): readonly string[] {
  const found: string[] = []
  for (let at = legs.starts[row] as number; at < (legs.starts[row + 1] as number); at++) {
    const agentId = open.legAgents[valueAt(legs.agentId.index, at)] as string
    if (open.isHandling(at) && !found.includes(agentId)) found.push(agentId)
  }
  const coder = wordOf(open.coders, placeAt(outcomeById, row))
  if (coder !== null && !found.includes(coder)) found.push(coder)
  return found
}

/** Whether the call is one of the agent's. */
export const isOf = (block: CallsBlock, row: number, agentId: AgentId, open = openBlock(block)): boolean => agentsOf(block, open, row).includes(agentId)

/** The sums of the calls in a span. Takes one pass over the block. */
export function tally(block: CallsBlock, asked: Asked, rules: Rules): Tallies {
  const open = openBlock(block)
  const queues = new Map<string, Tally>()
  const agents = new Map<string, Map<string, Tally>>()
  const seenAgents = new Set<string>()
  const limits = open.queues.map((id) => rules.serviceLevelMs(id as QueueId))
  const limitOutside = rules.serviceLevelMs(null)
  const call = createReadCall()
  const [from, to] = rowsIn(block, asked)
  const internal = internalIn(block)
  for (let row = from; row < to; row++) {
    if (internal?.(row)) continue
    const place = placeAt(block.queueId, row)
    const queueId = wordOf(open.queues, place) ?? ''
    readCall(call, block, open, row, place === null ? limitOutside : (limits[place] as number), rules)
    add(entryOf(queues, queueId, createTally), call, null)
    for (const agentId of call.legAgents) seenAgents.add(agentId)
    for (const agentId of agentsOf(block, open, row)) add(entryOf(entryOf(agents, agentId, createByQueue), queueId, createTally), call, agentId)
  }
  return { queues, agents, seenAgents }
}

const createByQueue = (): Map<string, Tally> => new Map()

function entryOf<T>(map: Map<string, T>, key: string, create: () => T): T {
  const known = map.get(key)
  if (known !== undefined) return known
  const made = create()
  map.set(key, made)
  return made
}

/** One call of a pass; read into again for the next, because there are a million of them. */
export const createReadCall = () => ({
  isOffered: false,
  isMessage: false,
  isUnderWay: false,
  isAbandoned: false,
  isShort: false,
  isHandled: false,
  isWithin: false,
  isCodedWithScript: false,
  isDisagreement: false,
  endedAtMs: 0,
  waitMs: null as number | null,
  outcome: null as string | null,
  coder: null as string | null,
  /** Everybody who was on it. */
  legAgents: [] as string[],
  /** How long each of them handled it; null for who did not. */
  handleMs: [] as (number | null)[],
})
export type ReadCall = ReturnType<typeof createReadCall>

export function readCall(call: ReadCall, block: CallsBlock, open: OpenBlock, row: number, limitMs: number, rules: Rules): void {
  const { legs } = block
  const result = wordOf(open.results, placeAt(block.result, row))
  const answeredAtMs = numberAt(block.answeredAtMs, row)
  const queueId = wordOf(open.queues, placeAt(block.queueId, row)) as QueueId | null
  const outcome = wordOf(open.outcomes, placeAt(block.outcome, row))
  const direction = wordOf(open.directions, placeAt(block.direction, row))
  call.isOffered = direction === 'inbound' && queueId !== null
  call.isMessage = direction === 'message'
  call.isUnderWay = result === 'underWay'
  call.isAbandoned = result === 'abandoned'
  call.isHandled = result === 'handled'
  call.isShort = !isNullAt(block.shortAbandon, row)
  call.waitMs = answeredAtMs === null ? null : answeredAtMs - valueAt(block.offeredAtMs, row)
  call.isWithin = call.waitMs !== null && call.waitMs <= limitMs
  call.endedAtMs = valueAt(block.endedAtMs, row)
  call.outcome = outcome
  call.coder = wordOf(open.coders, placeAt(block.outcomeById, row))
  call.isCodedWithScript = outcome !== null && placeAt(block.script, row) !== null
  call.isDisagreement =
    call.isCodedWithScript &&
    outcome !== null &&
    rules.mayDisagree(queueId, outcome) &&
    rules.disagrees({ queueId, customer: textAt(block.customer, row), outcome, answers: open.answersOf(row) })
  call.legAgents.length = 0
  call.handleMs.length = 0
  for (let at = legs.starts[row] as number; at < (legs.starts[row + 1] as number); at++) {
    call.legAgents.push(open.legAgents[valueAt(legs.agentId.index, at)] as string)
    call.handleMs.push(open.isHandling(at) ? valueAt(legs.talkMs, at) + valueAt(legs.holdMs, at) + valueAt(legs.wrapUpMs, at) : null)
  }
}

/** Of one agent or a team: with their own legs, and the outcome where it is theirs. Whether the call is coded does not depend on who did it. */
export function add(sum: Tally, call: ReadCall, only: string | ReadonlySet<string> | null): void {
  if (call.isMessage) {
    sum.messages++
    if (call.waitMs !== null) sum.messagesCalledBack++
  }
  if (call.isOffered) {
    sum.offered++
    if (call.isUnderWay) sum.underWay++
    if (call.isUnderWay && call.waitMs === null) sum.waiting++
    if (call.waitMs !== null) {
      sum.answered++
      sum.waits.push(call.waitMs)
      if (call.isWithin) sum.within++
    }
    if (call.isAbandoned) sum.abandoned++
    if (call.isAbandoned && call.isShort) sum.shortAbandons++
  }
  if (call.isHandled) {
    for (let i = 0; i < call.handleMs.length; i++) {
      const ms = call.handleMs[i] as number | null
      if (ms === null || !isOwn(only, call.legAgents[i] as string)) continue
      sum.handledLegs++
      sum.handleMs += ms
    }
    if (call.outcome === null) sum.uncodedEnds.push(call.endedAtMs)
  }
  if (call.outcome === null || !isOwn(only, call.coder)) return
  sum.outcomes.set(call.outcome, (sum.outcomes.get(call.outcome) ?? 0) + 1)
  if (call.isCodedWithScript) sum.codedWithScript++
  if (call.isDisagreement) sum.disagreements++
}

const isOwn = (only: string | ReadonlySet<string> | null, agentId: string | null): boolean =>
  only === null || (typeof only === 'string' ? agentId === only : agentId !== null && only.has(agentId))

/** The measures of all of them together, as `measure` has them of the records. */
export function measuresOf(sums: readonly Tally[], nowMs: number): Measures {
  const total = (of: (t: Tally) => number) => sums.reduce((n, t) => n + of(t), 0)
  const base = total((t) => t.offered - t.shortAbandons - t.waiting)
  const [abandoned, shortAbandons, handledLegs] = [total((t) => t.abandoned), total((t) => t.shortAbandons), total((t) => t.handledLegs)]
  const [codedWithScript, disagreements] = [total((t) => t.codedWithScript), total((t) => t.disagreements)]
  const outcomes: Record<string, number> = {}
  for (const sum of sums) for (const [code, n] of sum.outcomes) outcomes[code] = (outcomes[code] ?? 0) + n
  return {
    offered: total((t) => t.offered),
    underWay: total((t) => t.underWay),
    answered: total((t) => t.answered),
    abandoned,
    shortAbandons,
    messages: total((t) => t.messages),
    messagesCalledBack: total((t) => t.messagesCalledBack),
    abandonRatio: ratio(abandoned - shortAbandons, base),
    serviceLevelRatio: ratio(
      total((t) => t.within),
      base,
    ),
    speedOfAnswer: speedOfAnswer(sums),
    ahtMs: handledLegs === 0 ? null : total((t) => t.handleMs) / handledLegs,
    handledLegs,
    uncoded: total((t) => t.uncodedEnds.filter((atMs) => atMs + UNCODED_AFTER_MS <= nowMs).length),
    codedWithScript,
    disagreements,
    disagreementRatio: ratio(disagreements, codedWithScript),
    outcomes,
  }
}

const ratio = (part: number, whole: number): number | null => (whole > 0 ? part / whole : null)

function speedOfAnswer(sums: readonly Tally[]): Measures['speedOfAnswer'] {
  const waits = new Float64Array(sums.reduce((n, t) => n + t.waits.length, 0))
  let at = 0
  for (const { waits: more } of sums) {
    waits.set(more, at)
    at += more.length
  }
  waits.sort()
  // The library takes any array; its types know plain ones only.
  const sorted = waits as unknown as number[]
  const [meanMs, medianMs, p90Ms] = [mean(sorted), quantileSorted(sorted, 0.5), quantileSorted(sorted, 0.9)]
  return meanMs === undefined || medianMs === undefined || p90Ms === undefined ? null : { meanMs, medianMs, p90Ms }
}
