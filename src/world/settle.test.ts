import { expect, test } from 'vitest'
import { type CallRecord, createLedgerFolder, type Settled, type WrittenRecord } from '@/core/ledger'
import { HOUR, MINUTE } from '@/core/time'
import { aDay } from '@/world/scenario/testing'

const ENTRIES = aDay('2026-11-24')
const byId = (records: readonly CallRecord[]) => new Map(records.toSorted((a, b) => a.callId.localeCompare(b.callId)).map((r) => [r.callId, r]))

test.each([
  [400, HOUR],
  [97, 20 * MINUTE],
])('a folder that settles every %i entries and is stored in between tells what one that never did tells', (every, agoMs) => {
  const plain = createLedgerFolder()
  for (const entry of ENTRIES) plain.add(entry)
  const settled: Settled[] = []
  let folder = createLedgerFolder()
  for (const [i, entry] of ENTRIES.entries()) {
    folder.add(entry)
    if (i % every !== every - 1) continue
    settled.push(folder.settle(entry.atMs - agoMs))
    // Stored and read again, as when the browser was closed.
    folder = createLedgerFolder(structuredClone(folder.state()))
  }
  const nowMs = ENTRIES.at(-1)?.atMs ?? 0
  const calls = settled.flatMap((s) => s.calls)
  expect(calls.length).toBeGreaterThan(200)
  expect(byId([...calls.map((c) => c.record), ...folder.records()])).toEqual(byId(plain.records()))
  expect(folder.underWay(nowMs)).toEqual(plain.underWay(nowMs))
  expect(folder.takenBack()).toEqual(plain.takenBack())
  const pieces = settled.flatMap((s) => s.written)
  expect(pieces.length).toBeGreaterThan(50)
  const byWork = (records: readonly WrittenRecord[]) => new Map(records.map((r) => [r.workId, r] as const).toSorted(([a], [b]) => a.localeCompare(b)))
  expect(byWork([...pieces.map((p) => p.record), ...folder.written()])).toEqual(byWork(plain.written()))
  const spells = [...settled.flatMap((s) => s.intervals), ...folder.intervals(nowMs)]
  const order = (i: (typeof spells)[number]) => `${i.agentId} ${i.fromMs}`
  expect(spells.toSorted((a, b) => order(a).localeCompare(order(b)))).toEqual(plain.intervals(nowMs).toSorted((a, b) => order(a).localeCompare(order(b))))
  // Every event of a settled call stands between its first and its last.
  const seqs = new Map<string, number[]>()
  for (const { seq, event } of ENTRIES) {
    const id = 'callId' in event ? event.callId : null
    if (id !== null) seqs.set(id, [...(seqs.get(id) ?? []), seq])
  }
  const inRange = calls.every(({ record, firstSeq, lastSeq }) => seqs.get(record.callId)?.every((seq) => seq >= firstSeq && seq <= lastSeq))
  expect(inRange).toBe(true)
})
