import { describe, expect, test, vi } from 'vitest'
import { toAgentId, toCallId, type WorkId } from '@/core/ids'
import { createLedgerFolder, type LedgerEntry, toLine } from '@/core/ledger'
import { byQueue, inInterval, measure, ofAgent } from '@/core/reports'
import { DAY, HOUR } from '@/core/time'
import { memoryStore } from '@/services/storage'
import { FENNHOLM, SAILINGS } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import type { Feed, FetchDays, History } from './asked'
import { type CallsAsked, LATEST_CALLS, pageOfCalls } from './calls'
import { entriesLine, foldDay, foldedLine } from './days'
import { createHistory } from './history'
import { rulesOf } from './rules'

const MIDNIGHT_MS = Date.parse('2026-11-23T00:00:00Z')
/** Of a day whole decisions, so many entries. */
const until = (entries: readonly LedgerEntry[], seq: number) =>
  entries.slice(
    0,
    entries.findIndex((e) => e.causedBy === null && e.seq > seq),
  )
const PAST = aDay('2026-11-23')
const TODAY = aDay('2026-11-24')
const MORNING = until(TODAY, 5_000)
const NEXT = afterwards(aDay('2026-11-25'), MORNING.at(-1)?.seq ?? 0)
const NOW_MS = MIDNIGHT_MS + 2 * DAY
const BOTH = { fromMs: MIDNIGHT_MS, toMs: NOW_MS }
const ASKED = { span: BOTH, nowMs: NOW_MS, steps: Array.from({ length: 48 }, (_, i) => MIDNIGHT_MS + i * HOUR), only: null }

const PAST_LINES = [foldedLine(foldDay('2026-11-23', PAST), 1, 1), entriesLine('2026-11-23'), ...PAST.map(toLine)].join('\n')
function answerOf(status = 200): Response {
  return new Response(new Blob([PAST_LINES]).stream().pipeThrough(new CompressionStream('gzip')), { status })
}

/** A floor whose ledger this is, as far as it is stored. */
function aFeed(floorId = 'test') {
  const entries: LedgerEntry[] = []
  const feed: Feed = {
    floorId: async () => floorId,
    read: async (after, through) => entries.flatMap((e) => (e.seq > after && e.seq <= (through ?? Infinity) ? [`${toLine(e)}\n`] : [])).join(''),
  }
  return { feed, store: (more: readonly LedgerEntry[]) => void entries.push(...more) }
}

async function aHistory({
  store = memoryStore(),
  fetchDays = (async () => answerOf()) as FetchDays,
  live = [] as readonly LedgerEntry[],
  floorId = 'test',
} = {}) {
  const history = createHistory(store, FENNHOLM, fetchDays)
  const opening = await history.open({ days: 5, seed: 7 }, () => {})
  const floor = aFeed(floorId)
  const follow = async (more: readonly LedgerEntry[]) => {
    floor.store(more)
    await history.follow(floor.feed)
  }
  if (live.length > 0) await follow(live)
  return { history, opening, follow }
}

const allOf = async (history: History, span = BOTH) => (await history.calls({ ...LATEST_CALLS, span, nowMs: NOW_MS, only: null, atMost: 100_000 })).rows

/** A disk on which the past day is already. */
async function withPast() {
  const store = memoryStore()
  await aHistory({ store })
  return store
}

const queued = (entries: readonly LedgerEntry[]) => entries.filter((e) => e.event.kind === 'callQueued').length
const allIn = (history: History) => history.report(ASKED).then((r) => r.all)

describe('the history', () => {
  test('past days and the live ledger are added up together', async () => {
    const { history, follow } = await aHistory()
    expect((await allIn(history)).offered).toBe(queued(PAST))
    await follow(TODAY)
    const both = await history.report(ASKED)
    expect(both.all.offered).toBe(queued(PAST) + queued(TODAY))
    expect(both.queues.reduce((sum, q) => sum + q.measures.offered, 0)).toBe(both.all.offered)
    // Every offered call stands in exactly one step of the series, unless it was still waiting at the end.
    expect(both.series.reduce((sum, p) => sum + p.answered + p.abandoned, 0)).toBe(both.all.answered + both.all.abandoned)
  })

  test('what is added up of blocks, settled or not, is what the measures say of all records, for everybody and for one agent', async () => {
    const { history } = await aHistory({ live: TODAY })
    const records = await allOf(history)
    const options = { nowMs: NOW_MS, ...rulesOf([FENNHOLM]) }
    const agent = records.find((r) => r.result === 'handled')?.agents[0]?.agentId ?? toAgentId('agent_none')
    const hours = ASKED.steps.filter((_, i) => i % 7 === 3)
    for (const [fromMs, toMs] of [[MIDNIGHT_MS, NOW_MS], ...hours.map((h) => [h, h + 5 * HOUR])] as [number, number][]) {
      const span = { fromMs, toMs }
      const inSpan = inInterval(records, fromMs, toMs)
      const report = await history.report({ ...ASKED, span })
      expect(report.all).toEqual(measure(inSpan, options))
      expect(report.queues).toEqual(byQueue(inSpan, report.queues as never, options))
      expect((await history.report({ ...ASKED, span, only: agent })).all).toEqual(measure(ofAgent(inSpan, agent), options))
      expect(report.agents.find((g) => g.id === agent)?.measures).toEqual(measure(ofAgent(inSpan, agent), options))
    }
  })

  test('entries that come twice are taken once', async () => {
    const { history, follow } = await aHistory({ live: TODAY })
    const once = await allIn(history)
    await follow(TODAY)
    expect(await allIn(history)).toEqual(once)
  })

  test('a browser that is opened again goes on from what was settled, and asks the floor for nothing older', async () => {
    const store = memoryStore()
    const all = [...MORNING, ...NEXT.slice(0, 2_000)]
    const { history: first } = await aHistory({ store, live: all })
    const spanned = { ...ASKED, span: { fromMs: MIDNIGHT_MS, toMs: NOW_MS + DAY }, nowMs: NOW_MS + DAY }
    const told = await first.report(spanned)
    const records = await allOf(first, spanned.span)
    expect((await store.keys()).filter((k) => k.includes('/own/'))).not.toEqual([])

    const again = createHistory(store, FENNHOLM, async () => answerOf())
    await again.open({ days: 5, seed: 7 }, () => {})
    const asked: number[] = []
    const { feed, store: put } = aFeed()
    put(all)
    await again.follow({
      floorId: feed.floorId,
      read: (after, through) => {
        asked.push(after)
        return feed.read(after, through)
      },
    })
    expect(Math.min(...asked)).toBeGreaterThan(MORNING.length / 2)
    expect(await again.report(spanned)).toEqual(told)
    expect(await allOf(again, spanned.span)).toEqual(records)
    // A settled call is still followed down to its events, and nothing of another floor's stays.
    const settled = records.find((r) => r.result === 'handled' && r.offeredAtMs > MIDNIGHT_MS + DAY && r.offeredAtMs < MIDNIGHT_MS + DAY + 9 * HOUR)
    expect((await again.call(settled?.callId ?? ''))?.entries.map((e) => e.event.kind)).toEqual(expect.arrayContaining(['callQueued', 'outcomeSaved']))
    const other = await aHistory({ store, floorId: 'another', live: MORNING.slice(0, 1_500) })
    expect((await allIn(other.history)).offered).toBe(queued(PAST) + queued(MORNING.slice(0, 1_500)))
    expect((await store.keys()).filter((k) => k.includes('/own/'))).toEqual([])
  })

  test('a disk that is full in the middle of settling: nothing is counted twice or missing, then or when it is opened again', async () => {
    // The morning of one day and some of the next: with the first of it the day before is settled.
    const days = [...MORNING, ...NEXT.slice(0, 900)]
    const fetchDays: FetchDays = async () => answerOf(503)
    const spanned = { ...ASKED, span: { fromMs: MIDNIGHT_MS, toMs: NOW_MS + DAY }, nowMs: NOW_MS + DAY }
    const plain = await aHistory({ live: days, fetchDays })
    const told = (await plain.history.report(spanned)).all
    for (const refused of ['checkpoint', '/own/'] as const) {
      const disk = memoryStore()
      let refuses = true
      const store = {
        ...disk,
        set: async (key: string, value: unknown) => {
          if (refuses && key.includes(refused)) throw new DOMException('the disk is full', 'QuotaExceededError')
          await disk.set(key, value)
        },
      }
      const { history, follow } = await aHistory({ store, fetchDays, live: days.slice(0, -400) })
      refuses = false
      await follow(days.slice(-400))
      expect((await history.report(spanned)).all, refused).toEqual(told)
      const { history: again } = await aHistory({ store, fetchDays, live: days })
      expect((await again.report(spanned)).all, refused).toEqual(told)
    }
  })

  test('days that cannot be had are asked for once, however much happens', async () => {
    let asked = 0
    const fetchDays: FetchDays = async () => {
      asked++
      return answerOf(503)
    }
    const opened = TODAY[0] as LedgerEntry
    const event = {
      kind: 'carriedOver',
      from: '2026-11-20',
      through: '2026-11-20',
      simulated: null,
      promises: [],
      owed: [],
      handleMs: {},
      campaigns: [],
    } as const
    const { follow, opening } = await aHistory({ store: await withPast(), fetchDays, live: [opened, { ...opened, seq: 2, event }] })
    expect(opening.ok).toBe(true)
    for (const n of [3, 4, 5]) await follow([{ ...opened, seq: n, event: { kind: 'clockMoved', byMs: 1 } }])
    expect(asked).toBe(1)
  })

  test('a call of a past day is followed down to its events', async () => {
    const { history } = await aHistory()
    const { callId } = (await allOf(history)).find((r) => r.result === 'handled' && r.direction === 'inbound') ?? { callId: '' }
    const found = await history.call(callId)
    expect(found?.entries[0]?.event.kind).toBe('callQueued')
    expect(found?.entries.some((e) => e.event.kind === 'outcomeSaved')).toBe(true)
    expect(await history.call('call_of_nobody')).toBeNull()
  })

  test('a call that is under way is found as such, with what has happened so far', async () => {
    const answered = TODAY.findIndex((e) => e.event.kind === 'scriptStarted' && e.event.callId.startsWith('call_') && e.atMs > MIDNIGHT_MS + DAY + 10 * HOUR)
    const { history } = await aHistory({ live: TODAY.slice(0, answered + 1) })
    const { event } = TODAY[answered] as LedgerEntry
    const found = await history.call('callId' in event && event.callId !== null ? event.callId : '')
    expect(found?.record.result).toBe('underWay')
    expect(found?.entries.map((e) => e.event.kind)).toEqual(expect.arrayContaining(['callQueued', 'scriptStarted']))
  })

  test('a call of a past day that is corrected today has the later code everywhere, and the events of both days', async () => {
    const { history, follow } = await aHistory({ live: TODAY })
    const past = (await allOf(history)).find((r) => r.queue === 'Sailings' && r.outcome === 'booking-changed')
    const before = await allIn(history)
    const linnea = toAgentId('agent_linnea-wickerby')
    const corrected = {
      kind: 'outcomeCorrected',
      callId: toCallId(past?.callId ?? 'call_none'),
      byAgentId: linnea,
      queueId: SAILINGS,
      code: 'information',
      was: 'booking-changed',
      why: 'Listened to it',
    } as const
    const last = TODAY.at(-1) as LedgerEntry
    await follow([{ ...last, seq: last.seq + 1, causedBy: null, event: corrected }])
    const after = await history.call(corrected.callId)
    expect(after?.record).toMatchObject({ outcome: 'information', outcomeBy: 'Linnea Wickerby', outcomeAtMs: last.atMs })
    expect(after?.entries.map((e) => e.event.kind)).toEqual(expect.arrayContaining(['outcomeSaved', 'outcomeCorrected']))
    expect((await allIn(history)).outcomes.information).toBe((before.outcomes.information ?? 0) + 1)
    expect(await (await history.exportFile('calls.ndjson', BOTH, NOW_MS, () => {})).text()).toContain('"outcomeBy":"Linnea Wickerby"')
  })

  test('disagreement counts what the answers speak against, by the doubts of the set', async () => {
    const { history } = await aHistory({ live: TODAY })
    const all = await allIn(history)
    const doubtful = (await allOf(history)).filter(
      (r) => r.queue === 'Sailings' && r.outcome === 'booking-changed' && (r.answers.purpose === 'ask' || r.answers.confirmed === false),
    )
    expect(doubtful.length).toBeGreaterThan(0)
    expect(all.disagreements).toBeGreaterThanOrEqual(doubtful.length)
    expect(all.disagreementRatio).toBe(all.disagreements / all.codedWithScript)
  })

  test('what was written is told by its records and its lines: of past days, of this ledger, and of what is settled of it', async () => {
    const { history } = await aHistory({ live: [...MORNING, ...NEXT.slice(0, 3_000)] })
    expect(history.blocks().some((b) => b.name.startsWith('own/') && (b.written?.length ?? 0) > 20)).toBe(true)
    const whole = [PAST, MORNING].map((entries) => {
      const folder = createLedgerFolder()
      for (const entry of entries) folder.add(entry)
      return folder
    })
    const span = { fromMs: MIDNIGHT_MS, toMs: MIDNIGHT_MS + 1.5 * DAY }
    const { channels, count, latest } = await history.written({ span, nowMs: NOW_MS, only: null, atMost: 10_000 })
    const expected = whole.flatMap((f) => f.written())
    expect(count).toBe(expected.length)
    expect(channels.reduce((sum, c) => sum + c.offered, 0)).toBe(count)
    expect(latest.map((r) => r.workId).sort()).toEqual(expected.map((r) => r.workId).sort())
    const over = expected.filter((r) => r.endedAtMs !== null && r.outcome !== null)
    expect(over.length).toBeGreaterThan(150)
    for (const record of over) expect(latest.find((r) => r.workId === record.workId)).toEqual(record)
    const messages = await history.exportFile('messages.ndjson', span, NOW_MS, () => {})
    const said = (await messages.text())
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { workId: string; text: string })
    for (const [i, folder] of whole.entries())
      for (const { workId } of folder.written()) {
        const texts = folder.linesOf(workId as WorkId).map((l) => l.text)
        expect(said.flatMap((m) => (m.workId === workId ? [m.text] : []))).toEqual(i === 0 ? texts : expect.arrayContaining(texts))
      }
    // Down to the words, for who had a part in it and for nobody else.
    for (const record of [over[0], over.at(-1)]) {
      const [mine, other] = [record?.agents[0]?.agentId ?? null, toAgentId('agent_nobody')]
      const lines = await history.linesOf(record?.workId ?? '', null)
      expect(lines.length).toBe((record?.linesIn ?? 0) + (record?.linesOut ?? 0))
      expect(await history.linesOf(record?.workId ?? '', mine)).toEqual(lines)
      expect(await history.linesOf(record?.workId ?? '', other)).toEqual([])
    }
  })

  test('days that are stored are not fetched again, and those of the first versions are kept as they are now', async () => {
    const store = memoryStore()
    await aHistory({ store })
    const never: FetchDays = async () => {
      throw new Error('asked the server in vain')
    }
    const { opening, history } = await aHistory({ store, fetchDays: never })
    expect(opening).toEqual({ ok: true, days: 1 })
    expect((await allIn(history)).offered).toBe(queued(PAST))

    const old = memoryStore()
    await old.set('day/2026-11-23', foldDay('2026-11-23', PAST))
    await old.set('entries/2026-11-23', PAST.map(toLine).join('\n'))
    for (const _ of ['as it was', 'kept anew']) {
      const { history: upgraded } = await aHistory({ store: old, fetchDays: never })
      expect(await allIn(upgraded)).toEqual(await allIn(history))
      const [one] = await allOf(upgraded)
      expect((await upgraded.call(one?.callId ?? ''))?.entries.length).toBeGreaterThan(1)
    }
  })

  test('a block that cannot be read is left out, and the others answer', async () => {
    const store = memoryStore()
    await aHistory({ store })
    const key = (await store.keys()).find((k) => k.includes('/day/')) ?? ''
    await store.set(key, { name: 'day/2026-11-23', calls: 'gone' })
    const { history } = await aHistory({ store, live: TODAY })
    expect((await allIn(history)).offered).toBe(queued(TODAY))
  })

  test('days the floor has taken something up from are fetched, once, when they are not here', async () => {
    const asked: string[] = []
    const gap = aDay('2026-11-22')
    const lines = [foldedLine(foldDay('2026-11-22', gap), 1, 1), entriesLine('2026-11-22'), ...gap.map(toLine)].join('\n')
    const fetchDays: FetchDays = async ({ days, before = 'today' }) => {
      asked.push(`${days} before ${before}`)
      return before === 'today' ? answerOf() : new Response(new Blob([lines]).stream().pipeThrough(new CompressionStream('gzip')))
    }
    const opened = TODAY[0] as LedgerEntry
    const carried = (from: string, through: string, seq: number): LedgerEntry => ({
      ...opened,
      seq,
      event: { kind: 'carriedOver', from, through, simulated: null, promises: [], owed: [], handleMs: {}, campaigns: [] },
    })
    const { history } = await aHistory({ fetchDays, live: [opened, carried('2026-11-23', '2026-11-23', 2), carried('2026-11-22', '2026-11-22', 3)] })
    const before = { fromMs: MIDNIGHT_MS - DAY, toMs: MIDNIGHT_MS }
    await vi.waitFor(async () => expect((await allOf(history, before)).length).toBeGreaterThan(50), { timeout: 20_000 })
    expect(asked).toEqual(['5 before today', '1 before 2026-11-23'])
    expect((await allIn(history)).offered).toBe(queued(PAST))
  })

  test('without a server today’s figures work, and it is said', async () => {
    const { opening, history } = await aHistory({ fetchDays: async () => answerOf(503), live: TODAY })
    expect(opening).toEqual({ ok: false, says: "Past days could not be fetched (503). Today's figures work without them." })
    expect((await allIn(history)).offered).toBe(queued(TODAY))
  })

  test('a page of calls is what a page of all of their records is, whatever is searched, filtered and sorted', async () => {
    const { history } = await aHistory({ live: TODAY })
    const words = { outcomes: { information: 'Information given' }, results: { abandoned: 'Gave up waiting' } }
    const asked = { ...LATEST_CALLS, span: BOTH, nowMs: NOW_MS, only: null, words, atMost: 100_000 }
    const whole = await allOf(history)
    expect(whole.length).toBeGreaterThan(1_000)
    const name = whole.find((r) => r.customer !== null && r.outcome === 'information')?.customer ?? ''
    const number = whole.find((r) => r.number !== null)?.number ?? ''
    // In the order they are kept: what is equal stands as it stood.
    const kept = whole.toReversed()
    const check = async (more: Partial<CallsAsked>) => {
      const page = await history.calls({ ...asked, ...more })
      const expected = pageOfCalls(kept, { ...asked, ...more })
      expect({ ...page, rows: page.rows.map((r) => r.callId) }).toEqual({ ...expected, rows: expected.rows.map((r) => r.callId) })
      expect(page.rows.slice(0, 20)).toEqual(expected.rows.slice(0, 20))
      return page
    }
    for (const search of [
      name.toUpperCase(),
      `${name.split(' ')[0]} information`,
      'information given',
      'gave up',
      number.slice(3, 9),
      'nobody of this name',
      'a e',
    ])
      expect((await check({ search })).found > 0).toBe(!search.startsWith('nobody'))
    for (const filter of [{ queueId: 'dialled' }, { queueId: SAILINGS }, { result: 'abandoned' as const }, { queueId: SAILINGS, search: 'a' }])
      await check(filter)
    for (const by of ['wait', 'talk', 'agent', 'customer', 'queue', 'number', 'outcome', 'offeredAtMs'] as const) {
      for (const descending of [true, false]) await check({ sort: { by, descending } })
      await check({ sort: { by, descending: true }, from: 40, atMost: 20, search: 'a' })
    }
  })

  test('a queue and an agent who have other names by now are called by those, in pages, searches, sorting, calls and files', async () => {
    const opened = TODAY[0] as LedgerEntry
    const [agent] = PAST.flatMap(({ event }) => (event.kind === 'outcomeSaved' ? [event.agentId] : []))
    const setUp = {
      ...FENNHOLM,
      queues: FENNHOLM.queues.map((q) => (q.id === SAILINGS ? { ...q, name: 'Aaa crossings' } : q)),
      agents: FENNHOLM.agents.map((a) => (a.id === agent ? { ...a, name: 'Zelda Zuyderzee' } : a)),
    }
    const { history } = await aHistory({ live: [{ ...opened, event: { kind: 'floorOpened', floorId: 'test', setUp } }] })
    const asked = { ...LATEST_CALLS, span: BOTH, nowMs: NOW_MS, only: null, atMost: 10_000 }
    const all = await history.calls(asked)
    const mine = all.rows.filter((r) => r.agents.some((l) => l.agentId === agent))
    expect(mine.length).toBeGreaterThan(3)
    expect(mine.every((r) => r.agents.some((l) => l.agent === 'Zelda Zuyderzee'))).toBe(true)
    expect((await history.calls({ ...asked, search: 'zuyderzee' })).rows.map((r) => r.callId)).toEqual(mine.map((r) => r.callId))
    const former = FENNHOLM.agents.find((a) => a.id === agent)?.name ?? ''
    expect((await history.calls({ ...asked, search: former })).found).toBe(0)
    const byQueue = await history.calls({ ...asked, queueId: SAILINGS })
    expect(byQueue.rows.every((r) => r.queue === 'Aaa crossings')).toBe(true)
    const [first, ...others] = (await history.calls({ ...asked, sort: { by: 'queue', descending: false } })).rows.filter((r) => r.queue !== null)
    expect(first?.queue).toBe('Aaa crossings')
    expect(others.findLastIndex((r) => r.queue === 'Aaa crossings')).toBe(byQueue.found - 2)
    expect((await history.call(mine[0]?.callId ?? ''))?.record.agents.map((l) => l.agent)).toContain('Zelda Zuyderzee')
    const file = await (await history.exportFile('calls.ndjson', BOTH, NOW_MS, () => {})).text()
    expect(file).toContain('Zelda Zuyderzee')
    expect(file).not.toContain(`"agent":"${former}"`)
  })

  test('earlier calls with a person come newest first, by name and otherwise by number, today’s among them', async () => {
    const { history } = await aHistory({ live: TODAY })
    // What is under way is no earlier call.
    const all = (await allOf(history)).filter((r) => r.result !== 'underWay')
    const everyPiece = [foldDay('2026-11-23', PAST), foldDay('2026-11-24', TODAY)].flatMap((day) => day.written)
    for (const known of [
      all.find((r) => r.customer !== null),
      all.findLast((r) => r.customer !== null),
      all.find((r) => r.number !== null && r.customer === null),
    ]) {
      const { customer = null, number = null } = known ?? {}
      const isTheirs = (r: { readonly customer: string | null; readonly number: string | null }) =>
        customer !== null ? r.customer === customer : r.number === number
      const [expected, pieces] = [all.filter(isTheirs), everyPiece.filter(isTheirs)]
      const { count, latest, written } = history.previousContacts({ customer, number }, 'none')
      expect([count, latest]).toEqual([expected.length + pieces.length, expected.slice(0, 12)])
      expect(written.map((w) => w.workId).toSorted()).toEqual(pieces.map((w) => w.workId).toSorted())
    }
    expect(history.previousContacts({ customer: null, number: null }, 'none')).toEqual({ count: 0, latest: [], written: [] })
  })
})

/** A day's entries as they would follow in the ledger of another. */
function afterwards(entries: readonly LedgerEntry[], lastSeq: number): LedgerEntry[] {
  const renamed = JSON.parse(JSON.stringify(entries.slice(1)).replaceAll('2026-11-25_', '2026-11-24b_')) as LedgerEntry[]
  return renamed.map((e, i) => ({ ...e, seq: lastSeq + 1 + i, causedBy: null }))
}
