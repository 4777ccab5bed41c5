import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { createFloor, evolve, type FloorState } from '@/core/floor'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { simulateDay } from '@/world'
import { FENNHOLM } from '@/world/scenario'
import { chunkRange, createWriter, DAMAGED_KEY, type KeyValue, memoryStore, restore, type StoredChunk } from './index'

/** A morning of the scenario in decisions, as the floor appends them. */
const ENTRIES = simulateDay({ seed: 3, pace: 'ordinary', midnightMs: Date.UTC(2026, 10, 23) }).slice(0, 1_400)
const LAST = ENTRIES.findLastIndex((e) => e.causedBy === null)
const MORNING = ENTRIES.slice(0, LAST)
const STATES = new Map<number, FloorState>()
let folded = createFloor('fold', FENNHOLM)
for (const { event, atMs, seq } of MORNING) {
  folded = evolve(folded, event, atMs)
  STATES.set(seq, folded)
}
const decisions: LedgerEntry[][] = []
for (const entry of MORNING) {
  if (entry.causedBy === null) decisions.push([])
  decisions.at(-1)?.push(entry)
}
const stateAt = (seq: number) => STATES.get(seq) as FloorState

async function written(upTo = decisions.length, store: KeyValue = memoryStore()) {
  const refusals: string[] = []
  const writer = createWriter({ store, storedSeq: 0, snapshotSeq: 0, onStored: () => {}, onRefused: (reason) => refusals.push(reason) })
  for (const decision of decisions.slice(0, upTo)) {
    writer.append(decision, stateAt((decision.at(-1) as LedgerEntry).seq))
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

  test('nothing stored opens a new floor without a word', async () =>
    expect(await restore(memoryStore())).toEqual({ state: null, snapshotSeq: 0, damage: null }))

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

describe('what is damaged', () => {
  test('wherever the last chunk is torn: the floor stands between two decisions, and the rest is set aside', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 5, max: 60 }), fc.double({ min: 0, max: 0.999, noNaN: true }), async (upTo, share) => {
        const { store } = await written(upTo)
        const last = (await chunkKeys(store)).at(-1) as string
        const chunk = (await store.get(last)) as StoredChunk
        await store.set(last, { ...chunk, text: chunk.text.slice(0, Math.floor(chunk.text.length * share)) })
        const restored = await restore(store)
        const seq = restored.state?.seq ?? 0
        expect(restored.damage?.lostCount).toBeGreaterThanOrEqual(1)
        // Everything acknowledged before the torn chunk is there, and half a decision never is.
        expect(seq).toBeGreaterThanOrEqual(chunk.fromSeq - 1)
        expect(restored.state).toEqual(stateAt(seq))
        expect(MORNING[seq]?.causedBy).toBeNull()
        expect(JSON.stringify(await store.get(DAMAGED_KEY))).toContain(last)
        // What is left opens without a complaint the next time.
        const again = await restore(store)
        expect(again.damage).toBeNull()
        expect(again.state).toEqual(restored.state)
      }),
      { numRuns: 40, seed: 20261124 },
    )
  })

  test('a missing chunk in the middle: everything before it', async () => {
    const { store } = await written(40)
    const key = (await chunkKeys(store))[20] as string
    await store.remove(key)
    const restored = await restore(store)
    expect(restored.damage?.reason).toMatch(/^entries \d+ to \d+ are missing$/)
    expect(restored.state?.seq).toBe((chunkRange(key)?.fromSeq ?? 0) - 1)
  })

  test('a ledger of a newer version is not guessed at', async () => {
    const { store } = await written(30)
    const last = (await chunkKeys(store)).at(-1) as string
    const chunk = (await store.get(last)) as StoredChunk
    await store.set(last, { ...chunk, text: chunk.text.replace(/"version":\d+/, '"version":99') })
    expect((await restore(store)).damage?.reason).toBe('it was saved by a newer version')
  })
})

test('storage that runs full: nothing is lost from memory, the reason is said once, and reading goes on', async () => {
  const disk = memoryStore()
  let room = 20
  const full: KeyValue = {
    ...disk,
    set: async (key, value) => {
      if (room-- <= 0) throw new Error('QuotaExceededError: the disk is full')
      await disk.set(key, value)
    },
  }
  const { writer, refusals } = await written(60, full)
  expect(refusals).toEqual(['QuotaExceededError: the disk is full'])
  expect(await writer.flushed()).toBe(false)
  expect((await writer.read(0)).trimEnd().split('\n')).toHaveLength(decisions.slice(0, 60).flat().length)
})
