// What is personal in the ledger: sealed where it is stored, read as it was, and gone once its keys are.
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { FORGOTTEN, offeredBy } from '@/core/forgotten'
import { createLedgerFolder, LEDGER_VERSION, type LedgerEntry, LedgerEntrySchema, parseEntry } from '@/core/ledger'
import { foundIn, foundInLines, mayBeIn, putTogether, soughtOf, takeApart } from '@/core/personal'
import { createFloor, evolve } from '@/core/state'
import { memoryStore } from '@/services/storage'
import { FENNHOLM_LINE } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import { createKeyRing } from './key-ring'
import { linesSealing, openLines, sealedLine } from './seal'

const DAY = aDay('2026-11-27')
const isOffered = offeredBy(FENNHOLM_LINE.setUp)
const seal = (ring: ReturnType<typeof createKeyRing>, entries: readonly LedgerEntry[] = DAY) => entries.map((e) => sealedLine(e, ring, isOffered))
const NUMBERS = [...new Set(DAY.flatMap(({ event }) => ('number' in event && event.number !== null ? [event.number] : [])))]

describe('a day of the demo', () => {
  test('taken apart and put together is what it was, and what is left of every event is one that can be read', () => {
    let withParts = 0
    for (const entry of DAY) {
      const { bare, parts } = takeApart(entry.event, isOffered)
      if (parts.size > 0) withParts++
      expect(putTogether(bare, [...parts.values()].flat())).toEqual(entry.event)
      expect(LedgerEntrySchema.safeParse({ ...entry, event: bare }).error?.message).toBeUndefined()
    }
    expect(withParts).toBeGreaterThan(1_000)
  })

  test('is stored without a number, a name or a word of anybody from outside, and is read as it was', async () => {
    const store = memoryStore()
    const ring = createKeyRing(store)
    const lines = seal(ring)
    const text = lines.join('\n')
    const names = DAY.flatMap(({ event }) => (event.kind === 'callQueued' && event.customer !== null ? [event.customer.name] : []))
    const said = DAY.flatMap(({ event }) => (event.kind === 'captionSpoken' || event.kind === 'threadWritten' ? [event.text] : []))
    expect(names.length).toBeGreaterThan(100)
    expect(said.length).toBeGreaterThan(100)
    const strings = new Set([...text.matchAll(/"(?:[^"\\]|\\.)*"/g)].map(([string]) => string))
    expect([...NUMBERS, ...names, ...said].filter((personal) => strings.has(JSON.stringify(personal)))).toEqual([])
    await ring.kept()
    // By another worker, from what is stored.
    const opened = await openLines(lines, createKeyRing(store))
    expect(opened.map((line) => parseEntry(line ?? ''))).toEqual(DAY.map((entry) => ({ ok: true, entry })))
  })

  test('with anybody forgotten still folds, says nothing of them, and gives every figure as before', async () => {
    const store = memoryStore()
    const ring = createKeyRing(store)
    const lines = seal(ring)
    await ring.kept()
    await fc.assert(
      fc.asyncProperty(fc.subarray(NUMBERS, { minLength: 1, maxLength: 40 }), async (numbers) => {
        const sought = soughtOf({ numbers, addresses: [], names: [] })
        const about = new Set(DAY.flatMap((entry) => foundIn(entry, sought, isOffered).map((f) => f.about)))
        const copy = memoryStore()
        for (const key of await store.keys()) await copy.set(key, await store.get(key))
        const without = createKeyRing(copy)
        expect(await without.drop((a) => about.has(a))).toBe(about.size)
        const opened = await openLines(lines, createKeyRing(copy))
        const text = opened.join('\n')
        for (const number of numbers) expect(new RegExp(`\\${number}(?!\\d)`).test(text), number).toBe(false)
        const entries = opened.map((line) => {
          const parsed = parseEntry(line ?? '')
          if (!parsed.ok) throw new Error(parsed.detail)
          return parsed.entry
        })
        const floor = createFloor('x', FENNHOLM_LINE.setUp)
        for (const entry of entries) evolve(floor, entry.event, entry.atMs)
        expect(figures(entries)).toEqual(figures(DAY))
      }),
      { numRuns: 3 },
    )
  })
})

/** What a record says besides of whom: all that figures are reckoned from. */
function figures(entries: readonly LedgerEntry[]) {
  const folder = createLedgerFolder()
  for (const entry of entries) folder.add(entry)
  const calls = folder.records().map(({ number, customer, notes, answers, transfers, ...rest }) => ({
    ...rest,
    hasNumber: number !== null,
    hasCustomer: customer !== null,
    hasNotes: notes !== '',
    answered: Object.keys(answers).sort(),
    chosen: Object.entries(answers).filter(([field, value]) => typeof value !== 'string' || isOffered(field, value)),
    transfers: transfers.length,
  }))
  const written = folder
    .written()
    .map(({ address: _a, number: _n, customer: _c, subject: _s, notes: _t, answers, ...rest }) => ({ ...rest, answered: Object.keys(answers) }))
  return { calls, written, intervals: folder.intervals(entries.at(-1)?.atMs ?? 0) }
}

test('looked through without being taken apart it gives what is found in all of it, also once others are forgotten', async () => {
  const store = memoryStore()
  const ring = createKeyRing(store)
  const lines = [...seal(ring), 'torn "sealed":[[', '{"seq":7,"sealed":[["1-x-1.1","no base64"]]}', '']
  await ring.kept()
  const names = [...new Set(DAY.flatMap(({ event }) => (event.kind === 'callQueued' && event.customer !== null ? [event.customer.name] : [])))]
  const keysOf = (all: ReturnType<typeof foundInLines>) => new Set(all.map((f) => JSON.stringify(f)))
  let found = 0
  await fc.assert(
    fc.asyncProperty(
      fc.subarray(NUMBERS, { maxLength: 3 }),
      fc.subarray(names, { maxLength: 3 }),
      fc.subarray(NUMBERS, { maxLength: 9 }),
      async (numbers, whose, gone) => {
        const sought = soughtOf({ numbers, addresses: [], names: whose })
        const left = soughtOf({ numbers: gone, addresses: [], names: [] })
        const copy = memoryStore()
        for (const key of await store.keys()) await copy.set(key, await store.get(key))
        const of = createKeyRing(copy)
        const about = new Set(DAY.flatMap((entry) => foundIn(entry, left, isOffered).map((f) => f.about)))
        await of.drop((a) => about.has(a))
        const all = keysOf(
          foundInLines(
            (await openLines(lines, of)).flatMap((line) => line ?? []),
            sought,
            isOffered,
          ),
        )
        expect(keysOf(foundInLines(await linesSealing(lines, of, (text) => mayBeIn(text, sought)), sought, isOffered))).toEqual(all)
        found += all.size
      },
    ),
    { numRuns: 6, seed: 11 },
  )
  expect(found).toBeGreaterThan(0)
})

describe('keys', () => {
  const entryAbout = (seq: number, callId: string, text: string): LedgerEntry =>
    LedgerEntrySchema.parse({
      version: LEDGER_VERSION,
      seq,
      atMs: 1_800_000_000_000 + seq * 700_000,
      causedBy: null,
      event: { kind: 'captionSpoken', callId, turn: 0, text },
    })
  const texts = async (lines: readonly string[], ring: ReturnType<typeof createKeyRing>) =>
    (await openLines(lines, ring)).map((line) => JSON.parse(line ?? '{}').event?.text)

  test('of what storage refused are stored the next time, and nothing is lost of what was dropped beside them', async () => {
    const inner = memoryStore()
    let refuses = true
    const store = { ...inner, set: (key: string, value: unknown) => (refuses ? Promise.reject(new Error('full')) : inner.set(key, value)) }
    const ring = createKeyRing(store)
    // Over several records of keys.
    const lines = [1, 2, 3, 4].map((seq) => sealedLine(entryAbout(seq, `call_${seq}`, `word ${seq}`), ring, () => false))
    await expect(ring.kept()).rejects.toThrow('full')
    refuses = false
    await ring.kept()
    expect(await texts(lines, createKeyRing(store))).toEqual(['word 1', 'word 2', 'word 3', 'word 4'])
    expect(await ring.drop((about) => about === 'call_3')).toBe(1)
    expect(await texts(lines, createKeyRing(store))).toEqual(['word 1', 'word 2', FORGOTTEN, 'word 4'])
    // What is said about it later is sealed by another key.
    const later = sealedLine(entryAbout(9, 'call_3', 'again'), ring, () => false)
    await ring.kept()
    expect(await texts([lines[2] as string, later], createKeyRing(store))).toEqual([FORGOTTEN, 'again'])
  })

  test('made while others are dropped are kept, whatever is stored when', async () => {
    const inner = memoryStore()
    // Each write takes its turn, so that others happen meanwhile.
    const slowly = async (act: () => Promise<void>) => {
      for (let i = 0; i < 3; i++) await Promise.resolve()
      await act()
    }
    const store = {
      ...inner,
      set: (key: string, value: unknown) => slowly(() => inner.set(key, structuredClone(value))),
      remove: (key: string) => slowly(() => inner.remove(key)),
    }
    const ring = createKeyRing(store)
    const lines: string[] = []
    const say = (seq: number) => lines.push(sealedLine(entryAbout(seq, `call_${seq}`, `word ${seq}`), ring, () => false))
    for (let seq = 1; seq <= 1_200; seq++) say(seq)
    await ring.kept()
    const dropping = ring.drop((about) => Number(about.slice('call_'.length)) % 3 === 0)
    for (let seq = 1_201; seq <= 1_260; seq++) {
      say(seq)
      if (seq % 7 === 0) await ring.kept()
      await Promise.resolve()
    }
    await dropping
    await ring.kept()
    const read = await texts(lines, createKeyRing(inner))
    for (const [i, text] of read.entries()) {
      const seq = i + 1
      // Of those that came meanwhile a key may have been there to be dropped, or not.
      if (seq % 3 !== 0) expect(text, `${seq}`).toBe(`word ${seq}`)
      else if (seq <= 1_200) expect(text, `${seq}`).toBe(FORGOTTEN)
    }
  })

  test('older than they may be are dropped, but for those of what is open', async () => {
    const store = memoryStore()
    const ring = createKeyRing(store)
    const lines = [1, 2, 3, 4].map((seq) => sealedLine(entryAbout(seq, `call_${seq}`, `word ${seq}`), ring, () => false))
    await ring.kept()
    expect(await ring.dropBefore(1_800_000_000_000 + 4 * 700_000, (about) => about === 'call_2')).toBeGreaterThan(0)
    expect(await texts(lines, createKeyRing(store))).toEqual([FORGOTTEN, 'word 2', FORGOTTEN, 'word 4'])
  })

  test('what is sealed and was changed is told from what is forgotten', async () => {
    const ring = createKeyRing(memoryStore())
    const line = sealedLine(entryAbout(1, 'call_1', 'word'), ring, () => false)
    await ring.kept()
    const changed = line.replace(/(.)"\]\]/, (_, last: string) => `${last === 'A' ? 'B' : 'A'}"]]`)
    expect(await openLines([line, changed, 'no entry "sealed":', ''], ring)).toEqual([expect.stringContaining('word'), null, 'no entry "sealed":', ''])
  })
})
