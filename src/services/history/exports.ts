// The files history leaves as: NDJSON and CSV for whoever reads them by eye or by script, Parquet for whoever has outgrown a browser. Written block by
// block into a Blob, which the browser keeps on disk when it is large.

import { toCallsCsv, toNdjson } from '@/core/formats'
import type { AgentInterval, CallRecord, WrittenRecord } from '@/core/ledger'
import type { Line } from '@/core/threads'
import { recordAt, stateAt } from './columns'
import type { Kept } from './kept'
import { type Names, named } from './names'
import { createParquet } from './parquet'
import type { Part } from './report'
import { rowsIn } from './tally'
import { whereWhole } from './written'

export const EXPORTS = ['calls.ndjson', 'calls.csv', 'calls.parquet', 'agent-states.ndjson', 'agent-states.parquet', 'work.ndjson', 'messages.ndjson'] as const
export type ExportName = (typeof EXPORTS)[number]

interface Span {
  readonly fromMs: number
  readonly toMs: number
}

type Said = ReadonlyMap<string, readonly Line[]>

/** Chats, mails and texts by their records, or all that was said in them, line by line; the oldest first, as they lie in their blocks. */
export async function exportedWritten(
  name: 'work.ndjson' | 'messages.ndjson',
  records: readonly WrittenRecord[],
  kept: readonly Kept[],
  saidIn: (kept: Kept, isMeant: (workId: string) => boolean) => Promise<Said>,
  heldLines: (workId: string) => readonly Line[],
  onProgress: (done: number, of: number) => void,
): Promise<Blob> {
  const type = 'application/x-ndjson'
  const inOrder = records.toReversed()
  if (name === 'work.ndjson') return new Blob([toNdjson(inOrder)], { type })
  const whole = whereWhole(kept)
  const texts: string[] = []
  for (const [i, block] of [...kept, null].entries()) {
    const of = inOrder.filter(({ workId }) => (heldLines(workId).length > 0 ? null : (whole.get(workId)?.block ?? null)) === block)
    const ids = new Set(of.map((r) => r.workId))
    const said = block === null || of.length === 0 ? null : await saidIn(block, (id) => ids.has(id))
    texts.push(toNdjson(of.flatMap((record) => messagesOf(record, said?.get(record.workId) ?? heldLines(record.workId)))))
    onProgress(i + 1, kept.length + 1)
  }
  return new Blob(texts, { type })
}

const messagesOf = ({ workId, channel }: WrittenRecord, lines: readonly Line[]) =>
  lines.map(({ no, atMs, byAgentId, text, aside, sent }) => ({
    workId,
    channel,
    no,
    atMs,
    byAgentId,
    aside,
    text,
    ...(sent === null ? {} : { sent: sent.state, failure: sent.state === 'failed' ? sent.why : null }),
  }))

export const isEmptyExport = ({ calls, states }: Part, span: Span): boolean => {
  const [from, to] = rowsIn(calls, span)
  return from === to && states.count === 0
}

/** What is under way is in no file. Reports after each block how many are done, and lets others ask in between. */
export async function exported(
  name: ExportName,
  parts: readonly Part[],
  span: Span,
  names: Names,
  onProgress: (done: number, of: number) => void,
): Promise<Blob> {
  const isOfCalls = name.startsWith('calls')
  const parquet = name.endsWith('.parquet') ? createParquet(isOfCalls ? 'calls' : 'agentStates') : null
  const texts: string[] = []
  for (const [i, part] of parts.entries()) {
    const calls = isOfCalls ? callsOf(part, span).map((record) => named(record, names)) : []
    const states = isOfCalls ? [] : statesOf(part, span).map((i) => ({ ...i, agent: names.agent(i.agentId, i.agent) ?? i.agent }))
    if (parquet !== null) await parquet.add(isOfCalls ? calls : states)
    else if (name === 'calls.csv') texts.push(withoutHead(toCallsCsv(calls), texts.length > 0))
    else texts.push(toNdjson(isOfCalls ? calls : states))
    onProgress(i + 1, parts.length)
    await new Promise((resolve) => setTimeout(resolve))
  }
  if (parquet !== null) return new Blob([await parquet.finish()], { type: 'application/vnd.apache.parquet' })
  if (name === 'calls.csv') return new Blob(texts.length === 0 ? [toCallsCsv([])] : texts, { type: 'text/csv' })
  return new Blob(texts, { type: 'application/x-ndjson' })
}

/** One head for the whole file. */
const withoutHead = (csv: string, isLater: boolean): string => (isLater ? csv.slice(csv.indexOf('\n') + 1) : csv)

function callsOf({ calls }: Part, span: Span): CallRecord[] {
  const [from, to] = rowsIn(calls, span)
  return Array.from({ length: to - from }, (_, i) => recordAt(calls, from + i)).filter((r) => r.result !== 'underWay')
}

/** Cut at both ends of the span: an hour is an hour, whatever began before it. */
const statesOf = ({ states }: Part, { fromMs, toMs }: Span): AgentInterval[] =>
  Array.from({ length: states.count }, (_, i) => stateAt(states, i)).flatMap((i) =>
    i.toMs > fromMs && i.fromMs < toMs ? [{ ...i, fromMs: Math.max(i.fromMs, fromMs), toMs: Math.min(i.toMs, toMs) }] : [],
  )
