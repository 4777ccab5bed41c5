import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { LedgerEntry } from '@/core/ledger'
import { createReplay, isMark } from '@/core/replay'
import { evolve, type FloorState, floorOf } from '@/core/state'
import { aDay } from '@/world/scenario/testing'

const DAY = aDay('2026-11-24', 'storm').slice(0, 6_000)

/** Everything there is of it, tables and their order, as the digest of its bytes. */
const digest = (state: FloorState): string =>
  createHash('sha1')
    .update(JSON.stringify(state, (_, value) => (value instanceof Map ? { map: [...value] } : value)))
    .digest('hex')

/** What the plain fold gives after so many entries: the day is gone through once for all of them. */
function foldedAt(counts: readonly number[]): Map<number, string> {
  const state = floorOf(DAY[0] as LedgerEntry)
  const wanted = new Set(counts)
  const found = new Map<number, string>()
  for (const [i, { event, atMs }] of DAY.entries()) {
    if (i > 0) evolve(state, event, atMs)
    if (wanted.has(i + 1)) found.set(i + 1, digest(state))
  }
  return found
}

describe('a day that is replayed', () => {
  test('is at any entry, in whatever order they are looked at, byte for byte what the plain fold gives', () => {
    const replay = createReplay(DAY)
    const anyOrder = fc.sample(fc.array(fc.integer({ min: 1, max: DAY.length }), { minLength: 3, maxLength: 12 }), { numRuns: 25, seed: 11 }).flat()
    // Where copies are kept, just before them and just after, forwards and backwards.
    const counts = [...anyOrder, 500, 499, 501, 3_000, 1, 2_999, DAY.length, 1_000]
    const plain = foldedAt(counts)
    for (const count of counts) expect(digest(replay.after(count)), `after ${count}`).toBe(plain.get(count))
  })

  test('says how many entries had happened at an instant', () => {
    const replay = createReplay(DAY)
    fc.assert(
      fc.property(fc.integer({ min: (DAY[0]?.atMs ?? 0) - 10, max: (DAY.at(-1)?.atMs ?? 0) + 10 }), (atMs) => {
        const count = replay.upTo(atMs)
        expect(DAY[count - 1]?.atMs ?? -Infinity).toBeLessThanOrEqual(atMs)
        expect(DAY[count]?.atMs ?? Infinity).toBeGreaterThan(atMs)
      }),
    )
  })

  test('begins with an opening, and goes no further than it goes', () => {
    expect(() => createReplay([])).toThrow('opening')
    expect(() => createReplay(DAY.slice(1))).toThrow('opening')
    const replay = createReplay(DAY.slice(0, 20))
    expect(replay.after(99).seq).toBe(20)
    expect(replay.after(-3).seq).toBe(1)
  })

  test('has marks for what somebody did about the floor, and for nothing that every call has', () => {
    const marks = DAY.filter(isMark)
    expect(marks.length).toBeLessThan(DAY.length / 100)
    for (const kind of ['stormSwitched', 'queueDoorSet', 'helpAsked'] as const) expect(isMark({ event: { kind } } as unknown as LedgerEntry)).toBe(true)
  })
})
