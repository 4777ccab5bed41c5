import { describe, expect, test, vi } from 'vitest'
import { toAgentId, toCallId } from '@/core/ids'
import { type CallRecord, toLine } from '@/core/ledger'
import { DAY, HOUR } from '@/core/time'
import { memoryStore } from '@/storage'
import { simulateDay } from '@/world'
import { FENNHOLM, SAILINGS } from '@/world/scenario'
import { type Archive, createArchive, type FetchDays } from './archive'
import { LATEST_CALLS, waitedMs } from './calls'
import { entriesLine, foldDay, foldedLine } from './days'

const MIDNIGHT_MS = Date.parse('2026-11-23T00:00:00Z')
const PAST = simulateDay({ seed: 5, pace: 'ordinary', day: '2026-11-23' })
const TODAY = simulateDay({ seed: 6, pace: 'ordinary', day: '2026-11-24' })
const NOW_MS = MIDNIGHT_MS + 2 * DAY
const BOTH = { fromMs: MIDNIGHT_MS, toMs: NOW_MS }
const ASKED = { span: BOTH, nowMs: NOW_MS, steps: Array.from({ length: 48 }, (_, i) => MIDNIGHT_MS + i * HOUR), only: null }

function answerOf(status = 200): Response {
  const lines = [foldedLine(foldDay('2026-11-23', PAST), 1, 1), entriesLine('2026-11-23'), ...PAST.map(toLine)].join('\n')
  return new Response(new Blob([lines]).stream().pipeThrough(new CompressionStream('gzip')), { status })
}

async function anArchive(store = memoryStore(), fetchDays: FetchDays = async () => answerOf()) {
  const archive = createArchive(store, FENNHOLM, fetchDays)
  const opening = await archive.open(5, 7, () => {})
  return { archive, opening }
}

const allOf = (archive: Archive, span = BOTH) => archive.calls({ ...LATEST_CALLS, span, nowMs: NOW_MS, only: null, atMost: 100_000 }).rows

describe('the archive', () => {
  test('past days and the live ledger are added up together', async () => {
    const { archive } = await anArchive()
    const past = archive.report(ASKED).all
    expect(archive.addLive(TODAY.map(toLine).join('\n'))).toBe(TODAY.length)
    const both = archive.report(ASKED)
    const queued = (entries: typeof PAST) => entries.filter((e) => e.event.kind === 'callQueued').length
    expect(past.offered).toBe(queued(PAST))
    expect(both.all.offered).toBe(queued(PAST) + queued(TODAY))
    expect(both.queues.reduce((sum, q) => sum + q.measures.offered, 0)).toBe(both.all.offered)
    // Every offered call stands in exactly one step of the series, unless it was still waiting at the end.
    expect(both.series.reduce((sum, p) => sum + p.answered + p.abandoned, 0)).toBe(both.all.answered + both.all.abandoned)
  })

  test('entries that come twice are taken once', async () => {
    const { archive } = await anArchive()
    const text = TODAY.map(toLine).join('\n')
    archive.addLive(text)
    const once = archive.report(ASKED).all
    archive.addLive(text)
    expect(archive.report(ASKED).all).toEqual(once)
  })

  test('a call of a past day is followed down to its events', async () => {
    const { archive } = await anArchive()
    const { callId } = allOf(archive).find((r) => r.result === 'handled' && r.direction === 'inbound') ?? { callId: '' }
    const found = await archive.call(callId)
    expect(found?.entries[0]?.event.kind).toBe('callQueued')
    expect(found?.entries.some((e) => e.event.kind === 'outcomeSaved')).toBe(true)
    expect(await archive.call('call_of_nobody')).toBeNull()
  })

  test('a call of a past day that is corrected today has the later code, and the events of both days', async () => {
    const { archive } = await anArchive()
    const past = allOf(archive).find((r) => r.queue === 'Sailings' && r.outcome === 'booking-changed')
    const callId = toCallId(past?.callId ?? 'call_none')
    const linnea = toAgentId('agent_linnea-wickerby')
    const corrected = {
      kind: 'outcomeCorrected',
      callId,
      byAgentId: linnea,
      queueId: SAILINGS,
      code: 'information',
      was: 'booking-changed',
      why: 'Listened to it',
    } as const
    const last = TODAY.at(-1) as (typeof TODAY)[number]
    archive.addLive([...TODAY, { ...last, seq: last.seq + 1, causedBy: null, event: corrected }].map(toLine).join('\n'))
    const after = await archive.call(callId)
    expect(after?.record).toMatchObject({ outcome: 'information', outcomeBy: 'Linnea Wickerby', outcomeAtMs: last.atMs })
    expect(after?.entries.map((e) => e.event.kind)).toEqual(expect.arrayContaining(['outcomeSaved', 'outcomeCorrected']))
    expect(archive.exportFile('calls.ndjson', BOTH, NOW_MS)).toContain('"outcomeBy":"Linnea Wickerby"')
  })

  test('disagreement counts what the answers speak against, by the doubts of the set', async () => {
    const { archive } = await anArchive()
    const { all } = archive.report(ASKED)
    const records = allOf(archive)
    const doubtful = records.filter(
      (r) => r.queue === 'Sailings' && r.outcome === 'booking-changed' && (r.answers.purpose === 'ask' || r.answers.confirmed === false),
    )
    expect(doubtful.length).toBeGreaterThan(0)
    expect(all.disagreements).toBeGreaterThanOrEqual(doubtful.length)
    expect(all.disagreementRatio).toBe(all.disagreements / all.codedWithScript)
  })

  test('days that are stored are not fetched again', async () => {
    const store = memoryStore()
    await anArchive(store)
    const { opening, archive } = await anArchive(store, async () => {
      throw new Error('asked the server in vain')
    })
    expect(opening).toEqual({ ok: true, days: 1 })
    expect(archive.report(ASKED).all.offered).toBeGreaterThan(500)
  })

  test('days the floor has taken something up from are fetched, once, when they are not here', async () => {
    const asked: string[] = []
    const gap = simulateDay({ seed: 5, pace: 'ordinary', day: '2026-11-22' })
    const lines = [foldedLine(foldDay('2026-11-22', gap), 1, 1), entriesLine('2026-11-22'), ...gap.map(toLine)].join('\n')
    const { archive } = await anArchive(memoryStore(), async ({ days, before = 'today' }: { readonly days: number; readonly before?: string }) => {
      asked.push(`${days} before ${before}`)
      return before === 'today' ? answerOf() : new Response(new Blob([lines]).stream().pipeThrough(new CompressionStream('gzip')))
    })
    const opened = TODAY[0] as (typeof TODAY)[number]
    const carried = (from: string, through: string, seq: number) =>
      toLine({ ...opened, seq, event: { kind: 'carriedOver', from, through, promises: [], owed: [], handleMs: {} } })
    archive.addLive([toLine(opened), carried('2026-11-23', '2026-11-23', 2), carried('2026-11-22', '2026-11-22', 3)].join('\n'))
    await vi.waitFor(() => expect(allOf(archive, { fromMs: MIDNIGHT_MS - DAY, toMs: MIDNIGHT_MS }).length).toBeGreaterThan(50), {
      timeout: 20_000,
    })
    expect(asked).toEqual(['5 before today', '1 before 2026-11-23'])
    expect(archive.report(ASKED).all.offered).toBe(PAST.filter((e) => e.event.kind === 'callQueued').length)
  })

  test('without a server today’s figures work, and it is said', async () => {
    const { opening, archive } = await anArchive(memoryStore(), async () => answerOf(503))
    expect(opening).toEqual({ ok: false, says: 'Past days could not be fetched (503). Today’s figures work without them.'.replace('’', "'") })
    archive.addLive(TODAY.map(toLine).join('\n'))
    expect(archive.report(ASKED).all.offered).toBeGreaterThan(500)
  })

  test('a page of calls is what a page of all of them is, whatever is searched and sorted', async () => {
    const { archive } = await anArchive()
    archive.addLive(TODAY.map(toLine).join('\n'))
    const words = { outcomes: { information: 'Information given' }, results: { abandoned: 'Gave up waiting' } }
    const asked = { ...LATEST_CALLS, span: BOTH, nowMs: NOW_MS, only: null, words }
    const whole = allOf(archive)
    const page = (more: object, from = 0, atMost = 20) => archive.calls({ ...asked, ...more, from, atMost })
    expect(page({}, 40)).toEqual({ all: whole.length, found: whole.length, from: 40, rows: whole.slice(40, 60) })
    const name = whole.find((r) => r.customer !== null)?.customer ?? ''
    for (const { search, fits } of [
      { search: name.toUpperCase(), fits: (r: CallRecord) => r.customer === name },
      { search: 'information given', fits: (r: CallRecord) => r.outcome === 'information' },
      { search: 'gave up', fits: (r: CallRecord) => r.result === 'abandoned' && r.outcome === null },
      { search: 'nobody of this name', fits: () => false },
    ]) {
      const { found, rows } = page({ search }, 0, 100_000)
      expect(found).toBe(rows.length)
      const ids = new Set(rows.map((r) => r.callId))
      expect(whole.filter(fits).filter((r) => !ids.has(r.callId))).toEqual([])
      if (search.startsWith('nobody')) expect(found).toBe(0)
    }
    expect(page({ queueId: 'dialled' }, 0, 100_000).rows.every((r) => r.queueId === null)).toBe(true)
    expect(page({ queueId: SAILINGS }, 0, 100_000).found).toBe(whole.filter((r) => r.queueId === SAILINGS).length)
    expect(page({ result: 'abandoned' }, 0, 100_000).found).toBe(whole.filter((r) => r.result === 'abandoned').length)
    for (const by of ['wait', 'talk', 'agent', 'customer', 'queue', 'number', 'outcome', 'offeredAtMs'] as const) {
      const up = page({ sort: { by, descending: false } }, 0, 100_000).rows
      expect(new Set(up.map((r) => r.callId)).size).toBe(whole.length)
      // Pages put together are the whole in the same order.
      const paged = Array.from({ length: Math.ceil(whole.length / 500) }, (_, n) => page({ sort: { by, descending: false } }, n * 500, 500).rows).flat()
      expect(paged).toEqual(up)
    }
    const waits = page({ sort: { by: 'wait', descending: true } }, 0, 100_000).rows.map(waitedMs)
    expect(waits).toEqual(waits.toSorted((a, b) => b - a))
  })

  test('earlier calls with a person come newest first, by name and otherwise by number', async () => {
    const { archive } = await anArchive()
    const known = allOf(archive).find((r) => r.customer !== null)
    const earlier = archive.previousContacts({ customer: known?.customer ?? null, number: null }, 'none')
    expect(earlier.count).toBeGreaterThan(0)
    expect(earlier.latest.length).toBe(Math.min(earlier.count, 12))
    expect(earlier.latest.every((r) => r.customer === known?.customer)).toBe(true)
    expect(earlier.latest.map((r) => r.offeredAtMs)).toEqual(earlier.latest.map((r) => r.offeredAtMs).toSorted((a, b) => b - a))
    expect(archive.previousContacts({ customer: null, number: null }, 'none')).toEqual({ count: 0, latest: [] })
  })
})
