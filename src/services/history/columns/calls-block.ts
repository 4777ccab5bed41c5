// Call records in columns: some thousands of them, such as those of a day, in the order they were offered. A block never changes; a call that
// is corrected gets a new one. It is plain data, so that it can be stored and handed to another thread as it is.
import { toAgentId, toCampaignId, toQueueId } from '@/core/ids'
import type { AgentLeg, CallRecord, Missed, MissedHow } from '@/core/ledger'
import { type IndexBy, packIndex } from './index-by'
import { packStarts, placesOf } from './lists'
import { type Numbers, numberAt, packNumbers, valueAt } from './numbers'
import { type Numbered, numberedAt, packNumbered, packTexts, packWords, type Texts, textAt, type Words, wordAt } from './texts'

/** Of the shape of a block: one of another is made anew from the entries it was folded from. */
export const BLOCK_VERSION = 1

export interface CallsBlock {
  readonly version: typeof BLOCK_VERSION
  readonly count: number
  /** When the first and the last call were offered; 0 without calls. */
  readonly fromMs: number
  readonly lastMs: number
  readonly ids: Numbered
  readonly byId: IndexBy
  readonly direction: Words
  readonly queueId: Words
  readonly queue: Words
  readonly campaign: Words
  /** Not in blocks of before there were campaigns. */
  readonly campaignId?: Words
  /** Not in blocks of before it was taken down. */
  readonly path?: Words
  /** E.164 numbers without their plus; others, such as internal ones, as they are. */
  readonly number: Numbers
  readonly otherNumber: Words
  readonly byNumber: IndexBy
  readonly customer: Texts
  readonly byCustomer: IndexBy
  readonly offeredAtMs: Numbers
  readonly answeredAtMs: Numbers
  readonly endedAtMs: Numbers
  readonly liveAnswerAtMs: Numbers
  readonly result: Words
  readonly shortAbandon: Numbers
  readonly outcome: Words
  readonly outcomeAtMs: Numbers
  readonly outcomeById: Words
  readonly outcomeBy: Words
  readonly notes: Texts
  readonly script: Words
  readonly scriptVersion: Numbers
  readonly legs: LegColumns
  /** Not in blocks of before rings in vain were taken down. */
  readonly missed?: MissedColumns
  readonly answers: { readonly starts: Uint32Array; readonly field: Words; readonly value: Words }
  readonly recordings: { readonly starts: Uint32Array; readonly ids: Numbered }
  /** Few calls are handed on: those of each that was. */
  readonly transfers: readonly (readonly [row: number, transfers: CallRecord['transfers']])[]
  /** Of calls that were rated, by row; blocks of before have none. */
  readonly sound?: readonly (readonly [row: number, ratings: CallRecord['sound']])[]
}

export interface MissedColumns {
  readonly starts: Uint32Array
  readonly agentId: Words
  readonly agent: Words
  readonly how: Words
  readonly byAgentId: Words
  readonly atMs: Numbers
}

export interface LegColumns {
  readonly starts: Uint32Array
  readonly agentId: Words
  readonly agent: Words
  readonly role: Words
  readonly fromMs: Numbers
  readonly toMs: Numbers
  readonly ringMs: Numbers
  readonly talkMs: Numbers
  readonly holdMs: Numbers
  readonly wrapUpMs: Numbers
}

/** Of records in any order. Throws where a record holds what `calls.ndjson` may not. */
export function packCalls(unsorted: readonly CallRecord[]): CallsBlock {
  const records = unsorted.toSorted((a, b) => a.offeredAtMs - b.offeredAtMs)
  const words = (of: (r: CallRecord) => string | null) => packWords(records.map(of))
  const numbers = (of: (r: CallRecord) => number | null) => packNumbers(records.map(of))
  const legs = records.flatMap((r) => r.agents)
  const answers = records.map((r) => Object.entries(r.answers))
  const ids = records.map((r) => r.callId)
  return {
    version: BLOCK_VERSION,
    count: records.length,
    fromMs: records[0]?.offeredAtMs ?? 0,
    lastMs: records.at(-1)?.offeredAtMs ?? 0,
    ids: packNumbered(ids),
    byId: packIndex(ids),
    direction: words((r) => r.direction),
    queueId: words((r) => r.queueId),
    queue: words((r) => r.queue),
    campaign: words((r) => r.campaign),
    campaignId: words((r) => r.campaignId),
    path: words((r) => r.path),
    number: numbers((r) => digitsOf(r.number)),
    otherNumber: words((r) => (digitsOf(r.number) === null ? r.number : null)),
    byNumber: packIndex(records.map((r) => r.number)),
    customer: packTexts(records.map((r) => r.customer)),
    byCustomer: packIndex(records.map((r) => r.customer)),
    offeredAtMs: numbers((r) => r.offeredAtMs),
    answeredAtMs: numbers((r) => r.answeredAtMs),
    endedAtMs: numbers((r) => r.endedAtMs),
    liveAnswerAtMs: numbers((r) => r.liveAnswerAtMs),
    result: words((r) => r.result),
    shortAbandon: numbers((r) => (r.shortAbandon ? 1 : null)),
    outcome: words((r) => r.outcome),
    outcomeAtMs: numbers((r) => r.outcomeAtMs),
    outcomeById: words((r) => r.outcomeById),
    outcomeBy: words((r) => r.outcomeBy),
    notes: packTexts(records.map((r) => r.notes)),
    script: words((r) => r.script),
    scriptVersion: numbers((r) => r.scriptVersion),
    legs: packLegs(records, legs),
    missed: packMissed(records),
    answers: {
      starts: packStarts(answers.map((a) => a.length)),
      field: packWords(answers.flat().map(([field]) => field)),
      value: packWords(answers.flat().map(([, value]) => JSON.stringify(value))),
    },
    recordings: {
      starts: packStarts(records.map((r) => r.recordings.length)),
      ids: packNumbered(records.flatMap((r) => r.recordings.map((id) => id.replace(r.callId, () => OF_CALL)))),
    },
    transfers: records.flatMap((r, row) => (r.transfers.length === 0 ? [] : [[row, r.transfers] as const])),
    sound: records.flatMap((r, row) => (r.sound.length === 0 ? [] : [[row, r.sound] as const])),
  }
}

function packMissed(records: readonly CallRecord[]): MissedColumns {
  const missed = records.flatMap((r) => r.missedBy)
  return {
    starts: packStarts(records.map((r) => r.missedBy.length)),
    agentId: packWords(missed.map((m) => m.agentId)),
    agent: packWords(missed.map((m) => m.agent)),
    how: packWords(missed.map((m) => m.how)),
    byAgentId: packWords(missed.map((m) => m.byAgentId)),
    atMs: packNumbers(missed.map((m) => m.atMs)),
  }
}

const packLegs = (records: readonly CallRecord[], legs: readonly AgentLeg[]): LegColumns => ({
  starts: packStarts(records.map((r) => r.agents.length)),
  agentId: packWords(legs.map((l) => l.agentId)),
  agent: packWords(legs.map((l) => l.agent)),
  role: packWords(legs.map((l) => l.role)),
  fromMs: packNumbers(legs.map((l) => l.fromMs)),
  toMs: packNumbers(legs.map((l) => l.toMs)),
  ringMs: packNumbers(legs.map((l) => l.ringMs)),
  talkMs: packNumbers(legs.map((l) => l.talkMs)),
  holdMs: packNumbers(legs.map((l) => l.holdMs)),
  wrapUpMs: packNumbers(legs.map((l) => l.wrapUpMs)),
})

/** Recordings are named after their call, which stands beside them. */
const OF_CALL = '\u0001'

const digitsOf = (number: string | null): number | null => (number !== null && /^\+[1-9]\d{0,14}$/.test(number) ? Number(number.slice(1)) : null)

export function phoneAt(block: CallsBlock, row: number): string | null {
  const digits = numberAt(block.number, row)
  return digits === null ? wordAt(block.otherNumber, row) : `+${digits}`
}

export const idAt = (block: CallsBlock, row: number): string => numberedAt(block.ids, row)

/** The record that was put in. */
export function recordAt(block: CallsBlock, row: number): CallRecord {
  const callId = idAt(block, row)
  const queueId = wordAt(block.queueId, row)
  const campaignId = block.campaignId === undefined ? null : wordAt(block.campaignId, row)
  const outcomeById = wordAt(block.outcomeById, row)
  return {
    callId,
    direction: wordAt(block.direction, row) as CallRecord['direction'],
    queueId: queueId === null ? null : toQueueId(queueId),
    queue: wordAt(block.queue, row),
    campaign: wordAt(block.campaign, row),
    campaignId: campaignId === null ? null : toCampaignId(campaignId),
    path: block.path === undefined ? null : wordAt(block.path, row),
    number: phoneAt(block, row),
    customer: textAt(block.customer, row),
    offeredAtMs: valueAt(block.offeredAtMs, row),
    answeredAtMs: numberAt(block.answeredAtMs, row),
    endedAtMs: valueAt(block.endedAtMs, row),
    result: wordAt(block.result, row) as CallRecord['result'],
    shortAbandon: numberAt(block.shortAbandon, row) === 1,
    liveAnswerAtMs: numberAt(block.liveAnswerAtMs, row),
    agents: [...placesOf(block.legs.starts, row)].map((at) => legAt(block.legs, at)),
    missedBy: missedAt(block, row),
    outcome: wordAt(block.outcome, row),
    outcomeAtMs: numberAt(block.outcomeAtMs, row),
    outcomeById: outcomeById === null ? null : toAgentId(outcomeById),
    outcomeBy: wordAt(block.outcomeBy, row),
    notes: textAt(block.notes, row) ?? '',
    script: wordAt(block.script, row),
    scriptVersion: numberAt(block.scriptVersion, row),
    answers: answersAt(block, row),
    transfers: block.transfers.find(([of]) => of === row)?.[1] ?? [],
    sound: block.sound?.find(([of]) => of === row)?.[1] ?? [],
    recordings: [...placesOf(block.recordings.starts, row)].map((at) => numberedAt(block.recordings.ids, at).replace(OF_CALL, () => callId)),
  }
}

export function missedAt({ missed }: CallsBlock, row: number): Missed[] {
  if (missed === undefined) return []
  return [...placesOf(missed.starts, row)].map((at) => {
    const byAgentId = wordAt(missed.byAgentId, at)
    return {
      agentId: toAgentId(wordAt(missed.agentId, at) ?? ''),
      agent: wordAt(missed.agent, at) ?? '',
      atMs: valueAt(missed.atMs, at),
      how: wordAt(missed.how, at) as MissedHow,
      byAgentId: byAgentId === null ? null : toAgentId(byAgentId),
    }
  })
}

export function legAt(legs: LegColumns, at: number): AgentLeg {
  return {
    agentId: toAgentId(wordAt(legs.agentId, at) ?? ''),
    agent: wordAt(legs.agent, at) ?? '',
    fromMs: valueAt(legs.fromMs, at),
    toMs: valueAt(legs.toMs, at),
    ringMs: valueAt(legs.ringMs, at),
    talkMs: valueAt(legs.talkMs, at),
    holdMs: valueAt(legs.holdMs, at),
    wrapUpMs: valueAt(legs.wrapUpMs, at),
    role: wordAt(legs.role, at) as AgentLeg['role'],
  }
}

export function answersAt({ answers }: CallsBlock, row: number): CallRecord['answers'] {
  const found: CallRecord['answers'] = {}
  for (const at of placesOf(answers.starts, row)) found[wordAt(answers.field, at) ?? ''] = JSON.parse(wordAt(answers.value, at) ?? 'null')
  return found
}

export const recordsOf = (block: CallsBlock): CallRecord[] => Array.from({ length: block.count }, (_, row) => recordAt(block, row))

/** Bytes of the columns. */
export function bytesOf(block: object): number {
  let bytes = 0
  for (const part of Object.values(block)) {
    if (ArrayBuffer.isView(part)) bytes += part.byteLength
    else if (part !== null && typeof part === 'object' && !Array.isArray(part)) bytes += bytesOf(part)
  }
  return bytes
}
