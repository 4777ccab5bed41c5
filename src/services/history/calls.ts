// A page of calls: searched, filtered and sorted where they are kept, so that a tab is sent what it shows and not all there is.
import type { CallRecord, CallResult } from '@/core/ledger'

export const CALLS_SORTS = ['offeredAtMs', 'queue', 'customer', 'number', 'agent', 'wait', 'talk', 'outcome'] as const
export type CallsSort = (typeof CALLS_SORTS)[number]

export interface CallsAsked {
  readonly search: string
  /** Of one queue; `dialled` for those of none. */
  readonly queueId: string | 'dialled' | null
  readonly result: CallResult | null
  readonly sort: { readonly by: CallsSort; readonly descending: boolean }
  readonly from: number
  readonly atMost: number
  /** What codes and results are called by whoever asks: they are searched and sorted by it. */
  readonly words: { readonly outcomes: Readonly<Record<string, string>>; readonly results: Partial<Readonly<Record<CallResult, string>>> }
}

/** Everything there is, the latest first. */
export const LATEST_CALLS: Omit<CallsAsked, 'atMost'> = {
  search: '',
  queueId: null,
  result: null,
  from: 0,
  sort: { by: 'offeredAtMs', descending: true },
  words: { outcomes: {}, results: {} },
}

export interface CallsPage {
  /** Of the span, before anything was searched. */
  readonly all: number
  readonly found: number
  readonly from: number
  readonly rows: readonly CallRecord[]
}

/** Calls between colleagues are in the log of who was on them, and not here. */
export function pageOfCalls(every: readonly CallRecord[], asked: CallsAsked): CallsPage {
  const records = every.filter((r) => r.direction !== 'internal')
  const found = records.filter((record) => fits(record, asked))
  const { by, descending } = asked.sort
  const key = keyOf(by, asked)
  const keyed = found.map((record) => ({ record, key: key(record) }))
  keyed.sort((a, b) => (descending ? -1 : 1) * compare(a.key, b.key) || b.record.offeredAtMs - a.record.offeredAtMs)
  const rows = keyed.slice(asked.from, asked.from + asked.atMost).map(({ record }) => record)
  return { all: records.length, found: found.length, from: asked.from, rows }
}

function fits(record: CallRecord, { search, queueId, result, words }: CallsAsked): boolean {
  if (queueId !== null && (queueId === 'dialled' ? record.queueId !== null : record.queueId !== queueId)) return false
  if (result !== null && record.result !== result) return false
  const wanted = search.trim().toLowerCase().split(/\s+/).filter(Boolean)
  if (wanted.length === 0) return true
  const text = [record.customer, record.number, record.notes, outcomeOf(record, words), ...record.agents.map((l) => l.agent)].join(' ').toLowerCase()
  return wanted.every((word) => text.includes(word))
}

const outcomeOf = ({ outcome, result }: CallRecord, { outcomes, results }: CallsAsked['words']): string =>
  outcome === null ? (results[result] ?? result) : (outcomes[outcome] ?? outcome)

function keyOf(by: CallsSort, { words }: CallsAsked): (record: CallRecord) => string | number {
  switch (by) {
    case 'offeredAtMs':
      return (r) => r.offeredAtMs
    case 'queue':
      return (r) => r.queue ?? ''
    case 'customer':
      return (r) => r.customer ?? ''
    case 'number':
      return (r) => r.number ?? ''
    case 'agent':
      return (r) => r.agents.map((l) => l.agent).join(', ')
    case 'wait':
      return waitedMs
    case 'talk':
      return talkedMs
    case 'outcome':
      return (r) => outcomeOf(r, words)
  }
}

export const waitedMs = (r: CallRecord): number => (r.answeredAtMs ?? r.endedAtMs) - r.offeredAtMs
export const talkedMs = (r: CallRecord): number => r.agents.reduce((ms, l) => ms + l.talkMs, 0)

/** Asked a hundred thousand times: it is made once. */
const collator = new Intl.Collator()
export const compareWords = (a: string, b: string): number => collator.compare(a, b)
const compare = (a: string | number, b: string | number): number =>
  typeof a === 'number' && typeof b === 'number' ? a - b : compareWords(String(a), String(b))
