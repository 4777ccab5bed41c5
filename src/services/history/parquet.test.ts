import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DuckDBInstance } from '@duckdb/node-api'
import { expect, test } from 'vitest'
import { createLedgerFolder } from '@/core/ledger'
import { measure } from '@/core/reports'
import { DAY } from '@/core/time'
import { memoryStore } from '@/services/storage'
import { FENNHOLM } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import { createHistory } from './history'
import { keepDay } from './kept'
import { createParquet } from './parquet'
import { rulesOf } from './rules'

const FROM_MS = Date.parse('2026-11-23T00:00:00Z')
const SPAN = { fromMs: FROM_MS, toMs: FROM_MS + 2 * DAY }
const RULES = rulesOf([FENNHOLM])
const DAYS = (['2026-11-23', '2026-11-24'] as const).map((day) => {
  const folder = createLedgerFolder()
  const entries = aDay(day)
  for (const entry of entries) folder.add(entry)
  return { day, records: folder.records(), intervals: folder.intervals(entries.at(-1)?.atMs ?? 0), written: folder.written() }
})
const RECORDS = DAYS.flatMap((d) => d.records)

/** What another engine, a columnar database, answers of the files. */
async function asked(file: ArrayBuffer, sql: string): Promise<Record<string, unknown>[]> {
  const folder = await mkdtemp(join(tmpdir(), 'parquet-'))
  const path = join(folder, 'file.parquet')
  await writeFile(path, new Uint8Array(file))
  const connection = await (await DuckDBInstance.create(':memory:')).connect()
  const reader = await connection.runAndReadAll(sql.replace('FILE', `'${path}'`))
  await rm(folder, { recursive: true })
  return reader.getRowObjectsJson() as Record<string, unknown>[]
}

async function written(name: 'calls.parquet' | 'agent-states.parquet') {
  const store = memoryStore()
  const { keptKey, rangeOf } = await import('./kept')
  for (const day of DAYS) {
    const kept = keepDay(day, RULES)
    await store.set(keptKey(rangeOf(kept)), kept)
  }
  const history = createHistory(store, FENNHOLM, async () => new Response(null, { status: 503 }))
  await history.open({ days: 5, seed: 7 }, () => {})
  const progress: string[] = []
  const file = await (await history.exportFile(name, SPAN, SPAN.toMs, (done, of) => progress.push(`${done}/${of}`))).arrayBuffer()
  return { file, progress }
}

test('calls leave as Parquet that another engine reads, with the same figures as here', async () => {
  const { file, progress } = await written('calls.parquet')
  expect(progress).toEqual(['1/2', '2/2'])
  const measures = measure(RECORDS, { nowMs: SPAN.toMs, ...RULES })
  const [figures] = await asked(
    file,
    `select count(*) filter (direction = 'inbound' and queueId is not null)::int as offered, count(*) filter (direction = 'inbound' and queueId is not null and answeredAtMs is not null)::int as answered,
       quantile_cont(answeredAtMs - offeredAtMs, 0.9) filter (direction = 'inbound' and queueId is not null) as p90, count(outcome)::int as coded,
       sum(list_sum(list_transform(from_json(agents, '[{"role":"VARCHAR","talkMs":"BIGINT","holdMs":"BIGINT","wrapUpMs":"BIGINT"}]'),
         l -> case when l.role in ('handled', 'transferredTo') then l.talkMs + l.holdMs + l.wrapUpMs else 0 end))) filter (result = 'handled')::int as handleMs
     from FILE`,
  )
  expect(figures).toEqual({
    offered: measures.offered,
    answered: measures.answered,
    p90: expect.closeTo(measures.speedOfAnswer?.p90Ms ?? 0, 6),
    coded: Object.values(measures.outcomes).reduce((sum, n) => sum + n, 0),
    handleMs: Math.round((measures.ahtMs ?? 0) * measures.handledLegs),
  })
  const rows = await asked(file, 'select * from FILE order by offeredAtMs, callId')
  const first = RECORDS.toSorted((a, b) => a.offeredAtMs - b.offeredAtMs || a.callId.localeCompare(b.callId))
  const json = (value: unknown) => (value !== null && typeof value === 'object' ? JSON.stringify(value) : typeof value === 'number' ? String(value) : value)
  const text = (row: object) => Object.fromEntries(Object.entries(row).map(([field, value]) => [field, json(value)]))
  expect(rows.map(text)).toEqual(first.map(text))
})

test('agents’ states leave as Parquet, and a file of nothing is read as nothing', async () => {
  const { file } = await written('agent-states.parquet')
  const byState = await asked(file, 'select state, sum(toMs - fromMs)::bigint as ms from FILE group by state order by state')
  const expected = new Map<string, number>()
  for (const i of DAYS.flatMap((d) => d.intervals)) expected.set(i.state, (expected.get(i.state) ?? 0) + i.toMs - i.fromMs)
  expect(byState).toEqual([...expected].map(([state, ms]) => ({ state, ms: String(ms) })).toSorted((a, b) => a.state.localeCompare(b.state)))
  expect(await asked(await createParquet('calls').finish(), 'select count(*)::int as n from FILE')).toEqual([{ n: 0 }])
})
