// The archive answers questions about what happened: past days and the live ledger together. It computes in its own
// worker and never touches the floor.
import { bisectRight } from 'd3-array'
import { toCallsCsv, toNdjson } from '@/core/formats'
import { type AgentId, type QueueId, toCallId } from '@/core/ids'
import { type AgentInterval, type CallRecord, createLedgerFolder, type LedgerEntry } from '@/core/ledger'
import { doubtOf } from '@/core/outcomes'
import { byAgent, byQueue, DEFAULT_SERVICE_LEVEL_MS, type Grouped, inInterval, type Measures, measure, occupancy, ofAgent } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import { utcDay } from '@/core/time'
import type { Past } from '@/exchange/protocol'
import type { KeyValue } from '@/storage'
import { dayAfter, daysBetween } from '@/world'
import { type CallsAsked, type CallsPage, pageOfCalls } from './calls'
import { createContactsIndex } from './contacts-index'
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
  open(days: number, seed: number, onProgress: (progress: Progress) => void): Promise<Opening>
  /** The seq of the last live entry taken in. */
  addLive(text: string): number
  report(asked: {
    readonly span: Span
    readonly nowMs: number /** Where the steps of the series begin, ascending: an hour or a calendar day, which is not always 24 of them. */
    readonly steps: readonly number[] /** Of one agent alone; null for everybody. */
    readonly only: AgentId | null
  }): Report
  /** Calls of the span, of one agent alone or of everybody, as far as they are asked for. */
  calls(asked: { readonly span: Span; readonly nowMs: number; readonly only: AgentId | null } & CallsAsked): CallsPage
  /** The record and every event of one call; null when the archive does not hold it. */
  call(callId: string): Promise<{ readonly record: CallRecord; readonly entries: readonly LedgerEntry[] } | null>
  /** Earlier calls with a person, newest first: by name when known, otherwise by number. The latest of them, and how many there are. */
  previousContacts(who: { readonly customer: string | null; readonly number: string | null }, exceptCallId: string): PreviousContacts
  exportFile(name: ExportName, span: Span, nowMs: number): string
}

export interface PreviousContacts {
  readonly count: number
  readonly latest: readonly CallRecord[]
}

const PREVIOUS_LIMIT = 12

/** So many of the demo's days before a day; before today when none is given. */
export type FetchDays = (asked: Past & { readonly before?: string }) => Promise<Response>

export function createArchive(store: KeyValue, setUp: SetUp, fetchDays: FetchDays): Archive {
  let past: PastDay[] = []
  /** Days are here before their entries are. */
  let importing: Promise<void> = Promise.resolve()
  let isOpen = false
  let pastSeed = 0
  let tellProgress: (progress: Progress) => void = () => {}
  const live = createLedgerFolder()
  const liveEntries: LedgerEntry[] = []

  const contacts = createContactsIndex()
  const keep = (days: readonly PastDay[]) => {
    past = [...past, ...days]
    for (const day of days) contacts.add(day.records)
  }

  /** Fetches days and takes them in as they arrive; null when they are all here. */
  const take = async (asked: Parameters<FetchDays>[0]): Promise<Extract<Opening, { ok: false }> | null> => {
    const response = await fetchDays(asked)
    if (!response.ok || response.body === null)
      return { ok: false, says: `Past days could not be fetched (${response.status}). Today's figures work without them.` }
    const known = new Set(past.map((d) => d.day))
    importing = importDays(store, linesOf(response.body), (day, progress) => {
      if (!known.has(day.day)) keep([day])
      tellProgress(progress)
    })
    await importing
    return null
  }
  /** Days that the floor has taken something up from and that are not here: nobody had opened it then. */
  const takeMissing = async () => {
    for (const { event } of liveEntries) {
      if (event.kind !== 'carriedOver') continue
      const days = daysBetween(event.from, event.through) + 1
      const known = new Set(past.map((d) => d.day))
      if (Array.from({ length: days }, (_, i) => dayAfter(event.from, i)).every((day) => known.has(day))) continue
      await take({ seed: pastSeed, days, before: dayAfter(event.through) })
    }
  }

  const hasLive = () => liveEntries.length > 0
  const records = (): CallRecord[] => [...past.flatMap((d) => d.records.map(corrected)), ...(hasLive() ? live.records() : [])]
  /** A call of a past day may be corrected later, in the ledger of that later day. */
  const corrected = (record: CallRecord): CallRecord => {
    const correction = live.corrections().get(toCallId(record.callId))
    return correction === undefined
      ? record
      : {
          ...record,
          outcome: correction.code,
          outcomeAtMs: correction.atMs,
          outcomeById: correction.byId,
          outcomeBy: correction.by,
          ...(correction.notes === null ? {} : { notes: correction.notes }),
        }
  }
  /** Calls under way are in it as far as they are by now. */
  const recordsIn = ({ fromMs, toMs }: Span, nowMs: number, only: AgentId | null) => {
    const all = inInterval([...records(), ...(hasLive() ? live.underWay(nowMs) : [])], fromMs, toMs)
    return only === null ? all : ofAgent(all, only)
  }
  const intervals = (nowMs: number): AgentInterval[] => [...past.flatMap((d) => d.intervals), ...(hasLive() ? live.intervals(nowMs) : [])]
  /** Cut at both ends of the span: an hour is an hour, whatever began before it. */
  const intervalsIn = ({ fromMs, toMs }: Span, nowMs: number) =>
    intervals(nowMs).flatMap((i) => (i.toMs > fromMs && i.fromMs < toMs ? [{ ...i, fromMs: Math.max(i.fromMs, fromMs), toMs: Math.min(i.toMs, toMs) }] : []))
  /** The set-up in use, and what past days knew besides: by id, under the name it has now. */
  const setUps = () => [...(hasLive() ? [live.setUp()] : []), setUp]
  const queues = () => uniqueById(setUps().flatMap((s) => s.queues))
  const agents = () => uniqueById(setUps().flatMap((s) => s.agents))
  const options = (nowMs: number) => {
    const queueOf = new Map(queues().map((q) => [q.id, q]))
    const [inUse = setUp] = setUps()
    return {
      nowMs,
      serviceLevelMs: (queueId: QueueId | null) => (queueId === null ? undefined : queueOf.get(queueId)?.serviceLevelMs) ?? DEFAULT_SERVICE_LEVEL_MS,
      disagrees: ({ queueId, customer, outcome, answers }: CallRecord) => {
        const setId = (queueId === null ? undefined : queueOf.get(queueId)?.outcomeSetId) ?? inUse.outsideOutcomeSetId
        const code = inUse.outcomeSets.find((s) => s.id === setId)?.codes.find((c) => c.code === outcome)
        return code !== undefined && doubtOf(code, { 'caller.known': customer !== null, 'caller.name': customer, ...answers }) !== null
      },
    }
  }

  return {
    async open(days, seed, onProgress) {
      past = []
      keep(await loadDays(store))
      pastSeed = seed
      tellProgress = onProgress
      const fetched = past.length > 0 || days === 0 ? null : await take({ seed, days })
      if (fetched !== null) return fetched
      isOpen = true
      await takeMissing()
      return { ok: true, days: past.length }
    },
    addLive(text) {
      let mayMiss = false
      for (const entry of readEntries(text)) {
        if (entry.seq <= (liveEntries.at(-1)?.seq ?? 0)) continue
        liveEntries.push(entry)
        live.add(entry)
        mayMiss ||= entry.event.kind === 'carriedOver'
      }
      if (mayMiss && isOpen) void takeMissing()
      return liveEntries.at(-1)?.seq ?? 0
    },
    calls: ({ span, nowMs, only, ...asked }) => pageOfCalls(recordsIn(span, nowMs, only), asked),
    report({ span, nowMs, steps, only }) {
      const inSpan = recordsIn(span, nowMs, only)
      const states = intervalsIn(span, nowMs).filter((i) => only === null || i.agentId === only)
      // Whoever is retired is shown for as long as there is something to show.
      const seen = { queues: new Set(inSpan.map((r) => r.queueId)), agents: new Set(inSpan.flatMap((r) => r.agents.map((l) => l.agentId))) }
      const shownQueues = queues().filter((q) => !q.retired || seen.queues.has(q.id))
      const shownAgents = agents().filter((a) => (a.role === 'agent' && !a.retired) || seen.agents.has(a.id))
      const measured = options(nowMs)
      return {
        all: measure(inSpan, measured),
        occupancy: occupancy(states),
        queues: byQueue(inSpan, shownQueues, measured),
        agents: byAgent(inSpan, shownAgents, measured).map((g) => ({ ...g, ...occupancy(states.filter((i) => i.agentId === g.id)) })),
        series: toSeries(inSpan, steps),
        takenBackCount: liveEntries.filter(
          ({ event, atMs }) => event.kind === 'clearTakenBack' && atMs >= span.fromMs && atMs < span.toMs && (only === null || event.byAgentId === only),
        ).length,
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
      if (customer === null && number === null) return { count: 0, latest: [] }
      const today = hasLive() ? live.records().filter((r) => (customer !== null ? r.customer === customer : r.number === number)) : []
      const found = [...contacts.of({ customer, number }).map(corrected), ...today]
        .filter((r) => r.callId !== exceptCallId)
        .sort((a, b) => b.offeredAtMs - a.offeredAtMs)
      return { count: found.length, latest: found.slice(0, PREVIOUS_LIMIT) }
    },
    exportFile(name, span, nowMs) {
      if (name === 'agent-states.ndjson') return toNdjson(intervalsIn(span, nowMs))
      const inSpan = inInterval(records(), span.fromMs, span.toMs)
      return name === 'calls.csv' ? toCallsCsv(inSpan) : toNdjson(inSpan)
    },
  }
}

const uniqueById = <T extends { readonly id: string }>(items: readonly T[]): readonly T[] =>
  [...new Map(items.toReversed().map((i) => [i.id, i])).values()].reverse()

function toSeries(records: readonly CallRecord[], steps: readonly number[]): SeriesPoint[] {
  const points = steps.map((fromMs) => ({ fromMs, answered: 0, abandoned: 0 }))
  for (const record of records) {
    if (record.direction !== 'inbound') continue
    const point = points[bisectRight(steps, record.offeredAtMs) - 1]
    if (point === undefined) continue
    if (record.answeredAtMs !== null) point.answered++
    else if (record.result === 'abandoned') point.abandoned++
  }
  return points
}
