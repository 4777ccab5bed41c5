import { describe, expect, test } from 'vitest'
import { foresee, type Met, playWhatIf, type WhatIf, worldLike } from './what-if'
import { USUAL } from './worlds'

const MANNERS = ['preview', 'progressive', 'predictive'] as const
const LIST = { people: 1_000_000, perRecord: 3, gapMs: 3_600_000 }
const asked = (more: Partial<WhatIf> = {}): WhatIf => ({
  manner: 'progressive',
  agents: 5,
  lines: 15,
  abandonCap: 0.03,
  list: LIST,
  world: { ...USUAL, hours: 2 },
  ...more,
})
const shifts = (whatIf: WhatIf, seeds = 2) => Array.from({ length: seeds }, (_, seed) => playWhatIf(whatIf, seed))

describe('a shift that is foreseen', () => {
  test.each(MANNERS)('%s: the same seed gives the same shift, and a list that is called to its end holds nobody', (manner) => {
    const short = asked({ manner, world: { ...USUAL, hours: 0.4 } })
    expect(playWhatIf(short, 3)).toEqual(playWhatIf(short, 3))
    const people = 120
    for (const shown of shifts(asked({ manner, list: { people, perRecord: 2, gapMs: 60_000 } }))) {
      expect(shown.listEndsMs).not.toBeNull()
      expect(shown.left).toBe(0)
      // Everybody once, nobody more often than is allowed; whoever was talked to not again.
      expect(shown.attempts).toBeGreaterThanOrEqual(people)
      expect(shown.attempts).toBeLessThanOrEqual(2 * people)
      expect(shown.connected).toBeLessThanOrEqual(people)
    }
  })

  test('pacing keeps agents busier than one attempt each, and that busier than looking first; only pacing leaves anybody alone for it', () => {
    const by = Object.fromEntries(MANNERS.map((manner) => [manner, foresee(asked(), shifts(asked({ manner })))]))
    expect(by.predictive?.utilisation.median).toBeGreaterThan((by.progressive?.utilisation.median ?? 1) + 0.03)
    expect(by.progressive?.utilisation.median).toBeGreaterThan((by.preview?.utilisation.median ?? 1) + 0.03)
    expect(by.preview?.abandonedShare.high).toBe(0)
    expect(by.predictive?.abandonedShare.median).toBeLessThan(0.03)
    for (const one of Object.values(by)) {
      expect(one.connected.low).toBeLessThanOrEqual(one.connected.median)
      expect(one.connected.median).toBeLessThanOrEqual(one.connected.high)
    }
  })

  const NOTHING: Met = {
    byHour: [],
    machines: 0,
    busy: 0,
    invalid: 0,
    inVain: 0,
    connected: 0,
    rightParty: 0,
    rings: [],
    wraps: [],
    talks: { right: [], other: [] },
  }
  const shift = { fromHour: 9, hours: 4, detector: true, detectorDrops: 0.04, ringLimitMs: 22_000, connectLimitMs: 2_000 }

  test('a campaign that has met nobody is foreseen as the usual one; the more it has met, the more that counts', () => {
    const usual = worldLike(NOTHING, shift)
    expect(usual.answers(0.5)).toBeCloseTo(0.3, 5)
    expect(usual.talkMs).toEqual(USUAL.talkMs)
    const rateWith = (ended: number) => worldLike({ ...NOTHING, byHour: [10, 11, 12].map((hour) => ({ hour, ended, live: ended * 0.48 })) }, shift).answers(0.5)
    expect(rateWith(20)).toBeGreaterThan(0.33)
    // Of a hundred who answered the detector let ninety-six pass as people.
    expect(rateWith(20_000)).toBeCloseTo(0.5, 2)
    const same = Array.from({ length: 100 }, () => 60_000)
    expect(worldLike({ ...NOTHING, talks: { right: same, other: [] } }, shift).talkMs).toEqual({ right: { mean: 60_000, sd: 0 }, other: USUAL.talkMs.other })
  })

  test('foreseen from what a simulated campaign has met, a shift goes as that campaign’s did', () => {
    const world = { ...USUAL, hours: 2, answers: () => 0.36, detector: null }
    const met = shifts(asked({ world, agents: 8, lines: 24 }), 4)
    const [attempts, live] = [met.reduce((n, s) => n + s.attempts, 0), met.reduce((n, s) => n + s.connected, 0)]
    const known = worldLike(
      { ...NOTHING, byHour: [9, 10].map((hour) => ({ hour, ended: attempts / 2, live: live / 2 })) },
      { ...shift, hours: 2, detector: false },
    )
    const again = foresee(asked({ agents: 8 }), shifts(asked({ world: { ...known, ringLimitMs: world.ringLimitMs }, agents: 8, lines: 24 }), 4))
    const mean = live / met.length
    expect(again.connected.median).toBeGreaterThan(0.88 * mean)
    expect(again.connected.median).toBeLessThan(1.12 * mean)
  })
})
