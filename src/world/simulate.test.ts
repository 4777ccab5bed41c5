import { deserialize, serialize } from 'node:v8'
import { describe, expect, test } from 'vitest'
import { broken, brokenBy, openFloor } from '@/core/floor'
import { createLedgerFolder, type LedgerEntry, toLine } from '@/core/ledger'
import { copyOf, createFloor, createJournal, evolve, floorOf } from '@/core/state'
import { MINUTE } from '@/core/time'
import { advance, createWorld, type Pace, resumeWorld, simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'

const day = (seed: number, pace: Pace = 'ordinary') => simulateDay(FENNHOLM_STAGE, { seed, pace, day: '2026-11-23' })
const lines = (entries: readonly LedgerEntry[]) => entries.map(toLine).join('\n')
const ORDINARY = aDay('2026-11-23')

describe('a simulated day', () => {
  test('the same seed gives the byte-identical ledger, another seed another day', () => {
    expect(lines(day(7))).toBe(lines(ORDINARY))
    expect(lines(day(8))).not.toBe(lines(ORDINARY))
  })

  test('every invariant of the floor holds after every decision, and hardly anybody goes home with something owed', () => {
    const state = createFloor('sim', FENNHOLM)
    let journal = createJournal()
    for (const [i, { event, atMs }] of ORDINARY.entries()) {
      evolve(state, event, atMs, journal)
      // Between the events of one decision the floor is on its way; a decision ends where the next one begins.
      if (ORDINARY[i + 1]?.causedBy !== null) continue
      expect(brokenBy(state, journal), `after event ${i + 1}`).toEqual([])
      journal = createJournal()
    }
    expect(broken(state)).toEqual([])
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

describe('a world is data', () => {
  /** The day again, in one piece or laid aside every so often: floor and world are then others, made from what was kept of both. */
  function played(layAsideEvery: number | null) {
    const day = '2026-11-23'
    const opened = openFloor('again', FENNHOLM, Date.UTC(2026, 10, 23))
    const entries: LedgerEntry[] = [opened]
    let state = floorOf(opened)
    const options = {
      seed: 7,
      pace: 'storm',
      plays: FENNHOLM.agents.filter((a) => a.role === 'agent').map((a) => a.id),
      day: { kind: 'calendar', day },
    } as const
    let world = createWorld(FENNHOLM_STAGE, options)
    world.begin(state, opened.atMs)
    for (let minute = 0; minute < 11 * 60; minute++) {
      advance(state, world, opened.atMs + minute * MINUTE, (more) => entries.push(...more))
      if (layAsideEvery === null || minute % layAsideEvery > 0) continue
      world = resumeWorld(FENNHOLM_STAGE, deserialize(serialize(world.data())))
      state = copyOf(state)
    }
    return entries
  }

  test('laid aside, stored and taken up again it plays the same day, byte for byte', () => {
    const whole = played(null)
    expect(whole.filter((e) => e.event.kind === 'callQueued').length).toBeGreaterThan(150)
    expect(lines(played(17))).toBe(lines(whole))
  })

  test('what goes on does not change what was laid aside', () => {
    const floor = floorOf(openFloor('aside', FENNHOLM, 0))
    const world = createWorld(FENNHOLM_STAGE, { seed: 7, pace: 'ordinary', plays: FENNHOLM.agents.map((a) => a.id), day: { kind: 'live' } })
    world.begin(floor, 0)
    const aside = world.data()
    const before = structuredClone(aside)
    for (const from of [world, resumeWorld(FENNHOLM_STAGE, aside)]) advance(floor, from, 10 * MINUTE, () => {})
    expect(aside).toEqual(before)
  })
})
