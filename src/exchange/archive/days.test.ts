import { expect, test } from 'vitest'
import { toLine } from '@/core/ledger'
import { memoryStore } from '@/storage'
import { simulateDay } from '@/world'
import { entriesLine, entriesOfDay, foldDay, foldedLine, importDays, loadDays, type PastDay } from './days'

const DAYS = ['2026-11-21', '2026-11-22'] as const
const ENTRIES = DAYS.map((day) => simulateDay({ seed: 3, pace: 'ordinary', day }))
const LINES = [
  ...DAYS.map((day, i) => foldedLine(foldDay(day, ENTRIES[i] ?? []), i + 1, DAYS.length)),
  ...DAYS.flatMap((day, i) => [entriesLine(day), ...(ENTRIES[i] ?? []).map(toLine)]),
]

/** The stream as a network would cut it. */
async function* batchesOf(lines: readonly string[], size: number) {
  for (let i = 0; i < lines.length; i += size) yield lines.slice(i, i + size)
}

test('a day is handed on before its entries, is what they fold into, and is kept with them', async () => {
  const store = memoryStore()
  const seen: { readonly day: PastDay; readonly stored: number }[] = []
  await importDays(store, batchesOf(LINES, 700), (day) => seen.push({ day, stored: seen.length }))
  expect(seen.map((s) => s.day.day)).toEqual([...DAYS])
  for (const [i, day] of DAYS.entries()) {
    const entries = await entriesOfDay(store, day)
    expect(entries).toEqual(ENTRIES[i])
    // The figures of the day can be recomputed from its entries alone.
    expect(JSON.parse(JSON.stringify(foldDay(day, entries)))).toEqual(seen[i]?.day)
  }
  expect((await loadDays(store)).map((d) => d.records.length)).toEqual(seen.map((s) => s.day.records.length))
})

test('a day whose folding is damaged stops the import instead of being believed', async () => {
  const broken = LINES.map((line, i) => (i === 1 ? line.replace('"direction":"inbound"', '"direction":"sideways"') : line))
  await expect(importDays(memoryStore(), batchesOf(broken, 50), () => {})).rejects.toThrow('direction')
})
