// The archive answers questions about what happened: past days and the live ledger together. It computes in its own
// worker and never touches the floor.
import { toCallsCsv, toNdjson } from '@/core/formats'
import { toCallId } from '@/core/ids'
import { type AgentInterval, type CallRecord, createLedgerFolder, type LedgerEntry } from '@/core/ledger'
import { doubtOf } from '@/core/outcomes'
import { byAgent, byQueue, DEFAULT_SERVICE_LEVEL_MS, type Grouped, inInterval, type Measures, measure, occupancy } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import { utcDay } from '@/core/time'
import type { KeyValue } from '@/exchange/store'
import { entriesOfDay, importDays, linesOf, loadDays, type PastDay, type Progress, readEntries } from './days'

export interface Span {
  readonly fromMs: number
  /** Excluded. */
  readonly toMs: number
}

export interface Report {
  readonly all: Measures
  readonly occupancy: ReturnType<typeof occupancy>
  readonly queues: readonly Grouped[]
  readonly agents: readonly (Grouped & ReturnType<typeof occupancy>)[]
  /** Calls offered, answered and abandoned per hour or per day of the span. */
  readonly series: readonly SeriesPoint[]
  readonly records: readonly CallRecord[]
  /** Ends that were pressed and taken back within the grace: presses by mistake, for the centre's own improvement. */
  readonly takenBackCount: number
}

export interface SeriesPoint {
  readonly fromMs: number
  readonly answered: number
  readonly abandoned: number
}

export const EXPORTS = ['calls.ndjson', 'calls.csv', 'agent-states.ndjson'] as const
export type ExportName = (typeof EXPORTS)[number]

export type Opening = { readonly ok: true; readonly days: number } | { readonly ok: false; readonly says: string }

export interface Archive {
  /** Loads past days, or fetches as many of the demo's when there are none. Usable at once; days appear as they arrive. */
  open(days: number, onProgress: (progress: Progress) => void): Promise<Opening>
  /** The seq of the last live entry taken in. */
  addLive(text: string): number
  report(span: Span, nowMs: number, stepMs: number): Report
  /** The record and every event of one call; null when the archive does not hold it. */
  call(callId: string): Promise<{ readonly record: CallRecord; readonly entries: readonly LedgerEntry[] } | null>
  /** Earlier calls with a person, newest first: by name when known, otherwise by number. */
  previousContacts(who: { readonly customer: string | null; readonly number: string | null }, exceptCallId: string): readonly CallRecord[]
  exportFile(name: ExportName, span: Span, nowMs: number): string
}

const PREVIOUS_LIMIT = 12

export function createArchive(store: KeyValue, setUp: SetUp, fetchDays: (days: number) => Promise<Response>): Archive {
  let past: PastDay[] = []
  /** Days are here before their entries are. */
  let importing: Promise<void> = Promise.resolve()
  const live = createLedgerFolder()
  const liveEntries: LedgerEntry[] = []

  const hasLive = () => liveEntries.length > 0
  const records = (): CallRecord[] => [...past.flatMap((d) => d.records.map(corrected)), ...(hasLive() ? live.records() : [])]
  /** A call of a past day may be corrected later, in the ledger of that later day. */
  const corrected = (record: CallRecord): CallRecord => {
    const correction = live.corrections().get(toCallId(record.callId))
    return correction === undefined ? record : { ...record, outcome: correction.code, outcomeAtMs: correction.atMs, outcomeBy: correction.by }
  }
  const intervals = (nowMs: number): AgentInterval[] => [...past.flatMap((d) => d.intervals), ...(hasLive() ? live.intervals(nowMs) : [])]
  const intervalsIn = (span: Span, nowMs: number) => intervals(nowMs).filter((i) => i.fromMs >= span.fromMs && i.fromMs < span.toMs)
  /** By the set-up of the live floor, which may have been changed, and by that of the past days for what it no longer knows. */
  const queueNamed = (name: string | null) => [...(hasLive() ? live.setUp().queues : []), ...setUp.queues].find((q) => q.name === name)
  const options = (nowMs: number) => ({
    nowMs,
    serviceLevelMs: (queue: string | null) => queueNamed(queue)?.serviceLevelMs ?? DEFAULT_SERVICE_LEVEL_MS,
    disagrees: ({ queue, customer, outcome, answers }: CallRecord) => {
      const inUse = hasLive() ? live.setUp() : setUp
      const setId = queueNamed(queue)?.outcomeSetId ?? inUse.outsideOutcomeSetId
      const code = inUse.outcomeSets.find((s) => s.id === setId)?.codes.find((c) => c.code === outcome)
      return code !== undefined && doubtOf(code, { 'caller.known': customer !== null, 'caller.name': customer, ...answers }) !== null
    },
  })

  return {
    async open(days, onProgress) {
      past = await loadDays(store)
      if (past.length > 0 || days === 0) return { ok: true, days: past.length }
      const response = await fetchDays(days)
      if (!response.ok || response.body === null)
        return { ok: false, says: `Past days could not be fetched (${response.status}). Today's figures work without them.` }
      importing = importDays(store, linesOf(response.body), (day, progress) => {
        past = [...past, day]
        onProgress(progress)
      })
      await importing
      return { ok: true, days: past.length }
    },
    addLive(text) {
      for (const entry of readEntries(text)) {
        if (entry.seq <= (liveEntries.at(-1)?.seq ?? 0)) continue
        liveEntries.push(entry)
        live.add(entry)
      }
      return liveEntries.at(-1)?.seq ?? 0
    },
    report(span, nowMs, stepMs) {
      const inSpan = inInterval(records(), span.fromMs, span.toMs)
      const states = intervalsIn(span, nowMs)
      const names = setUp.agents.filter((a) => a.role === 'agent').map((a) => a.name)
      return {
        all: measure(inSpan, options(nowMs)),
        occupancy: occupancy(states),
        queues: byQueue(
          inSpan,
          setUp.queues.map((q) => q.name),
          options(nowMs),
        ),
        agents: byAgent(inSpan, names, options(nowMs)).map((g) => ({ ...g, ...occupancy(states.filter((i) => i.agent === g.name)) })),
        series: toSeries(inSpan, span, stepMs),
        takenBackCount: liveEntries.filter((e) => e.event.kind === 'clearTakenBack' && e.atMs >= span.fromMs && e.atMs < span.toMs).length,
        records: inSpan.toSorted((a, b) => b.offeredAtMs - a.offeredAtMs),
      }
    },
    async call(callId) {
      const record = records().find((r) => r.callId === callId)
      if (record === undefined) return null
      const ofCall = (entries: readonly LedgerEntry[]) => {
        // What was consulted about the call is part of what happened on it.
        const ids = new Set<string>([callId])
        for (const { event } of entries) if (event.kind === 'consultationOriginated' && event.consultFor === callId) ids.add(event.callId)
        return entries.filter((e) => 'callId' in e.event && e.event.callId !== null && ids.has(e.event.callId))
      }
      const fromLive = ofCall(liveEntries)
      if (past.every((d) => !d.records.some((r) => r.callId === callId))) return { record, entries: fromLive }
      await importing
      return { record, entries: [...ofCall(await entriesOfDay(store, utcDay(record.offeredAtMs))), ...fromLive] }
    },
    previousContacts({ customer, number }, exceptCallId) {
      if (customer === null && number === null) return []
      return records()
        .filter((r) => r.callId !== exceptCallId && (customer !== null ? r.customer === customer : r.number === number))
        .sort((a, b) => b.offeredAtMs - a.offeredAtMs)
        .slice(0, PREVIOUS_LIMIT)
    },
    exportFile(name, span, nowMs) {
      if (name === 'agent-states.ndjson') return toNdjson(intervalsIn(span, nowMs))
      const inSpan = inInterval(records(), span.fromMs, span.toMs)
      return name === 'calls.csv' ? toCallsCsv(inSpan) : toNdjson(inSpan)
    },
  }
}

function toSeries(records: readonly CallRecord[], { fromMs, toMs }: Span, stepMs: number): SeriesPoint[] {
  const points: { fromMs: number; answered: number; abandoned: number }[] = []
  for (let at = fromMs; at < toMs; at += stepMs) points.push({ fromMs: at, answered: 0, abandoned: 0 })
  for (const record of records) {
    if (record.direction !== 'inbound') continue
    const point = points[Math.floor((record.offeredAtMs - fromMs) / stepMs)]
    if (point === undefined) continue
    if (record.answeredAtMs !== null) point.answered++
    else if (record.result === 'abandoned') point.abandoned++
  }
  return points
}
