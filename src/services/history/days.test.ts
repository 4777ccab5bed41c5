import { expect, test } from 'vitest'
import { toLine } from '@/core/ledger'
import { memoryStore } from '@/services/storage'
import { aDay } from '@/world/scenario/testing'
import { entriesLine, entriesOfDay, foldDay, foldedLine, importDays, type PastDay, takeLegacyDays } from './days'

const DAYS = ['2026-11-22', '2026-11-23'] as const
const ENTRIES = DAYS.map((day) => aDay(day))
const LINES = [
  ...DAYS.map((day, i) => foldedLine(foldDay(day, ENTRIES[i] ?? []), i + 1, DAYS.length)),
  ...DAYS.flatMap((day, i) => [entriesLine(day), ...(ENTRIES[i] ?? []).map(toLine)]),
]

/** The stream as a network would cut it. */
async function* batchesOf(lines: readonly string[], size: number) {
  for (let i = 0; i < lines.length; i += size) yield lines.slice(i, i + size)
}

test('a day is handed on before its entries, is what they fold into, and is kept once they are', async () => {
  const store = memoryStore()
  const seen: PastDay[] = []
  const kept: { readonly day: string; readonly entries: number }[] = []
  const keep = async ({ day }: PastDay) => void kept.push({ day, entries: (await entriesOfDay(store, day)).length })
  await importDays(store, batchesOf(LINES, 700), (day) => seen.push(day), keep)
  expect(seen.map((s) => s.day)).toEqual([...DAYS])
  expect(kept).toEqual(DAYS.map((day, i) => ({ day, entries: ENTRIES[i]?.length })))
  for (const [i, day] of DAYS.entries()) {
    const entries = await entriesOfDay(store, day)
    expect(entries).toEqual(ENTRIES[i])
    // The figures of the day can be recomputed from its entries alone.
    expect(JSON.parse(JSON.stringify(foldDay(day, entries)))).toEqual(seen[i])
  }
})

test('days as the first versions kept them are handed out once, and damaged ones stay where they are', async () => {
  const store = memoryStore()
  const old = foldDay(DAYS[0], ENTRIES[0] ?? [])
  await store.set('day/2026-11-22', old)
  await store.set('day/2026-11-23', { day: '2026-11-23', records: 'gone' })
  const taken: PastDay[] = []
  for (const _ of [1, 2]) await takeLegacyDays(store, await store.keys(), async (day) => void taken.push(day))
  expect(taken).toEqual([old])
  expect(await store.keys()).toEqual(['day/2026-11-23'])
})

test('a day whose folding is damaged stops the import instead of being believed', async () => {
  const broken = LINES.map((line, i) => (i === 1 ? line.replace('"direction":"inbound"', '"direction":"sideways"') : line))
  await expect(
    importDays(
      memoryStore(),
      batchesOf(broken, 50),
      () => {},
      async () => {},
    ),
  ).rejects.toThrow('direction')
})
