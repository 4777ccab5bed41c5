import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { createChance } from '@/core/chance'
import { guarded } from './guarded'
import { BIN_MS, createHazard } from './hazard'
import type { Observation, Pacer, PacingSummary } from './interface'
import { createPacer } from './pacer'
import { createPreview, createProgressive } from './progressive'
import { createRace } from './race'
import { playShift } from './simulate'
import { add, Convolution, type Moments, normalTail } from './tail'
import { USUAL, WORLDS } from './worlds'

const CONFIG = { agents: 10, lines: 30, abandonCap: 0.03, tickMs: 250, ringLimitMs: USUAL.ringLimitMs, connectLimitMs: USUAL.connectLimitMs, seed: 5 }

describe('the chance that more people are there than agents', () => {
  const chances = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 9 })

  test('one after another it is that of all ways it can come about', () => {
    fc.assert(
      fc.property(chances, chances, fc.integer({ min: -4, max: 4 }), (agents, people, certain) => {
        const sum = new Convolution().reset(certain)
        for (const p of agents) sum.plus(p)
        for (const p of people) sum.minus(p)
        const all = [...agents.map((p) => [p, 1] as const), ...people.map((p) => [p, -1] as const)]
        let wanted = 0
        for (let way = 0; way < 2 ** all.length; way++) {
          let [chance, total] = [1, certain]
          for (const [i, [p, by]] of all.entries()) {
            const comes = ((way >> i) & 1) === 1
            chance *= comes ? p : 1 - p
            if (comes) total += by
          }
          if (total <= 0) wanted += chance
        }
        expect(sum.notAboveNothing()).toBeCloseTo(wanted, 9)
      }),
      { numRuns: 24, seed: 20261126 },
    )
  })

  test('by moments it is close to that, for as many as it is used for', () => {
    const chance = createChance(3)
    for (let round = 0; round < 200; round++) {
      const sum = new Convolution().reset(2)
      const moments: Moments = { mean: 2, variance: 0, third: 0 }
      for (let n = 0; n < 40; n++) {
        const [p, q] = [chance.next() * 0.5, chance.next() * 0.4]
        sum.plus(p).minus(q)
        add(moments, p, 1, 1)
        add(moments, q, 1, -1)
      }
      expect(Math.abs(normalTail(moments) - sum.notAboveNothing())).toBeLessThan(0.006)
    }
  })
})

describe('what is learnt', () => {
  test('how long talks last, also while the long ones are still going on', () => {
    const chance = createChance(11)
    const talks = Array.from({ length: 1_500 }, () => chance.logNormal(60_000, 0.9))
    const begun = talks.map(() => chance.next() * 200_000)
    const hazard = createHazard({ medianMs: 20_000, sigma: 0.5, weight: 10, longestMs: 600_000 })
    const goingOn: { elapsedMs: number }[] = []
    // Seen 200 seconds after the first began: what has ended is mostly short.
    for (const [i, ms] of talks.entries()) {
      const age = 200_000 - (begun[i] as number)
      if (ms <= age) hazard.ended(ms)
      else goingOn.push({ elapsedMs: age })
    }
    const ended = talks.filter((ms, i) => ms <= 200_000 - (begun[i] as number))
    const cdf = hazard.cdf(goingOn)
    const share = (of: readonly number[], ms: number) => of.filter((t) => t <= ms).length / of.length
    for (const ms of [20_000, 60_000, 120_000]) expect(Math.abs((cdf[ms / BIN_MS] as number) - share(talks, ms))).toBeLessThan(0.05)
    // By those that have ended alone it would be far off: the test is worth something.
    expect(share(ended, 60_000) - share(talks, 60_000)).toBeGreaterThan(0.12)
  })

  test('how likely an attempt is answered, and its drift, while most of the last ones still ring', () => {
    const race = createRace({ longestMs: 22_000, medianMs: 10_000, sigma: 0.45, share: 0.3, weight: 15 })
    const chance = createChance(4)
    const run = (share: number, count: number) => {
      for (let n = 0; n < count; n++) {
        if (n % 20 === 0) race.learn([], 350)
        const ms = chance.logNormal(10_000, 0.4)
        if (chance.next() < share && ms < 22_000) race.won(ms)
        else race.lost(22_000)
      }
      race.learn([], 350)
      return race.wins[race.bins] as number
    }
    expect(Math.abs(run(0.2, 1_500) - 0.2)).toBeLessThan(0.05)
    expect(Math.abs(run(0.45, 900) - 0.44)).toBeLessThan(0.07)
  })
})

describe('any pacer', () => {
  const none: PacingSummary = {
    attempts: 0,
    finished: 0,
    answered: 0,
    liveAnswers: 0,
    connects: 0,
    abandons: 0,
    handled: 0,
    meanRingMs: 0,
    meanTalkMs: 0,
    meanWrapMs: 0,
    meanHandleMs: 0,
  }
  const ages = (max: number) => fc.array(fc.record({ elapsedMs: fc.integer({ min: 0, max: 900_000 }) }), { maxLength: max })
  const observation: fc.Arbitrary<Observation> = fc
    .record({
      idle: ages(40),
      talking: ages(40),
      wrap: ages(20),
      ringing: ages(60),
      detecting: ages(20),
      waiting: ages(9),
      free: fc.nat({ max: 90 }),
      lives: fc.nat({ max: 999 }),
    })
    .chain((r) =>
      fc.record({ abandons: fc.nat({ max: 60 }), onBreak: fc.nat({ max: 9 }), nowMs: fc.nat({ max: 14_400_000 }) }).map(({ abandons, onBreak, nowMs }) => ({
        nowMs,
        tickMs: 250,
        abandonCap: 0.03,
        linesFree: r.free,
        linesTotal: r.free + r.ringing.length + r.detecting.length + r.waiting.length,
        agentsLoggedOn: r.idle.length + r.talking.length + r.wrap.length + onBreak,
        agentsIdle: r.idle.length,
        agentsOnBreak: onBreak,
        idle: r.idle,
        agentsTalking: r.talking,
        agentsInWrapUp: r.wrap,
        ringing: r.ringing,
        detecting: r.detecting,
        waiting: r.waiting,
        recent: none,
        recentHour: { ...none, liveAnswers: r.lives, abandons },
        totals: { ...none, liveAnswers: r.lives, abandons },
      })),
    )
  test.each([
    ['predictive', () => createPacer(CONFIG)],
    ['progressive', () => createProgressive()],
    ['preview', () => createPreview()],
  ] as const)('%s answers whole attempts, never more than there are lines, and says why, whatever it is shown', (_, make) => {
    fc.assert(
      fc.property(fc.array(observation, { minLength: 1, maxLength: 6 }), (shown) => {
        const pacer = make()
        for (const o of shown.sort((a, b) => a.nowMs - b.nowMs)) {
          const count = pacer.decide(o)
          expect(Number.isInteger(count) && count >= 0 && count <= o.linesFree).toBe(true)
          const reasons = pacer.reasons?.()
          if (reasons !== undefined) expect(reasons.ahead.every((a) => a.agentsFree >= 0 && a.people >= 0 && Number.isFinite(a.inMs))).toBe(true)
        }
      }),
      { numRuns: 24, seed: 7 },
    )
  })

  test.each<readonly [string, () => number]>([
    [
      'throws',
      () => {
        throw new Error('no such thing')
      },
    ],
    ['answers no number', () => Number.NaN],
    ['answers less than none', () => -1],
    ['answers half an attempt', () => 0.5],
    ['wants more than there are lines', () => 1_000],
  ])('one that %s is replaced by one attempt per idle agent, for good, and it is said once', (_, decide) => {
    const said: string[] = []
    const pacer = guarded({ decide }, (why) => said.push(why))
    const shown = playShift(pacer, { world: { ...USUAL, hours: 0.5 }, agents: 4, lines: 12, abandonCap: 0.03, seed: 2, tickMs: 250 })
    const plain = playShift(createProgressive(), { world: { ...USUAL, hours: 0.5 }, agents: 4, lines: 12, abandonCap: 0.03, seed: 2, tickMs: 250 })
    expect(shown).toEqual(plain)
    expect(said.length).toBe(1)
    expect(pacer.fault()).toBe(said[0])
  })
})

describe('a shift', () => {
  const play = (pacer: Pacer, name = 'usual', hours = 0.75, agents = 6) =>
    playShift(pacer, { world: { ...(WORLDS[name] ?? USUAL), hours }, agents, lines: 3 * agents, abandonCap: 0.03, seed: 77, tickMs: 250 })

  test('is the same again with the same seed', () => {
    expect(play(createPacer(CONFIG), 'usual', 0.5)).toEqual(play(createPacer(CONFIG), 'usual', 0.5))
  })

  test('begins gently: as long as little is known, many agents at once leave hardly anybody alone', () => {
    const begun = play(createPacer({ ...CONFIG, agents: 100, lines: 300 }), 'usual', 1 / 20, 100)
    expect(begun.liveAnswers).toBeGreaterThan(100)
    expect(begun.abandonedShare).toBeLessThan(0.1)
  })

  test.each(Object.keys(WORLDS))('%s: agents are busier than with one attempt each, and the cap holds', (name) => {
    const [ours, plain] = [play(createPacer({ ...CONFIG, agents: 6 }), name), play(createProgressive(), name)]
    expect(plain.abandoned).toBe(0)
    // Of the time agents sit idle; little of it where talks are long.
    expect(1 - ours.utilisation).toBeLessThan(0.95 * (1 - plain.utilisation))
    expect(ours.abandonedShare).toBeLessThanOrEqual(0.03)
    expect(ours.liveAnswers).toBeGreaterThan(40)
  })
})
