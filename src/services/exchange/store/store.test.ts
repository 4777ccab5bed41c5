import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { broken } from '@/core/floor'
import { type LedgerEntry, parseEntry, toLine } from '@/core/ledger'
import { copyOf, createFloor, evolve, type FloorState } from '@/core/state'
import { checksumOf, type KeyValue, memoryStore } from '@/services/storage'
import { FENNHOLM } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import { type OpenChunk, readChunk } from './chunks'
import {
  chunkKey,
  chunkRange,
  createWriter,
  DAMAGED_KEY,
  type LedgerWriter,
  MARK_KEY,
  NOTHING_RESTORED,
  READ_AGAIN_KEY,
  type Restored,
  readableAside,
  restore,
} from './index'
import { EMPTY_SHELF, type Shelved } from './shelf'
import type { WriterOptions } from './writer'

/** A morning of the scenario in decisions, as the floor appends them. */
const ENTRIES = aDay('2026-11-23').slice(0, 1_400)
const LAST = ENTRIES.findLastIndex((e) => e.causedBy === null)
const MORNING = ENTRIES.slice(0, LAST)
const STATES = new Map<number, FloorState>()
const folded = createFloor('fold', FENNHOLM)
for (const { event, atMs, seq } of MORNING) {
  evolve(folded, event, atMs)
  STATES.set(seq, copyOf(folded))
}
const decisions: LedgerEntry[][] = []
for (const entry of MORNING) {
  if (entry.causedBy === null) decisions.push([])
  decisions.at(-1)?.push(entry)
}
const stateAt = (seq: number) => STATES.get(seq) as FloorState

/** A floor that goes on while it is written, decision by decision. */
function aLedger(writer: LedgerWriter, from = 0) {
  const floor = from === 0 ? createFloor('live', FENNHOLM) : copyOf(stateAt(from))
  return (decision: readonly LedgerEntry[]) => {
    for (const { event, atMs } of decision) evolve(floor, event, atMs)
    writer.append(decision, floor)
  }
}

const seqAfter = (count: number) => decisions[count - 1]?.at(-1)?.seq ?? 0

async function written(upTo = decisions.length, store: KeyValue = memoryStore()) {
  const refusals: string[] = []
  const writer = createWriter({
    store,
    storedSeq: 0,
    snapshotSeq: 0,
    onStored: () => {},
    onTrouble: (reason) => reason !== null && refusals.push(reason),
    onCleared: () => {},
    later: () => {},
  })
  const append = aLedger(writer)
  for (const decision of decisions.slice(0, upTo)) {
    append(decision)
    await writer.flushed()
  }
  return { store, writer, refusals }
}
const chunkKeys = async (store: KeyValue) => (await store.keys()).filter((k) => chunkRange(k) !== null).sort()

describe('what is stored comes back', () => {
  test('whole: the state is the one that was written, from a snapshot and without one', async () => {
    const { store } = await written()
    const restored = await restore(store)
    expect(restored.damage).toBeNull()
    expect(restored.snapshotSeq).toBeGreaterThan(0)
    expect(restored.state).toEqual(stateAt(MORNING.length))
    for (const key of await store.keys()) if (key.startsWith('snapshot/')) await store.remove(key)
    expect((await restore(store)).state).toEqual(stateAt(MORNING.length))
  })

  test('a snapshot that cannot be trusted is passed over', async () => {
    const { store } = await written()
    const newest = (await store.keys())
      .filter((k) => k.startsWith('snapshot/'))
      .sort()
      .at(-1) as string
    await store.set(newest, { ...((await store.get(newest)) as object), checksum: 1 })
    const restored = await restore(store)
    expect(restored.damage).toBeNull()
    expect(restored.state).toEqual(stateAt(MORNING.length))
  })

  test('nothing stored opens a new floor without a word', async () => expect(await restore(memoryStore())).toEqual(NOTHING_RESTORED))

  test('small chunks are joined and read as the same lines', async () => {
    const { store, writer } = await written()
    expect((await chunkKeys(store)).length).toBeLessThan(decisions.length)
    expect(await writer.read(0)).toBe(MORNING.map((e) => `${toLine(e)}\n`).join(''))
    expect(await writer.read(700)).toBe(
      MORNING.slice(700)
        .map((e) => `${toLine(e)}\n`)
        .join(''),
    )
  })
})

/** The floor as it would be had the entries from one on, through another, never said anything. */
function stateWithout(fromSeq: number, throughSeq: number, upToSeq: number): FloorState {
  const floor = createFloor('without', FENNHOLM)
  for (const { event, atMs, seq } of MORNING.slice(0, upToSeq)) {
    const isOut = seq >= fromSeq && seq <= throughSeq
    evolve(floor, isOut ? { kind: 'entryLeftOut', because: 'unreadable' } : event, isOut ? floor.atMs : atMs)
  }
  return floor
}

describe('what is damaged', () => {
  test('wherever the last chunk is torn: what stood there is left out by whole decisions and set aside, and the floor goes on after it', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 5, max: 60 }), fc.double({ min: 0, max: 0.999, noNaN: true }), async (upTo, share) => {
        const { store } = await written(upTo)
        const last = (await chunkKeys(store)).at(-1) as string
        const chunk = (await store.get(last)) as OpenChunk
        await store.set(last, { ...chunk, text: chunk.text.slice(0, Math.floor(chunk.text.length * share)) })
        const restored = await restore(store)
        const lost = restored.damage?.lostCount ?? 0
        // With nothing but its last line's end gone it can still be read, and is said to be another than was written.
        expect(lost > 0 || restored.damage?.reason).toBe(share * chunk.text.length < chunk.text.length - 1 ? true : 'a part of it is not as it was written')
        // Everything acknowledged before the torn chunk is there, half a decision never is, and no number is given out twice.
        const firstLost = seqAfter(upTo) - lost + 1
        expect(firstLost).toBeGreaterThanOrEqual(chunk.fromSeq)
        expect(MORNING[firstLost - 1]?.causedBy).toBeNull()
        expect(restored.state).toEqual(stateWithout(firstLost, seqAfter(upTo), seqAfter(upTo)))
        const kept = MORNING.slice(0, firstLost - 1)
        expect((await createWriter(writerOf(store, restored)).read(0)).startsWith(kept.map((e) => `${toLine(e)}\n`).join(''))).toBe(true)
        // What is left opens without a complaint the next time.
        const again = await restore(store)
        expect(again.damage).toBeNull()
        expect(again.state).toEqual(restored.state)
      }),
      { numRuns: 10, seed: 20261124 },
    )
  })

  test('a missing chunk in the middle costs its own decisions and those that cannot follow without them, and nothing else', async () => {
    const { store } = await written(60)
    const key = (await chunkKeys(store))[20] as string
    const gone = chunkRange(key) as { fromSeq: number; toSeq: number }
    await store.remove(key)
    const restored = await restore(store)
    expect(restored.damage?.reason).toBe(`entries ${gone.fromSeq} to ${gone.toSeq} are missing`)
    expect(restored.state?.seq).toBe(seqAfter(60))
    expect(restored.damage?.lostCount).toBeGreaterThanOrEqual(gone.toSeq - gone.fromSeq + 1)
    expect(restored.damage?.lostCount).toBeLessThan(seqAfter(60) - gone.fromSeq + 1)
    expect(broken(restored.state as FloorState)).toEqual([])
    // The ledger has no gap: whoever reads it finds in the place of each what became of it.
    const lines = (await createWriter(writerOf(store, restored)).read(0)).trimEnd().split('\n').map(parseEntry)
    expect(lines.map((l) => l.ok && l.entry.seq)).toEqual(Array.from({ length: seqAfter(60) }, (_, i) => i + 1))
    expect((await restore(store)).damage).toBeNull()
  })

  test('whichever entry of a ledger is spoiled: one decision is left out with it, laws hold, and it is read again once it can be', async () => {
    const { store } = await written()
    await withoutSnapshotsOf(store)
    const intact = await Promise.all((await store.keys()).map(async (k) => [k, await store.get(k)] as const))
    const whole = stateAt(MORNING.length)
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 2, max: MORNING.length }), async (seq) => {
        const spoiled = memoryStore()
        for (const [key, value] of intact) await spoiled.set(key, value)
        const key = (await chunkKeys(spoiled)).find((k) => seq >= (chunkRange(k)?.fromSeq ?? 0) && seq <= (chunkRange(k)?.toSeq ?? 0)) as string
        const chunk = (await readChunk(spoiled, key)) as OpenChunk
        const lines = chunk.text.split('\n')
        // What the writer of version 13 did to calls nobody took.
        lines[seq - chunk.fromSeq] = lines[seq - chunk.fromSeq]?.replace('"atMs":', '"atMs":0.5e-3,"was":') as string
        await spoiled.set(key, { ...chunk, text: lines.join('\n') })
        const restored = await restore(spoiled)
        const floor = restored.state as FloorState
        expect(floor.seq).toBe(MORNING.length)
        expect(broken(floor)).toEqual([])
        const decision = decisions.find((d) => d.some((e) => e.seq === seq)) as LedgerEntry[]
        expect(restored.damage?.lostCount).toBeGreaterThanOrEqual(decision.length)
        expect(restored.damage?.afterSeq).toBe((decision[0] as LedgerEntry).seq - 1)
        // A version that can read it: here the same one, over a line that has been put right where it was set aside.
        const aside = JSON.stringify(await spoiled.get(DAMAGED_KEY)).replaceAll('\\"atMs\\":0.5e-3,\\"was\\":', '\\"atMs\\":')
        await spoiled.set(DAMAGED_KEY, JSON.parse(aside))
        await spoiled.set(READ_AGAIN_KEY, true)
        const again = await restore(spoiled)
        expect(again.cameBack).toBe(restored.damage?.lostCount)
        expect(again.damage).toBeNull()
        expect(again.state).toEqual(whole)
        expect(again.edition).toBeGreaterThan(restored.edition)
      }),
      { numRuns: 14, seed: 20261201 },
    )
  })

  test('what was never readable is said to be so, and stays set aside', async () => {
    const { store } = await written(40)
    const key = (await chunkKeys(store)).at(-2) as string
    const chunk = (await store.get(key)) as OpenChunk
    await store.set(key, { ...chunk, text: chunk.text.replace('"kind":"', '"kind":"moon') })
    await restore(store)
    const before = await store.get(DAMAGED_KEY)
    expect(await readableAside(store)).toMatchObject({ count: 0, problem: expect.stringContaining('cannot be read') })
    await store.set(READ_AGAIN_KEY, true)
    expect((await restore(store)).cameBack).toBe(0)
    expect(await store.get(DAMAGED_KEY)).toEqual(before)
  })

  test('without its beginning nothing can be folded: all of it is set aside, and the floor opens anew', async () => {
    const { store } = await written(10)
    await withoutSnapshotsOf(store)
    await store.remove((await chunkKeys(store))[0] as string)
    expect(await restore(store)).toMatchObject({ state: null, damage: { isWhole: true } })
    expect(await chunkKeys(store)).toEqual([])
  })
})

async function withoutSnapshotsOf(store: KeyValue): Promise<void> {
  for (const key of await store.keys()) if (key.startsWith('snapshot/')) await store.remove(key)
}

const writerOf = (store: KeyValue, { state, snapshotSeq, shelved }: Restored): WriterOptions => ({
  store,
  storedSeq: state?.seq ?? 0,
  snapshotSeq,
  shelved,
  onStored: () => {},
  onTrouble: () => {},
  onCleared: () => {},
  later: () => {},
})

/** A store whose writes can be refused, and what it holds as text. */
function aDisk() {
  const disk = memoryStore()
  const refusals = { next: 0, all: false, writes: 0 }
  const store: KeyValue = {
    ...disk,
    set: async (key, value) => {
      refusals.writes++
      if (refusals.all || refusals.writes === refusals.next) throw new DOMException('the disk is full', 'QuotaExceededError')
      await disk.set(key, value)
    },
    remove: async (key) => {
      refusals.writes++
      if (refusals.all || refusals.writes === refusals.next) throw new DOMException('the disk is busy', 'UnknownError')
      await disk.remove(key)
    },
  }
  const text = async () => JSON.stringify(await Promise.all((await disk.keys()).toSorted().map(async (k) => [k, await disk.get(k)])))
  return { store, disk, refusals, text }
}

/** Appends the decisions one after the other as they would come, with a second try for what was refused whenever time allows. */
async function writtenTo(store: KeyValue, count: number, more: { from?: number; onCleared?: () => void; storedSeq?: number } = {}) {
  const said: (string | null)[] = []
  const again: (() => void)[] = []
  const writer = createWriter({
    store,
    storedSeq: more.storedSeq ?? 0,
    snapshotSeq: 0,
    onStored: () => {},
    onTrouble: (reason) => said.push(reason),
    onCleared: more.onCleared ?? (() => {}),
    later: (_inMs, retry) => again.push(retry),
  })
  const retry = async () => {
    for (const next of again.splice(0)) next()
    return writer.flushed()
  }
  const append = aLedger(writer, seqAfter(more.from ?? 0))
  for (const decision of decisions.slice(more.from ?? 0, count)) {
    append(decision)
    await writer.flushed()
  }
  return { writer, append, said, retry }
}

describe('storage that says no in the middle', () => {
  // Chunks, snapshots, the joining and the clearing away after them: whichever write it is that is refused.
  const COUNT = decisions.findIndex((d) => (d.at(-1) as LedgerEntry).seq > 1_150)

  test('whichever single write is refused: it is said, tried again, and nothing is missing', async () => {
    const counting = aDisk()
    await writtenTo(counting.store, COUNT)
    const places = counting.refusals.writes
    expect(places).toBeGreaterThan(500)
    // Every ninth place of the last sixth, where snapshots and joining come together, and some of the others.
    for (let place = 1; place <= places; place += place > (places * 5) / 6 ? 9 : 47) {
      const { store, disk, refusals } = aDisk()
      refusals.next = place
      const { writer, said, retry } = await writtenTo(store, COUNT)
      expect(await retry(), `write ${place}`).toBe(true)
      expect(said.length === 0 || said.at(-1) === null, `write ${place}: ${said.join()}`).toBe(true)
      if (place % 10 === 0) {
        const restored = await restore(disk)
        expect(restored.damage, `write ${place}`).toBeNull()
        expect(restored.state?.seq).toBe(seqAfter(COUNT))
        expect((await writer.read(0)).trimEnd().split('\n')).toHaveLength(seqAfter(COUNT))
      }
    }
  }, 180_000)

  test('full for a while: everything waits in memory, is read from there, and is stored when there is room', async () => {
    const { store, disk, refusals } = aDisk()
    const first = await writtenTo(store, 40)
    refusals.all = true
    for (const decision of decisions.slice(40, 60)) first.append(decision)
    expect(await first.writer.flushed()).toBe(false)
    expect(first.said).toEqual(['the disk is full'])
    expect((await first.writer.read(0)).trimEnd().split('\n')).toHaveLength(seqAfter(60))
    expect((await restore(disk)).state?.seq).toBe(seqAfter(40))
    expect(await first.retry()).toBe(false)
    refusals.all = false
    expect(await first.retry()).toBe(true)
    expect(first.said.at(-1)).toBeNull()
    expect((await restore(disk)).state).toEqual(stateAt(seqAfter(60)))
  })

  test('the browser’s data cleared in the middle is noticed, and what is in memory is written anew', async () => {
    const { store, disk } = aDisk()
    let cleared = 0
    const { writer, append } = await writtenTo(store, 50, { onCleared: () => cleared++ })
    for (const key of await disk.keys()) await disk.remove(key)
    for (const decision of decisions.slice(50, 60)) {
      append(decision)
      await writer.flushed()
    }
    expect(cleared).toBe(1)
    const restored = await restore(disk)
    expect(restored.damage).toBeNull()
    expect(restored.state).toEqual(stateAt(seqAfter(60)))
  })

  test('a store that was cleared while the floor was closed begins with a snapshot as well', async () => {
    const { store, disk } = aDisk()
    await writtenTo(store, 30, { from: 29, storedSeq: seqAfter(29) })
    expect((await restore(disk)).state).toEqual(stateAt(seqAfter(30)))
  })
})

describe('days that are over', () => {
  /** Three days, some hundred entries of each, whole decisions. */
  const PER_DAY = Math.floor(decisions.length / 3)
  const DAYS = ['2026-11-23', '2026-11-24', '2026-11-25'].map((day, i) => {
    const from = Date.parse(`${day}T09:00:00Z`)
    return decisions.slice(i * PER_DAY, (i + 1) * PER_DAY).map((d) => d.map((e, j) => ({ ...e, atMs: from + i * 1_000 + j })))
  })
  const LINES = DAYS.flat(2).map((e) => `${toLine(e)}\n`)
  const ends = [0, 1].map((i) => DAYS.slice(0, i + 1).flat(2).length)
  const floorAfter = (count: number) => {
    const floor = createFloor('live', FENNHOLM)
    for (const { event, atMs } of DAYS.flat(2).slice(0, count)) evolve(floor, event, atMs)
    return floor
  }

  async function writtenDays(store: KeyValue, days: typeof DAYS, before = 0, shelved: Shelved = EMPTY_SHELF) {
    const again: (() => void)[] = []
    const writer = createWriter({
      store,
      storedSeq: before,
      snapshotSeq: 0,
      shelved,
      onStored: () => {},
      onTrouble: () => {},
      onCleared: () => {},
      later: (_inMs, retry) => again.push(retry),
    })
    const floor = floorAfter(before)
    for (const decision of days.flat()) {
      for (const { event, atMs } of decision) evolve(floor, event, atMs)
      writer.append(decision, floor)
      await writer.flushed()
      for (const next of again.splice(0)) next()
      await writer.flushed()
    }
    return writer
  }
  const isCompressed = async (store: KeyValue, key: string) => typeof ((await store.get(key)) as { text: unknown } | null)?.text === 'object'

  test('are one compressed chunk each, and everything is read and restored as before, with snapshots and without', async () => {
    const store = memoryStore()
    const writer = await writtenDays(store, DAYS)
    const keys = await chunkKeys(store)
    expect(keys.slice(0, 2)).toEqual([chunkKey(1, ends[0] as number), chunkKey((ends[0] as number) + 1, ends[1] as number)])
    expect(await Promise.all(keys.slice(0, 3).map((key) => isCompressed(store, key)))).toEqual([true, true, false])
    expect(await writer.read(0)).toBe(LINES.join(''))
    await fc.assert(
      fc.asyncProperty(fc.nat(LINES.length), fc.nat(LINES.length), async (a, b) => {
        const [after, through] = [Math.min(a, b), Math.max(a, b)]
        expect(await writer.read(after, through)).toBe(LINES.slice(after, through).join(''))
      }),
      { numRuns: 24, seed: 6 },
    )
    expect((await restore(store)).state).toEqual(floorAfter(LINES.length))
    await withoutSnapshotsOf(store)
    expect((await restore(store)).state).toEqual(floorAfter(LINES.length))
  })

  test('a browser that is opened on the next day puts the day before away, without asking for all keys again', async () => {
    const store = memoryStore()
    await writtenDays(store, DAYS.slice(0, 1))
    const { shelved } = await restore(store)
    let listings = 0
    const counting: KeyValue = {
      ...store,
      keys: () => {
        listings++
        return store.keys()
      },
    }
    const next = await writtenDays(counting, DAYS.slice(1), ends[0], shelved)
    expect(listings).toBe(0)
    expect(await isCompressed(store, chunkKey(1, ends[0] as number))).toBe(true)
    expect(await next.read(0)).toBe(LINES.join(''))
  })

  test('whichever write of putting them away is refused, nothing is missing, and they are put away with what follows', async () => {
    const counting = aDisk()
    await writtenDays(counting.store, DAYS)
    for (let place = 1; place <= counting.refusals.writes; place += 47) {
      const { store, disk, refusals } = aDisk()
      refusals.next = place
      const writer = await writtenDays(store, DAYS)
      expect(await writer.read(0), `write ${place}`).toBe(LINES.join(''))
      if (place % 3 !== 1) continue
      const restored = await restore(disk)
      expect(restored.damage, `write ${place}`).toBeNull()
      expect(restored.state?.seq).toBe(LINES.length)
      expect(await isCompressed(disk, chunkKey(1, ends[0] as number)), `write ${place}`).toBe(true)
    }
  }, 120_000)

  test('of one that is torn nothing is believed, and what the snapshots know stands', async () => {
    const store = memoryStore()
    await writtenDays(store, DAYS)
    const [first = ''] = await chunkKeys(store)
    const chunk = (await store.get(first)) as { text: Uint8Array<ArrayBuffer> }
    await store.set(first, { ...chunk, text: chunk.text.slice(0, 200) })
    expect(await readChunk(store, first)).toBeNull()
    const restored = await restore(store)
    expect(restored.damage).toBeNull()
    expect(restored.state).toEqual(floorAfter(LINES.length))
    await withoutSnapshotsOf(store)
    expect((await restore(store)).damage).toMatchObject({ afterSeq: 0, reason: 'a part of it is not readable' })
  })
})

describe('other versions of the product', () => {
  test('a store that a newer one has written is left as it is, to the last byte, and nothing of it is opened', async () => {
    const { store, text } = aDisk()
    await writtenTo(store, 60)
    const [last] = (await chunkKeys(store)).slice(-1)
    const chunk = (await store.get(last as string)) as OpenChunk
    const newer = chunk.text.replace(/"version":\d+/, '"version":99')
    await store.set(last as string, { ...chunk, text: newer, checksum: checksumOf(newer) })
    for (const mark of [{ ledgerVersion: 99 }, null]) {
      if (mark === null) await store.remove(MARK_KEY)
      else await store.set(MARK_KEY, mark)
      const before = await text()
      expect(await restore(store)).toMatchObject({ newer: true, state: null })
      expect(await text()).toBe(before)
    }
  })

  test('PINs that an older one kept in the ledger are taken out of it and handed on, once', async () => {
    const { store, text } = aDisk()
    const lines = readFileSync(new URL('./fixtures/version-4.ndjson', import.meta.url), 'utf8')
    const count = lines.trimEnd().split('\n').length
    await store.set(chunkKey(1, count), { fromSeq: 1, toSeq: count, text: lines, checksum: checksumOf(lines) })
    await store.set('snapshot/0000000001', { version: 4, seq: 1, text: '{"pin":"1110"}', checksum: 1 })
    await store.set(DAMAGED_KEY, [
      { reason: 'x', afterSeq: 1, parts: [{ key: 'chunk/1-2', value: { text: '{"agents":[{"id":"agent_a","pin":"4711","role":"agent"}]}' } }] },
    ])
    // As a name of JSON: what is sealed may happen to have these letters in a row.
    const PIN = /"pin\\*"/
    expect(await text()).toMatch(PIN)
    const restored = await restore(store)
    expect(restored.damage).toBeNull()
    expect(restored.state?.seq).toBe(count)
    expect(restored.pins.size).toBeGreaterThan(2)
    expect(await text()).not.toMatch(PIN)
    const again = await restore(store)
    expect(again.pins.size).toBe(0)
    expect(again.state).toEqual(restored.state)
  })
})
