// Whoever the floor has forgotten is found by nothing that is asked of the history, and every figure is what it was.
import { expect, test } from 'vitest'
import { FORGOTTEN, offeredBy } from '@/core/forgotten'
import { toAgentId } from '@/core/ids'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { foundIn, soughtOf } from '@/core/personal'
import { DAY } from '@/core/time'
import { memoryStore } from '@/services/storage'
import { FENNHOLM } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import type { Feed } from './asked'
import { LATEST_CALLS } from './calls'
import { entriesLine, foldDay, foldedLine } from './days'
import { createHistory } from './history'

const PAST = aDay('2026-11-23')
const TODAY = aDay('2026-11-24')
const FROM_MS = Date.parse('2026-11-23T00:00:00Z')
const NOW_MS = FROM_MS + 2 * DAY
const SPAN = { fromMs: FROM_MS, toMs: NOW_MS }

async function aHistory(store = memoryStore()) {
  const lines = [foldedLine(foldDay('2026-11-23', PAST), 1, 1), entriesLine('2026-11-23'), ...PAST.map(toLine)].join('\n')
  const history = createHistory(store, FENNHOLM, async () => new Response(new Blob([lines]).stream().pipeThrough(new CompressionStream('gzip'))))
  await history.open({ days: 1, seed: 7 }, () => {})
  const entries: LedgerEntry[] = [...TODAY]
  const feed: Feed = {
    floorId: async () => 'test',
    read: async (after, through) => entries.flatMap((e) => (e.seq > after && e.seq <= (through ?? Infinity) ? [`${toLine(e)}\n`] : [])).join(''),
  }
  await history.follow(feed)
  const forget = (about: readonly string[]) => {
    const last = entries.at(-1) as LedgerEntry
    entries.push({
      ...last,
      seq: last.seq + 1,
      causedBy: null,
      event: { kind: 'personForgotten', byAgentId: toAgentId('agent_linnea-wickerby'), about: [...about] },
    })
    return history.follow(feed)
  }
  return { history, store, forget }
}

test('their calls and what they wrote, of past days and of this one, settled or not, also once it is closed and opened', async () => {
  const { history, store, forget } = await aHistory()
  const calls = (of: typeof history) => of.calls({ ...LATEST_CALLS, span: SPAN, nowMs: NOW_MS, only: null, atMost: 100_000 }).then((p) => p.rows)
  const report = (of: typeof history) => of.report({ span: SPAN, nowMs: NOW_MS, steps: [FROM_MS], only: null })
  const before = await calls(history)
  const figures = await report(history)
  const numbers = [...new Set([before[3], before[40], before.at(-5), before.at(-50)].flatMap((r) => r?.number ?? []))]
  expect(numbers.length).toBeGreaterThan(2)
  const sought = soughtOf({ numbers, addresses: [], names: [] })
  const isOffered = offeredBy(FENNHOLM)
  // This floor's own ledger the floor goes through; days that were fetched the history.
  const own = TODAY.flatMap((entry) => foundIn(entry, sought, isOffered).map((f) => f.about))
  const past = (await history.keptAbout(sought)).map((f) => f.about)
  expect([own.length, past.length].every((n) => n > 0)).toBe(true)
  await forget([...new Set([...own, ...past])].filter((id) => /^[a-z]+_/.test(id)))
  await history.forgetListed(sought)

  const again = await aHistory(store)
  for (const its of [history, again.history]) {
    const after = await calls(its)
    expect(after.filter((r) => numbers.includes(r.number ?? ''))).toEqual([])
    const theirs = before.filter((r) => numbers.includes(r.number ?? ''))
    expect(after.filter((r) => r.number === FORGOTTEN).length).toBe(theirs.length)
    // No place offers to call whoever is forgotten.
    const log = { search: '', way: null, seenMs: 0, outcomes: {}, timeZone: 'UTC', sinceMs: FROM_MS, nowMs: NOW_MS, from: 0, atMost: 100_000 }
    for (const agent of FENNHOLM.agents) {
      const offered = [...(await its.log({ ...log, only: agent.id })).rows, ...(await its.dialledBefore({ only: agent.id, atMost: 1_000, nowMs: NOW_MS }))]
      expect(offered.filter((r) => [...numbers, FORGOTTEN].includes(r.number ?? ''))).toEqual([])
    }
    const bare = (rows: typeof before) => rows.map(({ number: _n, customer: _c, notes: _t, answers: _a, recordings: _r, transfers: _f, ...rest }) => rest)
    expect(bare(after)).toEqual(bare(before))
    expect(await report(its)).toEqual(figures)
    expect(await its.keptAbout(sought)).toEqual([])
    for (const number of [...numbers, FORGOTTEN]) expect(its.previousContacts({ customer: null, number }, '').count).toBe(0)
    expect(its.previousContacts({ customer: FORGOTTEN, number: null }, '').count).toBe(0)
  }
  // Nothing of it in any text that is stored.
  for (const key of await store.keys()) {
    const value = await store.get(key)
    const text = typeof value === 'string' ? value : JSON.stringify(value, (_, v) => (v instanceof Map ? [...v] : v))
    for (const number of numbers) expect(new RegExp(`\\${number}(?!\\d)`).test(text), `${number} in ${key}`).toBe(false)
  }
})
