// The log of calls, as a telephone keeps one: what an agent was called with and called themselves, and what passed them by; or, for those who answer for the
// floor, every call of the centre.
import { FORGOTTEN } from '@/core/forgotten'
import type { AgentId, CampaignId, QueueId } from '@/core/ids'
import type { CallRecord, CallResult, MissedHow } from '@/core/ledger'
import { folded, hasWords } from '@/core/people'
import { type CallsBlock, listWords, placeAt, recordAt, valueAt } from './columns'
import { type Names, named } from './names'

export const LOG_WAYS = ['in', 'out', 'missed'] as const
export type LogWay = (typeof LOG_WAYS)[number]

export interface LogAsked {
  /** Whose; null for every call of the centre. */
  readonly only: AgentId | null
  readonly way: LogWay | null
  /** Words of a name, a queue, an outcome or a day (26 Nov), or digits of a number. */
  readonly search: string
  /** Of calls offered since then alone: what is asked again and again asks for no more than it needs; 0 for all there are. */
  readonly sinceMs: number
  readonly from: number
  readonly atMost: number
  /** Missed calls after this are counted as unseen. */
  readonly seenMs: number
  /** In which days are written. */
  readonly timeZone: string
  /** What codes are called. */
  readonly outcomes: Readonly<Record<string, string>>
}

export interface LogRow {
  readonly callId: string
  /** When it began to ring here, or was dialled; of a missed one when it stopped. */
  readonly atMs: number
  readonly way: LogWay
  /** Of a missed one; null otherwise. */
  readonly how: MissedHow | null
  readonly direction: CallRecord['direction']
  /** A colleague, where it is a call with one. */
  readonly withAgentId: AgentId | null
  readonly name: string | null
  readonly number: string | null
  readonly queueId: QueueId | null
  readonly queue: string | null
  readonly campaignId: CampaignId | null
  readonly campaign: string | null
  readonly ringMs: number
  readonly talkMs: number
  readonly result: CallResult
  readonly outcome: string | null
  readonly recordings: readonly string[]
  /** Who took a missed one. */
  readonly takenBy: string | null
}

export interface LogPage {
  readonly found: number
  readonly unseen: number
  readonly rows: readonly LogRow[]
}

export function pageOfLog(blocks: readonly CallsBlock[], asked: LogAsked, names: Names): LogPage {
  const rows: LogRow[] = []
  for (const block of blocks)
    for (const row of asked.only === null ? Array.from({ length: block.count }, (_, i) => i) : rowsWith(block, asked.only)) {
      const record = named(recordAt(block, row), names)
      rows.push(...(asked.only === null ? [ofCentre(record)] : ofAgent(record, asked.only, names)))
    }
  const unseen = rows.filter((r) => r.way === 'missed' && isForThem(r) && r.atMs > asked.seenMs).length
  const fits = fitting(asked)
  const found = rows.filter((r) => (asked.way === null || r.way === asked.way) && fits(r)).sort((a, b) => b.atMs - a.atMs || (a.callId < b.callId ? -1 : 1))
  return { found: found.length, unseen, rows: found.slice(asked.from, asked.from + asked.atMost) }
}

/** What somebody has sent elsewhere themselves they have seen. */
const isForThem = ({ how }: LogRow): boolean => how !== 'declined' && how !== 'diverted' && how !== 'takenElsewhere'

/** Calls an agent was on, or that passed them by. */
function rowsWith(block: CallsBlock, agentId: AgentId): readonly number[] {
  const found = new Set<number>()
  const look = (columns: { readonly starts: Uint32Array; readonly agentId: CallsBlock['legs']['agentId'] } | undefined) => {
    const word = columns === undefined ? -1 : listWords(columns.agentId).indexOf(agentId)
    if (columns === undefined || word < 0) return
    for (let row = 0; row < block.count; row++)
      for (let at = columns.starts[row] as number; at < (columns.starts[row + 1] as number); at++) if (placeAt(columns.agentId, at) === word) found.add(row)
  }
  look(block.legs)
  look(block.missed)
  return [...found]
}

const common = (record: CallRecord) => {
  const { callId, direction, number, queueId, queue, campaignId, campaign, result, outcome, recordings } = record
  // Nobody calls who is forgotten, or adds them to people.
  return {
    callId,
    direction,
    number: number === FORGOTTEN ? null : number,
    queueId,
    queue,
    campaignId,
    campaign,
    result,
    outcome,
    recordings,
    name: record.customer,
  }
}

/** One agent's part of a call: on it, or missed as often as it rang in vain and they did not take it after all. */
function ofAgent(record: CallRecord, agentId: AgentId, names: Names): LogRow[] {
  const leg = record.agents.find((l) => l.agentId === agentId)
  const others = record.agents.filter((l) => l.agentId !== agentId)
  const [first] = record.agents
  if (leg !== undefined) {
    const made = (record.direction === 'outbound' || record.direction === 'internal') && first === leg
    // Whoever was called and never came onto the line is known by what they missed.
    const other = record.direction !== 'internal' ? null : (others[0] ?? record.missedBy.find((m) => m.agentId !== agentId) ?? null)
    const way = made ? 'out' : 'in'
    return [
      {
        ...common(record),
        atMs: leg.fromMs,
        way,
        how: record.direction === 'internal' && others.length === 0 ? (record.missedBy.at(-1)?.how ?? null) : null,
        withAgentId: other?.agentId ?? null,
        name: other?.agent ?? record.customer,
        ringMs: leg.ringMs,
        talkMs: leg.talkMs + leg.holdMs,
        takenBy: null,
      },
    ]
  }
  return record.missedBy
    .filter((m) => m.agentId === agentId)
    .map((missed): LogRow => {
      const by = missed.byAgentId === null ? null : names.agent(missed.byAgentId, null)
      // What a colleague wanted to ask is a call of theirs, and not one of the customer they had on the line.
      const asked =
        missed.byAgentId === null ? {} : { direction: 'internal' as const, number: null, queueId: null, queue: null, campaignId: null, campaign: null }
      return {
        ...common(record),
        ...asked,
        ...(missed.byAgentId === null ? {} : { outcome: null, recordings: [] }),
        atMs: missed.atMs,
        way: 'missed',
        how: missed.how,
        withAgentId: missed.byAgentId,
        name: by ?? record.customer,
        ringMs: 0,
        talkMs: 0,
        takenBy: missed.byAgentId === null ? (record.agents.find((l) => l.role === 'handled')?.agent ?? record.agents[0]?.agent ?? null) : null,
      }
    })
}

/** A call as the centre had it. */
function ofCentre(record: CallRecord): LogRow {
  const [first, second] = record.agents
  const internal = record.direction === 'internal'
  const missed = !internal && record.direction === 'inbound' && record.answeredAtMs === null && record.result !== 'underWay'
  return {
    ...common(record),
    atMs: record.offeredAtMs,
    way: missed ? 'missed' : record.direction === 'inbound' || record.direction === 'message' ? 'in' : 'out',
    how: missed ? (record.result === 'voicemail' ? 'voicemail' : 'hungUp') : null,
    withAgentId: first?.agentId ?? null,
    name: internal ? [first?.agent, second?.agent ?? record.missedBy[0]?.agent].filter((n) => n != null).join(' and ') : record.customer,
    ringMs: first?.ringMs ?? 0,
    talkMs: record.agents.reduce((sum, l) => sum + l.talkMs + l.holdMs, 0),
    takenBy: internal ? null : (first?.agent ?? null),
  }
}

function fitting({ search, timeZone, outcomes }: LogAsked): (row: LogRow) => boolean {
  const words = folded(search).split(/\s+/).filter(Boolean)
  if (words.length === 0) return () => true
  const day = new Intl.DateTimeFormat('en-GB', { timeZone, weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' })
  return ({ name, number, queue, campaign, outcome, takenBy, atMs }) => {
    const said = outcome === null ? '' : (outcomes[outcome] ?? outcome)
    const text = folded([name, queue, campaign, said, takenBy, day.format(atMs).replace(/,/g, '')].filter((t) => t !== null).join(' '))
    return hasWords(words, text, number)
  }
}

/** Numbers and colleagues an agent has called, the latest first, each once. */
export function dialledBefore(blocks: readonly CallsBlock[], agentId: AgentId, atMost: number, names: Names): readonly LogRow[] {
  const found: LogRow[] = []
  const seen = new Set<string>()
  const latest = blocks.toSorted((a, b) => b.lastMs - a.lastMs)
  for (const block of latest) {
    const rows = rowsWith(block, agentId).toSorted((a, b) => valueAt(block.offeredAtMs, b) - valueAt(block.offeredAtMs, a))
    for (const row of rows) {
      const [mine] = ofAgent(named(recordAt(block, row), names), agentId, names)
      const whom = mine?.withAgentId ?? mine?.number ?? null
      if (mine?.way !== 'out' || whom === null || seen.has(whom)) continue
      seen.add(whom)
      found.push(mine)
      if (found.length >= atMost) return found.toSorted((a, b) => b.atMs - a.atMs)
    }
  }
  return found.toSorted((a, b) => b.atMs - a.atMs)
}
