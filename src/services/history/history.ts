// The history answers questions about what happened: past days and the floor's ledger together. One for all tabs, in a worker of its own; it never
// touches the floor.
import { format } from 'date-fns'
import { FORGOTTEN, offeredBy } from '@/core/forgotten'
import { toCallId, type WorkId } from '@/core/ids'
import type { LedgerEntry, WrittenRecord } from '@/core/ledger'
import { isListedAs, mayBeIn, soughtOf } from '@/core/personal'
import { isMark } from '@/core/replay'
import { ofAgent } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import type { Line } from '@/core/threads'
import { DAY, utcDay } from '@/core/time'
import { type KeyValue, linesOfGzip } from '@/services/storage'
import { dayAfter, daysBetween } from '@/world'
import type { Feed, FetchDays, History, Opening, Span } from './asked'
import { createBlocks } from './blocks'
import { ofAgentAlone, withCorrection } from './call-blocks'
import { pageOfCalls } from './calls'
import { cameIn } from './came'
import {
  type CallsBlock,
  hashOf,
  idAt,
  packCalls,
  packStates,
  phoneAt,
  recordAt,
  recordsOf,
  rowsOf,
  type StatesBlock,
  seqsAt,
  textAt,
  valueAt,
} from './columns'
import { callsOfCell, crossOf, teamsOf } from './cross'
import { entriesOfDay, importDays, ledgerOfDay, type PastDay, type Progress, readEntries, takeLegacyDays } from './days'
import { exported, exportedWritten, isEmptyExport } from './exports'
import { pastDaysOf, withoutBefore, withoutThem } from './forgotten'
import { handlingOf } from './handling'
import { type Kept, keepDay, type Sums, sumsOf } from './kept'
import { createLive } from './live'
import { dialledBefore, pageOfLog } from './log'
import { type Names, named, namesOf } from './names'
import { ofCall, ownEntries } from './own-entries'
import { pageOfBlocks } from './pages'
import { profilesOf } from './profile'
import { type Part, reportOf } from './report'
import { rulesOf } from './rules'
import { callsOfDay, isAbout, sessionsIn } from './sessions'
import { soundOf } from './sound'
import { isOf, openBlock, type Rules, rowsIn } from './tally'
import { beganIn, hadBy, type IsMeant, linesFrom, speaksOfWritten, whereWhole, writtenIn, writtenReport } from './written'

/** Of a line of a ledger. */
const AT_MS = /"atMs":(\d+)/

const PREVIOUS_LIMIT = 12
/** Events of a stretch that somebody can read. */
const EVENTS_SHOWN = 200

export function createHistory(store: KeyValue, setUp: SetUp, fetchDays: FetchDays, onMore: () => void = () => {}): History {
  const blocks = createBlocks(store)
  const live = createLive(store)
  /** Where past days' entries are, before they are stored. */
  let importing: Promise<void> = Promise.resolve()
  let isOpen = false
  /** Of so many times that the floor took something up the days have been sought: those that cannot be had are not asked for again and again. */
  let soughtFor = 0
  let seed = 0
  let tellProgress: (progress: Progress) => void = () => {}
  let feed: Feed | null = null
  /** What was corrected of a block since it was kept. */
  let corrected = { key: '', of: new Map<string, CallsBlock>() }
  /** Sums of blocks whose own are of other rules, or of calls as they were before. */
  let resummed = { key: '', of: new Map<string, Sums>() }
  /** Lines are folded and settled one lot after the other. */
  let following: Promise<void> = Promise.resolve()

  const setUps = (): readonly [SetUp, ...SetUp[]] => (live.hasAny() ? [live.folder.setUp(), setUp] : [setUp])
  let ruled: { readonly of: SetUp; readonly rules: Rules } | null = null
  const names = (): Names => namesOf(setUps())
  const rules = (): Rules => {
    const known = setUps()
    if (ruled?.of !== known[0]) ruled = { of: known[0], rules: rulesOf(known) }
    return ruled.rules
  }

  const dayNames = () => new Set(blocks.names().flatMap((name) => (name.startsWith('day/') ? [name.slice(4)] : [])))
  const keep = (day: PastDay): Kept => keepDay(day, rules())

  /** Fetches days and takes them in as they arrive; null when they are all here. */
  const take = async (asked: Parameters<FetchDays>[0]): Promise<Extract<Opening, { ok: false }> | null> => {
    const response = await fetchDays(asked)
    if (!response.ok || response.body === null)
      return { ok: false, says: `Past days could not be fetched (${response.status}). Today's figures work without them.` }
    const known = dayNames()
    const made = new Map<string, Kept>()
    importing = importDays(
      store,
      linesOfGzip(response.body),
      (day, progress) => {
        if (!known.has(day.day)) {
          const kept = keep(day)
          made.set(day.day, kept)
          blocks.add(kept)
        }
        tellProgress(progress)
      },
      async ({ day }) => {
        const kept = made.get(day)
        if (kept !== undefined) await blocks.store(kept)
      },
    )
    await importing
    return null
  }
  /** Days that the floor has taken something up from and that are not here: nobody had opened it then. */
  const takeMissing = async () => {
    soughtFor = live.carried().length
    for (const { from, through, simulated } of live.carried()) {
      const days = daysBetween(from, through) + 1
      const known = dayNames()
      if (Array.from({ length: days }, (_, i) => dayAfter(from, i)).every((day) => known.has(day))) continue
      await take({ seed, days, campaigns: simulated?.campaigns === true, before: dayAfter(through) })
    }
  }

  /** Calls of a block as they are by now: a call of a past day may be corrected later, in the ledger of that later day. */
  const callsOf = (kept: Kept): CallsBlock => {
    if (live.folder.corrections().size === 0) return kept.calls
    const key = live.correctionsKey()
    if (corrected.key !== key) corrected = { key, of: new Map() }
    const known = corrected.of.get(kept.name)
    if (known !== undefined) return known
    const of = [...live.folder.corrections()].filter(([id]) => rowsOf(kept.calls.byId, hashOf(id)).some((row) => idAt(kept.calls, row) === id))
    const calls = of.length === 0 ? kept.calls : packCalls(recordsOf(kept.calls).map((r) => withCorrection(r, new Map(of))))
    corrected.of.set(kept.name, calls)
    return calls
  }
  const sumsBy = (kept: Kept, calls: CallsBlock): Sums => {
    if (kept.sums.rules === rules().key && calls === kept.calls) return kept.sums
    const key = `${rules().key} ${corrected.key}`
    if (resummed.key !== key) resummed = { key, of: new Map() }
    const known = resummed.of.get(kept.name)
    if (known !== undefined) return known
    const made = sumsOf(calls, kept.states, rules())
    resummed.of.set(kept.name, made)
    return made
  }
  const keptIn = async ({ fromMs, toMs }: Span) => {
    await following
    return blocks.need(fromMs, toMs)
  }
  /** What there is of a span: kept blocks, and what the folder still holds. */
  const partsIn = async (span: Span, nowMs: number): Promise<readonly Part[]> => {
    const stored = (await keptIn(span)).map((kept): Part => {
      const calls = callsOf(kept)
      return { calls, states: kept.states, sums: () => sumsBy(kept, calls) }
    })
    return [...stored, { calls: live.ended(), states: live.states(nowMs), sums: null }, { calls: live.underWay(nowMs), states: NO_STATES, sums: null }]
  }
  /** The ledger of a past day that is kept whole; null of days on which this floor ran. */
  const textOf = async (fromMs: number): Promise<string | null> => {
    await following
    // East of Greenwich a local day begins on the day before: its middle is on it everywhere.
    const day = utcDay(fromMs + DAY / 2)
    if (!dayNames().has(day)) return null
    await importing
    return ledgerOfDay(store, day)
  }
  const writtenOf = (kept: readonly Kept[], isMeant: IsMeant): readonly WrittenRecord[] =>
    writtenIn(kept, live.hasAny() ? live.folder.written() : [], isMeant, live.folder.corrections(), names())
  /** What was said in pieces of a block. */
  const saidIn = async ({ name, seqs, written = [] }: Kept, isMeant: (workId: string) => boolean): Promise<ReadonlyMap<string, readonly Line[]>> => {
    if (seqs === null) {
      await importing
      return linesFrom(readEntries((await ledgerOfDay(store, name.slice(4))) ?? '', speaksOfWritten), isMeant)
    }
    const said = new Map<string, readonly Line[]>()
    for (const { record, firstSeq, lastSeq } of written) {
      if (feed === null || !isMeant(record.workId)) continue
      const entries = readEntries(await feed.read(firstSeq - 1, lastSeq), speaksOfWritten)
      for (const [id, lines] of linesFrom(entries, (workId) => workId === record.workId)) said.set(id, lines)
    }
    return said
  }
  const callsIn = async (span: Span, nowMs: number) => [...(await keptIn(span)).map(callsOf), live.ended(), live.underWay(nowMs)]

  const past = pastDaysOf(store, dayNames, () => offeredBy(setUps()[0]))
  /** Whom the floor has forgotten stands in nothing that was folded before. */
  const forgetWhom = async (entries: readonly LedgerEntry[]): Promise<void> => {
    const about = new Set(entries.flatMap(({ event }) => (event.kind === 'personForgotten' ? event.about : [])))
    const beforeMs = Math.max(0, ...entries.map(({ event }) => (event.kind === 'detailsForgotten' && event.what === 'details' ? event.beforeMs : 0)))
    if (about.size === 0 && beforeMs === 0) return
    await importing
    await blocks.needAll()
    const setUpNow = setUps()[0]
    for (const kept of blocks.here()) {
      const old = beforeMs === 0 ? null : withoutBefore(kept, beforeMs, setUpNow)
      const left = withoutThem(old ?? kept, about, setUpNow) ?? old
      if (left === null) continue
      await blocks.store(left)
      blocks.add(left)
    }
    corrected = { key: '', of: new Map() }
    const ids = [...about]
    if (ids.length > 0)
      await past.forget(
        (one) => about.has(one),
        (line) => ids.some((id) => line.includes(id)),
      )
    if (beforeMs > 0)
      await past.forget(
        () => true,
        (line) => Number(AT_MS.exec(line)?.[1] ?? Infinity) < beforeMs,
      )
    await live.keep()
    onMore()
  }

  const fold = async (from: Feed): Promise<void> => {
    if (feed !== from) {
      feed = from
      // Blocks of a ledger that is no longer there, or of which it is not noted how far they go, are made anew.
      const settled = new Set(await live.resume(await from.floorId()))
      await blocks.forget(blocks.names().filter((name) => name.startsWith('own/') && !settled.has(name)))
    }
    for (let after = live.seq(); ; after += LOT) {
      const lot = await from.read(after, after + LOT)
      if (lot === '') break
      const entries = readEntries(lot)
      live.add(entries)
      await forgetWhom(entries)
      const kept = await live.settle(rules(), (one) => blocks.store(one)).catch(() => null)
      if (kept !== null) blocks.add(kept)
    }
    if (isOpen && live.carried().length > soughtFor) void takeMissing().then(onMore)
  }

  return {
    async open(past, onProgress) {
      seed = past.seed
      tellProgress = onProgress
      const keys = await store.keys()
      blocks.open(keys)
      await takeLegacyDays(store, keys, async (day) => {
        const kept = keep(day)
        await blocks.store(kept)
        blocks.add(kept)
      })
      const fetched = dayNames().size > 0 || past.days === 0 ? null : await take({ ...past, campaigns: true })
      if (fetched !== null) return fetched
      isOpen = true
      await takeMissing()
      void blocks.needAll().then(onMore)
      return { ok: true, days: dayNames().size }
    },
    follow(from) {
      // One that failed says so to whoever waits for it; the next one tries again from there.
      following = following.catch(() => {}).then(() => fold(from))
      return following
    },
    async report({ span, nowMs, steps, only }) {
      return reportOf(await partsIn(span, nowMs), {
        span,
        nowMs,
        steps,
        only,
        rules: rules(),
        setUps: setUps(),
        takenBack: live.hasAny() ? live.folder.takenBack() : [],
        corrected: live.hasAny() ? live.folder.corrected() : [],
      })
    },
    async calls({ span, nowMs, only, ...asked }) {
      const found = await callsIn(span, nowMs)
      if (only === null) return pageOfBlocks(found, span, asked, names())
      const mine = found.flatMap((block) => {
        const open = openBlock(block)
        const [from, to] = rowsIn(block, span)
        return Array.from({ length: to - from }, (_, i) => from + i).flatMap((row) => (isOf(block, row, only, open) ? [recordAt(block, row)] : []))
      })
      const now = names()
      return pageOfCalls(
        ofAgent(mine, only).map((record) => named(record, now)),
        asked,
      )
    },
    async cross({ nowMs, only, ...asked }) {
      const blocks = await callsIn(asked.span, nowMs)
      return crossOf(only === null ? blocks : blocks.map((b) => ofAgentAlone(b, only)), asked, rules(), LOCAL_CLOCK, teamsOf(setUps()), nowMs)
    },
    async crossCalls({ nowMs, only, ...asked }) {
      const blocks = await callsIn(asked.span, nowMs)
      const now = names()
      return callsOfCell(only === null ? blocks : blocks.map((b) => ofAgentAlone(b, only)), asked, LOCAL_CLOCK, teamsOf(setUps())).map((r) => named(r, now))
    },
    async profiles({ days, nowMs }) {
      const [first, last] = [days[0], days.at(-1)]
      return first === undefined || last === undefined ? [] : profilesOf(await callsIn({ fromMs: first.fromMs, toMs: last.toMs }, nowMs), days)
    },
    async written({ span, only, ...asked }) {
      const [isIn, isTheirs] = [beganIn(span), hadBy(only)]
      return writtenReport(
        writtenOf(await keptIn(span), (r) => isIn(r) && isTheirs(r)),
        setUps()[0],
        asked,
      )
    },
    async linesOf(workId, only) {
      await following
      const held = live.hasAny() ? live.folder.linesOf(workId as WorkId) : []
      const isSeen = hadBy(only)
      if (held.length > 0) return live.folder.written().some((r) => r.workId === workId && isSeen(r)) ? held : []
      if (!blocks.isWhole()) await blocks.needAll()
      const whole = whereWhole(blocks.here()).get(workId)
      return whole === undefined || !isSeen(whole.record) ? [] : ((await saidIn(whole.block, (id) => id === workId)).get(workId) ?? [])
    },
    came: async ({ nowMs, ...span }) => cameIn(await callsIn(span, nowMs), span),
    async ledger({ fromMs, toMs }) {
      const text = await textOf(fromMs)
      if (text !== null) return text
      const lots: string[] = []
      for (let after = 0; feed !== null; after += LOT) {
        const lot = await feed.read(after, after + LOT)
        lots.push(lot)
        const last = readEntries(lot.slice(lot.trimEnd().lastIndexOf('\n') + 1))[0]
        if (lot === '' || (last !== undefined && last.atMs > toMs)) break
        // A floor that has run for months would not fit into a tab.
        if (lots.length >= MOST_LOTS) throw new Error('so much has happened on this floor since it opened that its ledger cannot be gone through here')
      }
      return lots.join('\n')
    },
    async marks({ fromMs, toMs }) {
      const isMeant = (e: LedgerEntry) => e.atMs >= fromMs && e.atMs < toMs && isMark(e)
      const text = await textOf(fromMs)
      if (text !== null) return readEntries(text).filter(isMeant)
      return live.marks().filter(isMeant)
    },
    sessions: async ({ nowMs, ...asked }) => sessionsIn(await partsIn(asked.span, nowMs), asked, names(), reasonsOf(setUps())),
    callsOfAgent: async ({ span, nowMs, only }) => callsOfDay(await partsIn({ ...span, fromMs: span.fromMs - DAY }, nowMs), span, only, names()),
    async eventsOfAgent({ span, only }) {
      await following
      const isMeant = (e: LedgerEntry) => e.atMs >= span.fromMs && e.atMs <= span.toMs && isAbout(e, only)
      const day = dayNames().has(utcDay(span.fromMs)) ? utcDay(span.fromMs) : null
      if (day !== null) {
        await importing
        return (await entriesOfDay(store, day)).filter(isMeant).slice(0, EVENTS_SHOWN)
      }
      const found: LedgerEntry[] = []
      for (let after = 0; feed !== null && found.length < EVENTS_SHOWN; after += LOT) {
        const lot = await feed.read(after, after + LOT)
        const entries = readEntries(lot)
        found.push(...entries.filter(isMeant))
        if (lot === '' || (entries.at(-1)?.atMs ?? 0) > span.toMs) break
      }
      return found.slice(0, EVENTS_SHOWN)
    },
    sound: async ({ nowMs, ...asked }) => soundOf(await callsIn(asked, nowMs), asked),
    log: async ({ nowMs, ...asked }) => pageOfLog(await callsIn({ fromMs: asked.sinceMs, toMs: Infinity }, nowMs), asked, names()),
    dialledBefore: async ({ only, atMost, nowMs }) =>
      dialledBefore(await callsIn({ fromMs: nowMs - DIALLED_LATELY_MS, toMs: Infinity }, nowMs), only, atMost, names()),
    async keptAbout(asked) {
      await importing
      return past.about(soughtOf(asked))
    },
    async forgetListed(asked) {
      await importing
      const sought = soughtOf(asked)
      await past.forget(isListedAs(sought), (line) => mayBeIn(line, sought))
    },
    handling: async ({ span, nowMs, campaignId }) => handlingOf(await callsIn(span, nowMs), span, campaignId, setUps()[0]),
    async call(callId) {
      await following
      const find = () => {
        for (const kept of blocks.here()) {
          const calls = callsOf(kept)
          const row = rowsOf(calls.byId, hashOf(callId)).find((r) => idAt(calls, r) === callId)
          if (row !== undefined) return { kept, record: named(recordAt(calls, row), names()), row }
        }
        return null
      }
      const held = live.hasAny() ? live.folder.find(toCallId(callId)) : null
      if (held !== null) return { record: named(held.record, names()), entries: await ownEntries(feed, callId, held.firstSeq, held.lastSeq) }
      if (find() === null && !blocks.isWhole()) await blocks.needAll()
      const found = find()
      if (found === null) return null
      const { kept, record, row } = found
      const later = live.folder.corrections().get(toCallId(callId))
      const corrections = later === undefined ? [] : await ownEntries(feed, callId, later.seq, later.seq)
      if (kept.seqs !== null) {
        const { firstSeq, lastSeq } = seqsAt(kept.seqs, row)
        return { record, entries: [...(await ownEntries(feed, callId, firstSeq, lastSeq)), ...corrections] }
      }
      await importing
      return { record, entries: [...ofCall(await entriesOfDay(store, kept.name.slice(4)), callId), ...corrections] }
    },
    previousContacts({ customer, number }, exceptCallId) {
      const known = customer ?? number
      // Whoever is forgotten has nothing in common with anybody else who is.
      if (known === null || known === FORGOTTEN) return { count: 0, latest: [], written: [] }
      const hash = hashOf(known)
      const found: (readonly [block: CallsBlock, row: number])[] = []
      const look = (block: CallsBlock) => {
        const rows = rowsOf(customer !== null ? block.byCustomer : block.byNumber, hash)
        for (const row of rows) {
          const is = customer !== null ? textAt(block.customer, row) === customer : phoneAt(block, row) === number
          if (is && idAt(block, row) !== exceptCallId) found.push([block, row])
        }
      }
      for (const kept of blocks.here()) look(callsOf(kept))
      look(live.ended())
      found.sort(([a, i], [b, j]) => valueAt(b.offeredAtMs, j) - valueAt(a.offeredAtMs, i))
      const now = names()
      const written = writtenOf(blocks.here(), (r) => r.workId !== exceptCallId && (customer !== null ? r.customer === customer : r.number === number))
      return {
        count: found.length + written.length,
        latest: found.slice(0, PREVIOUS_LIMIT).map(([block, row]) => named(recordAt(block, row), now)),
        written: written.slice(0, PREVIOUS_LIMIT),
      }
    },
    async exportFile(name, span, nowMs, onProgress) {
      if (name === 'work.ndjson' || name === 'messages.ndjson') {
        const kept = await keptIn(span)
        return exportedWritten(name, writtenOf(kept, beganIn(span)), kept, saidIn, (id) => live.folder.linesOf(id as WorkId), onProgress)
      }
      const parts = (await partsIn(span, nowMs)).filter((part) => !isEmptyExport(part, span))
      return exported(name, parts, span, names(), onProgress)
    },
    blocks: () => blocks.here(),
  }
}

/** Whom somebody called longer ago they look up. */
const DIALLED_LATELY_MS = 60 * DAY

/** Entries are read and folded so many at once: what else is asked is answered in between. */
const LOT = 20_000
/** About a month of a floor of fourteen. */
const MOST_LOTS = 20
const NO_STATES: StatesBlock = packStates([])

/** As they are now, and as they were of those that are gone. */
const reasonsOf = (setUps: readonly SetUp[]): SetUp['notReadyReasons'] => [
  ...new Map(setUps.toReversed().flatMap((s) => s.notReadyReasons.map((r) => [r.name, r] as const))).values(),
]

/** The zone of whoever looks, which is that of every date on the screen. */
const LOCAL_CLOCK = {
  hour: (atMs: number) => new Date(atMs).getHours(),
  weekday: (atMs: number) => new Date(atMs).getDay(),
  day: (atMs: number) => format(atMs, 'yyyy-MM-dd'),
}
