import { describe, expect, test } from 'vitest'
import { INVARIANTS } from '@/core/floor'
import { createLedgerFolder, type LedgerEntry, toLine } from '@/core/ledger'
import { createFloor, evolve } from '@/core/state'
import { type Pace, simulateDay } from '@/world'
import { FENNHOLM } from './scenario'

const day = (seed: number, pace: Pace = 'ordinary') => simulateDay({ seed, pace, day: '2026-11-23' })
const lines = (entries: readonly LedgerEntry[]) => entries.map(toLine).join('\n')
const ORDINARY = day(7)

describe('a simulated day', () => {
  test('the same seed gives the byte-identical ledger, another seed another day', () => {
    expect(lines(day(7))).toBe(lines(ORDINARY))
    expect(lines(day(8))).not.toBe(lines(ORDINARY))
  })

  test('every invariant of the floor holds along the way, and hardly anybody goes home with something owed', () => {
    const state = createFloor('sim', FENNHOLM)
    for (const [i, { event, atMs }] of ORDINARY.entries()) {
      evolve(state, event, atMs)
      // Between the events of one decision the floor is on its way; a decision ends where the next one begins.
      if (ORDINARY[i + 1]?.causedBy !== null || i % 40 > 0) continue
      for (const [name, holds] of INVARIANTS) expect(holds(state), `${name}, after event ${i + 1}`).toBe(true)
    }
    const folder = createLedgerFolder()
    for (const entry of ORDINARY) folder.add(entry)
    const handled = folder.records().filter((r) => r.result === 'handled')
    expect(handled.length).toBeGreaterThan(500)
    expect(handled.filter((r) => r.outcome === null).length).toBeLessThan(4)
  })

  test('every number in it is reserved for fiction', () => {
    const reserved = /^\+(44(1632960\d{3}|7700900\d{3}|207946\d{4})|1\d{3}55501\d{2}|61491570(006|15[6-9]|110)|33199\d{6})$/
    const numbers = ORDINARY.flatMap(({ event }) => ('number' in event && event.number !== null ? [event.number] : []))
    expect(numbers.filter((n) => !reserved.test(n))).toEqual([])
    expect(numbers.length).toBeGreaterThan(500)
  })
})
