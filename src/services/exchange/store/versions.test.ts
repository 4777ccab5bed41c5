import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { broken } from '@/core/floor'
import { CallRecordSchema, createLedgerFolder, LEDGER_VERSION, type LedgerEntry, LedgerEntrySchema, parseEntry } from '@/core/ledger'
import { createFloor, evolve } from '@/core/state'
import { SMALL } from '@/core/testing'
import { checksumOf, memoryStore } from '@/services/storage'
import { readChunk } from './chunks'
import { chunkKey, createKeyRing, MARK_KEY, restore } from './index'
import { openLines } from './seal'

const fixture = (name: string) => readFileSync(new URL(`./fixtures/${name}`, import.meta.url), 'utf8')
const VERSIONS = Array.from({ length: LEDGER_VERSION }, (_, i) => i + 1)

/** Written once when the version was current, and never again: what was stored then must mean the same today. */
describe.each(VERSIONS)('a ledger of version %i', (version) => {
  const entries = fixture(`version-${version}.ndjson`)
    .trimEnd()
    .split('\n')
    .map((line) => {
      const opened = parseEntry(line)
      if (!opened.ok) throw new Error(`${opened.detail} in ${line}`)
      return opened.entry
    })

  test('opens, and folds into a floor in which every invariant holds', () => {
    const state = createFloor('test', SMALL)
    for (const { event, atMs } of entries) evolve(state, event, atMs)
    expect(state.seq).toBe(entries.length)
    expect(broken(state)).toEqual([])
  })

  test('gives the call records and agent states it gave then', () => {
    const folder = createLedgerFolder()
    for (const entry of entries) folder.add(entry)
    const nowMs = (entries.at(-1) as LedgerEntry).atMs
    // Who listened in was said to be on a call before there was a word for it.
    const intervals = folder.intervals(nowMs).map((i) => (version < 11 && i.state === 'listening' ? { ...i, state: 'onCall' } : i))
    expect({ records: folder.records(), intervals }).toEqual(asNow(JSON.parse(fixture(`version-${version}.folded.json`))))
  })
})

/** What was added to records since then has its default; whom a call passed by was in every ledger, and in no record before version 9, and what a caller had chosen in none before 11. */
const asNow = ({ records, intervals }: { records: object[]; intervals: unknown[] }) => ({
  records: records.map((r) => ({
    ...CallRecordSchema.parse(r),
    ...('missedBy' in r ? {} : { missedBy: expect.any(Array) }),
    ...('path' in r ? {} : { path: expect.toBeOneOf([null, expect.any(String)]) }),
  })),
  intervals,
})

test('calls nobody took, which version 13 stored with fractions of a millisecond and could not read again, are healed at opening with all that came after', async () => {
  const lines = fixture('version-13-fractions.ndjson')
  expect(lines).toContain('"atMs":1795510812654.39')
  // As the store held it: the mark of the version that wrote it, and no snapshot yet.
  const store = memoryStore()
  const toSeq = lines.trimEnd().split('\n').length
  await store.set(chunkKey(1, toSeq), { fromSeq: 1, toSeq, text: lines, checksum: checksumOf(lines) })
  await store.set(MARK_KEY, { ledgerVersion: 13 })
  const restored = await restore(store)
  expect(restored.damage).toBeNull()
  expect(restored.state?.seq).toBe(toSeq)
  const chunk = await readChunk(store, chunkKey(1, toSeq))
  // Until version 15 what is personal stood there for anybody to read.
  expect(lines).toContain('Person 4')
  expect(chunk?.text).not.toContain('Person 4')
  const opened = await openLines((chunk?.text ?? '').trimEnd().split('\n'), createKeyRing(store))
  const entries = opened.map((line) => LedgerEntrySchema.parse(JSON.parse(line ?? '')))
  const folder = createLedgerFolder()
  for (const entry of entries) folder.add(entry)
  // The same was decided then and now; only what a call took is whole by now.
  const { records, intervals } = JSON.parse(fixture('version-14.folded.json'))
  expect(folder.records()).toEqual(records)
  expect(folder.intervals((entries.at(-1) as LedgerEntry).atMs)).toEqual(intervals)
})

test.each([
  { says: 'a newer version', line: '{"version":99,"seq":1}', reason: 'savedByNewerVersion' },
  { says: 'a torn line', line: '{"version":1,"se', reason: 'corrupt' },
  { says: 'something else', line: '42', reason: 'corrupt' },
  { says: 'an unknown event', line: '{"version":1,"seq":1,"atMs":0,"causedBy":null,"event":{"kind":"moonRose"}}', reason: 'corrupt' },
])('$says is refused as $reason, with what is wrong', ({ line, reason }) => {
  const opened = parseEntry(line)
  expect(opened).toMatchObject({ ok: false, reason })
  if (!opened.ok) expect(opened.detail).not.toBe('')
})
