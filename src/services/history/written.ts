// Chats, mails and texts of the history: those of past days, those of this ledger that are settled, and those the folder still holds. One that went over
// more than a day is in each of them: the last tells of all of it.
import { WRITTEN_CHANNELS, type Written } from '@/core/channels'
import type { AgentId, QueueId, WorkId } from '@/core/ids'
import type { Correction, LedgerEntry, WrittenRecord } from '@/core/ledger'
import { measureWritten, type WrittenMeasures } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import { evolveThread, type Line, type Thread, type ThreadEvent } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import type { Kept } from './kept'
import type { Names } from './names'

/** The figures of each channel of a span, and as many of its pieces as are shown. */
export interface WrittenReport {
  readonly channels: readonly (WrittenMeasures & { readonly channel: Written })[]
  readonly count: number
  /** The latest first. */
  readonly latest: readonly WrittenRecord[]
}

export function writtenReport(
  records: readonly WrittenRecord[],
  { queues }: SetUp,
  { nowMs, atMost }: { readonly nowMs: number; readonly atMost: number },
): WrittenReport {
  const within = new Map(queues.flatMap(({ id, writes }) => writes.map(({ channel, serviceLevelMs }) => [`${id} ${channel}`, serviceLevelMs] as const)))
  const options = { nowMs, serviceLevelMs: (queueId: QueueId, channel: Written) => within.get(`${queueId} ${channel}`) ?? null }
  const channels = WRITTEN_CHANNELS.flatMap((channel) => {
    const of = records.filter((r) => r.channel === channel)
    return of.length === 0 ? [] : [{ channel, ...measureWritten(of, options) }]
  })
  return { channels, count: records.length, latest: records.slice(0, atMost) }
}

export type IsMeant = (record: WrittenRecord) => boolean

/** Those an agent had in hand; null for everybody's. */
export const hadBy =
  (only: AgentId | null): IsMeant =>
  (record) =>
    only === null || record.agents.some((l) => l.agentId === only)

export const beganIn =
  ({ fromMs, toMs }: { readonly fromMs: number; readonly toMs: number }): IsMeant =>
  ({ offeredAtMs }) =>
    offeredAtMs >= fromMs && offeredAtMs < toMs

/** Those that are meant, the latest first, as they are by now. */
export function writtenIn(
  kept: readonly Kept[],
  live: readonly WrittenRecord[],
  isMeant: IsMeant,
  corrections: ReadonlyMap<string, Correction>,
  names: Names,
): readonly WrittenRecord[] {
  const byId = new Map([...whereWhole(kept).values()].map(({ record }) => [record.workId, record]))
  for (const record of live) byId.set(record.workId, record)
  return [...byId.values()]
    .filter(isMeant)
    .toSorted((a, b) => b.offeredAtMs - a.offeredAtMs)
    .map((r) => named(withCorrection(r, corrections.get(r.workId)), names))
}

/** Of each piece the block that tells the most of it. */
export function whereWhole(kept: readonly Kept[]): ReadonlyMap<string, { readonly block: Kept; readonly record: WrittenRecord }> {
  const found = new Map<string, { readonly block: Kept; readonly record: WrittenRecord }>()
  for (const block of kept)
    for (const { record } of block.written ?? []) if (found.get(record.workId)?.record.endedAtMs == null) found.set(record.workId, { block, record })
  return found
}

const named = (record: WrittenRecord, names: Names): WrittenRecord => ({
  ...record,
  queue: names.queue(record.queueId, record.queue) ?? record.queue,
  agents: record.agents.map((leg) => ({ ...leg, agent: names.agent(leg.agentId, leg.agent) ?? leg.agent })),
})

function withCorrection(record: WrittenRecord, correction: Correction | undefined): WrittenRecord {
  if (correction === undefined) return record
  const { code, atMs, byId, notes } = correction
  return { ...record, outcome: code, outcomeAtMs: atMs, outcomeById: byId, notes: notes ?? record.notes }
}

/** What was said in pieces, from entries that have them whole. */
export function linesFrom(entries: readonly LedgerEntry[], isMeant: (workId: WorkId) => boolean): ReadonlyMap<WorkId, readonly Line[]> {
  const threads = new Map<WorkId, Thread>()
  const follow = (event: ThreadEvent, atMs: EpochMs) => {
    const before = threads.get(event.threadId)
    const begins = event.kind === 'threadBegan' || event.kind === 'threadOpened'
    if (isMeant(event.threadId) && (begins || before !== undefined)) threads.set(event.threadId, evolveThread(before, event, atMs))
  }
  for (const { event, atMs } of entries) {
    if ('threadId' in event) follow(event, atMs)
    else if (event.kind === 'carriedOver') for (const before of event.promises) if ('threadId' in before.event) follow(before.event, before.atMs)
  }
  return new Map([...threads].map(([id, { lines }]) => [id, lines]))
}

/** Of a day's ledger the lines that may speak of what was written: the others need not be read. */
export const speaksOfWritten = (line: string): boolean => line.includes('"threadId"')
