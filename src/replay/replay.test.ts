import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { LedgerEntry } from '@/core/ledger'
import { createReplay, isMark } from '@/core/replay'
import { evolve, type FloorState, floorOf } from '@/core/state'
import { FENNHOLM_STAGE } from '@/scenario'
import { simulateDay } from '@/world'

const DAY = simulateDay(FENNHOLM_STAGE, { seed: 11, pace: 'storm', day: '2026-11-24' }).slice(0, 6_000)

/** Everything there is of it, tables and their order, as bytes. */
const bytes = (state: FloorState): string => JSON.stringify(state, (_, value) => (value instanceof Map ? { map: [...value] } : value))

function folded(entries: readonly LedgerEntry[]): FloorState {
  const [first, ...rest] = entries as [LedgerEntry, ...LedgerEntry[]]
  const state = floorOf(first)
  for (const { event, atMs } of rest) evolve(state, event, atMs)
  return state
}

describe('a day that is replayed', () => {
  test('is at any entry, in whatever order they are looked at, byte for byte what the plain fold gives', () => {
    const replay = createReplay(DAY)
    const plain = new Map<number, string>()
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: DAY.length }), { minLength: 3, maxLength: 12 }), (counts) => {
        for (const count of counts) {
          if (!plain.has(count)) plain.set(count, bytes(folded(DAY.slice(0, count))))
          expect(bytes(replay.after(count)) === plain.get(count), `after ${count}`).toBe(true)
        }
      }),
      { numRuns: 25 },
    )
    // Where copies are kept, just before them and just after, forwards and backwards.
    for (const count of [500, 499, 501, 3_000, 1, 2_999, DAY.length, 1_000])
      expect(bytes(replay.after(count)) === bytes(folded(DAY.slice(0, count))), `after ${count}`).toBe(true)
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
