// What is kept of a day, or of some hours: its calls, its spells of states, and what they come to. Stored under a key that says from when to when it
// is, so that nothing is read that is not asked for.
import * as z from 'zod'
import type { AgentInterval, CallRecord, Settled, SettledThread, WrittenRecord } from '@/core/ledger'
import type { KeyValue } from '@/services/storage'
import { BLOCK_VERSION, type CallsBlock, packCalls, packSeqs, packStates, type SeqColumns, type StatesBlock } from './columns'
import { type Quarter, quartersOf } from './quarters'
import { type Spells, spellsOf } from './spells'
import { type Asked, type Rules, type Tallies, tally } from './tally'

export interface Kept {
  /** `day/2026-11-23` of a past day that was fetched; `own/0000001234` of this ledger, by the seq up to which it is settled. */
  readonly name: string
  readonly calls: CallsBlock
  readonly states: StatesBlock
  /** Where the events of each call stand in this floor's ledger; null for days whose entries are kept apart. */
  readonly seqs: SeqColumns | null
  readonly sums: Sums
  /** Chats, mails and texts; absent where an earlier version kept it. Where their events stand says nothing of days whose entries are kept apart. */
  readonly written?: readonly SettledThread[]
}

export interface Sums {
  /** The rules they are reckoned by. */
  readonly rules: string
  readonly tallies: Tallies
  readonly spells: Spells
  readonly quarters: readonly Quarter[]
}

const EVER: Asked = { fromMs: -Infinity, toMs: Infinity }

export const sumsOf = (calls: CallsBlock, states: StatesBlock, rules: Rules): Sums => ({
  rules: rules.key,
  tallies: tally(calls, EVER, rules),
  spells: spellsOf(states, EVER),
  quarters: quartersOf(calls, EVER),
})

export interface DayFolded {
  readonly day: string
  readonly records: readonly CallRecord[]
  readonly intervals: readonly AgentInterval[]
  readonly written: readonly WrittenRecord[]
}

export function keepDay({ day, records, intervals, written }: DayFolded, rules: Rules): Kept {
  const [calls, states] = [packCalls(records), packStates(intervals)]
  const pieces = written.map((record) => ({ record, firstSeq: 0, lastSeq: 0 }))
  return { name: `day/${day}`, calls, states, seqs: null, sums: sumsOf(calls, states, rules), written: pieces }
}

/** Of this ledger, up to an entry. */
export function keepSettled(upToSeq: number, settled: Settled, rules: Rules): Kept {
  const ordered = settled.calls.toSorted((a, b) => a.record.offeredAtMs - b.record.offeredAtMs)
  const [calls, states] = [packCalls(ordered.map((c) => c.record)), packStates(settled.intervals)]
  return { name: ownName(upToSeq), calls, states, seqs: packSeqs(ordered), sums: sumsOf(calls, states, rules), written: settled.written }
}

export const ownName = (seq: number): string => `own/${String(seq).padStart(10, '0')}`

/** From the first thing in it to the last. */
export interface Range {
  readonly name: string
  readonly fromMs: number
  readonly toMs: number
}

export function rangeOf({ name, calls, states, written = [] }: Kept): Range {
  const begun = written.map(({ record }) => record.offeredAtMs)
  const begins = [...(calls.count > 0 ? [calls.fromMs] : []), ...(states.count > 0 ? [states.fromMs] : []), ...begun]
  return { name, fromMs: begins.length === 0 ? 0 : Math.min(...begins), toMs: Math.max(calls.lastMs, states.toMs, ...begun) }
}

const PREFIX = `kept${BLOCK_VERSION}`
export const keptKey = ({ name, fromMs, toMs }: Range): string => `${PREFIX}/${fromMs}-${toMs}/${name}`

/** What a key says; null for what is none, or of another shape. */
export function keptRange(key: string): Range | null {
  const match = /^(\w+)\/(\d+)-(\d+)\/(.+)$/.exec(key)
  return match === null || match[1] !== PREFIX ? null : { name: match[4] ?? '', fromMs: Number(match[2]), toMs: Number(match[3]) }
}

const KeptSchema = z.object({
  name: z.string(),
  calls: z.looseObject({ version: z.literal(BLOCK_VERSION), count: z.number() }),
  states: z.looseObject({ count: z.number() }),
  seqs: z.looseObject({}).nullable(),
  sums: z.looseObject({ rules: z.string() }),
})

/** null when it is not there or not of this shape. Its columns were written by this product and are not gone through. */
export async function readKept(store: KeyValue, range: Range): Promise<Kept | null> {
  const stored = await store.get(keptKey(range))
  return KeptSchema.safeParse(stored).success ? (stored as Kept) : null
}
