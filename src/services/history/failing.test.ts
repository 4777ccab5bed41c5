// The history on a disk that dies or says no, whichever write it is: what it says afterwards is what it would have said.
import { expect, test } from 'vitest'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { DAY } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { memoryStore } from '@/services/storage'
import { atEveryWrite } from '@/services/storage/testing'
import { FENNHOLM } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import type { Feed } from './asked'
import { LATEST_CALLS } from './calls'
import { entriesLine, foldDay, foldedLine } from './days'
import { createHistory } from './history'

const FROM_MS = Date.parse('2026-11-23T00:00:00Z')
const SPAN = { fromMs: FROM_MS, toMs: FROM_MS + 5 * DAY }
const until = (day: string, seq: number): LedgerEntry[] => {
  const entries = aDay(day)
  return entries.slice(
    0,
    entries.findIndex((e) => e.causedBy === null && e.seq > seq),
  )
}
const PAST = until('2026-11-23', 1_500)
/** A floor that has been open for days: with each of them the one before is settled. */
const LEDGER: LedgerEntry[] = []
for (const day of ['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27']) {
  const from = LEDGER.length
  for (const [i, entry] of until(day, 1_200)
    .slice(from === 0 ? 0 : 1)
    .entries())
    LEDGER.push({ ...entry, seq: from + 1 + i, causedBy: null })
}
const LINES = [foldedLine(foldDay('2026-11-23', PAST), 1, 1), entriesLine('2026-11-23'), ...PAST.map(toLine)].join('\n')
const fetchDays = async () => new Response(new Blob([LINES]).stream().pipeThrough(new CompressionStream('gzip')))
/** The floor's ledger as far as `through`. */
const feed = (through: number): Feed => ({
  floorId: async () => 'test',
  read: async (after, to) => LEDGER.flatMap((e) => (e.seq > after && e.seq <= Math.min(through, to ?? Infinity) ? [`${toLine(e)}\n`] : [])).join(''),
})
const STEPS = [900, 1_800, 2_700, 3_600, Infinity]

/** What is refused is said, and tried again with what follows. */
async function live(store: KeyValue): Promise<ReturnType<typeof createHistory>> {
  const history = createHistory(store, FENNHOLM, fetchDays)
  await history.open({ days: 1, seed: 7 }, () => {})
  for (const through of STEPS) await history.follow(feed(through)).catch(() => {})
  return history
}

async function saidBy(history: ReturnType<typeof createHistory>) {
  const asked = { span: SPAN, nowMs: SPAN.toMs, only: null }
  const { rows } = await history.calls({ ...LATEST_CALLS, ...asked, atMost: 10_000 })
  const file = await (await history.exportFile('agent-states.ndjson', SPAN, SPAN.toMs, () => {})).text()
  return { report: await history.report({ ...asked, steps: [] }), rows, file }
}

test('whichever write it is, opened again it says the same of every call and every spell', async () => {
  const whole = await saidBy(await live(memoryStore()))
  expect(whole.rows.length).toBeGreaterThan(50)
  const writes = await atEveryWrite(
    async (store) => void (await live(store)),
    () => null,
    async (disk, _, where) => expect(await saidBy(await live(disk)), where).toEqual(whole),
  )
  expect(writes).toBeGreaterThan(7)
}, 120_000)
