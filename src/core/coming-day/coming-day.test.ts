// Days that are played, held against formulas where there are any, and against the records of their own ledgers.
import { mean } from 'd3-array'
import { describe, expect, test } from 'vitest'
import { broken } from '@/core/floor'
import { createLedgerFolder, type LedgerEntry, toLine } from '@/core/ledger'
import { measure, occupancy } from '@/core/reports'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { agentsNeeded, serviceLevelA } from '@/core/staffing'
import { evolve, floorOf } from '@/core/state'
import { FIRST, SECOND_QUEUE, SMALL } from '@/core/testing'
import { HOUR, MINUTE, QUARTER_MS, SECOND } from '@/core/time'
import {
  callingOrder,
  changed,
  crewFor,
  type DayBasis,
  type DayChange,
  daySaid,
  differenceOf,
  drawCallers,
  NO_CHANGE,
  neededByPlay,
  playDay,
  sameCallers,
  spreadOf,
  type Traffic,
} from '.'

const START = Date.UTC(2026, 10, 24)
const QUARTERS = 96
const OPEN = { from: 32, to: 56 }
const during = (n: number) => Array.from({ length: QUARTERS }, (_, q) => (q >= OPEN.from && q < OPEN.to ? n : 0))

/** Quantiles of an exponential distribution, fine enough to be one. */
const exponential = (meanMs: number) => Array.from({ length: 2_000 }, (_, i) => Math.round(-meanMs * Math.log(1 - (i + 0.5) / 2_000)))

/** Two queues, so many agents for each and for both; calls are put through by themselves where nothing is said of it. */
function centre({
  first = 0,
  second = 0,
  both = 0,
  answersItself = true,
  ...queue
}: Record<string, unknown> & { first?: number; second?: number; both?: number }) {
  const agents = [
    ...Array.from({ length: first }, () => [FIRST]),
    ...Array.from({ length: second }, () => [SECOND_QUEUE]),
    ...Array.from({ length: both }, () => [FIRST, SECOND_QUEUE]),
  ].map((queueIds, i) => ({ ...SMALL.agents[0], id: `agent_${i}`, name: `Agent ${i}`, queueIds }))
  const sue = { ...SMALL.agents[0], id: 'agent_sue', name: 'Sue', role: 'supervisor', queueIds: [], may: ['supervision', 'setUp'] }
  return SetUpSchema.parse({
    ...SMALL,
    agents: [...agents, sue],
    queues: SMALL.queues.map((q) => ({ ...q, headStartMs: 0, keepsPlaces: false, answersItself, serviceLevelMs: 20_000, ...queue })),
  })
}

/** A campaign that may be called at any hour of these days. */
const BESIDE = {
  name: 'Beside',
  purpose: 'to ask',
  scriptId: null,
  outcomeSetId: 'outcomes_small',
  callerId: '+441632960100',
  lines: 12,
  agentIds: [],
  manner: 'progressive',
  timeZone: 'UTC',
  abandonedMessage: 'Sorry.',
  hours: [{ days: [1, 2, 3, 4, 5, 6, 7], fromMinute: 0, toMinute: 1440 }],
}

const traffic = (queueId: Traffic['queueId'], callsAQuarter: number, more: Partial<Traffic> = {}): Traffic => ({
  queueId,
  offered: during(callsAQuarter),
  talkMs: exponential(4 * MINUTE),
  wrapUpMs: [0],
  patienceMs: 2 * MINUTE,
  ...more,
})

const basisOf = (setUp: SetUp, of: readonly Traffic[], agents: number): DayBasis => ({
  setUp,
  startMs: START,
  traffic: of,
  came: null,
  atWork: during(agents),
  crew: null,
})

function play(basis: DayBasis, seed: number, change: Partial<DayChange> = {}, sink?: (entries: readonly LedgerEntry[]) => void) {
  const { day, traffic: of, came } = changed(basis, { ...NO_CHANGE, ...change })
  return playDay(day, came === null ? drawCallers(of, seed) : sameCallers(came, of, seed), seed, sink)
}

const seeds = (n: number) => Array.from({ length: n }, (_, i) => i + 1)
/** The first hour is left out: the day begins with nobody on the line. */
const steady = { from: OPEN.from + 4, to: OPEN.to }

describe('a day with one queue is the queue of the formula', () => {
  test.each([
    { says: 'nearly as much work as agents', agents: 6, calls: 20 },
    { says: 'more work than agents: whoever gives up makes room', agents: 5, calls: 24 },
    { says: 'hardly anything to do', agents: 4, calls: 6 },
  ])('$says', ({ agents, calls }) => {
    const basis = basisOf(centre({ first: agents }), [traffic(FIRST, calls)], agents)
    const days = seeds(8).map((seed) => daySaid(play(basis, seed), steady).serviceLevel)
    const spread = spreadOf(days)
    const rates = { arrivalRate: calls / QUARTER_MS, serviceRate: 1 / (4 * MINUTE), patienceRate: 1 / (2 * MINUTE) }
    // Those who give up within five seconds are left out of the measure, not of the formula: it lies between counting them and not.
    const formula = serviceLevelA({ ...rates, agents }, 20 * SECOND)
    const sure = ((spread?.meanTo ?? 0) - (spread?.meanFrom ?? 0)) / 2
    expect(spread?.mean).toBeGreaterThan(formula - 2 * sure)
    expect(spread?.mean).toBeLessThan(formula * 1.03 + 2 * sure)
    expect(sure).toBeLessThan(0.06)
  })
})

describe('a day of two queues, rings, wrap-ups, breaks and people who give up', () => {
  const setUp = centre({ first: 2, both: 3, answersItself: false, overflow: [] })
  const basis = {
    ...basisOf(setUp, [traffic(FIRST, 9, { wrapUpMs: [10_000, 40_000] }), traffic(SECOND_QUEUE, 5, { wrapUpMs: [5_000, 90_000] })], 5),
    crew: setUp.agents.slice(0, 5).map((a, i) => ({
      agentId: a.id,
      fromMs: 8 * HOUR + i * 10 * MINUTE,
      toMs: 15 * HOUR + i * 15 * MINUTE,
      breaks: [{ fromMs: 10 * HOUR + i * 20 * MINUTE, toMs: 10 * HOUR + (i + 1) * 20 * MINUTE }],
    })),
  }
  const entries: LedgerEntry[] = []
  const day = play(basis, 5, {}, (more) => entries.push(...more))

  test('counts are those of the records of its ledger, queue by queue', () => {
    const folder = createLedgerFolder()
    for (const entry of entries) folder.add(entry)
    const records = folder.records()
    expect(records.length).toBeGreaterThan(300)
    for (const queueId of [FIRST, SECOND_QUEUE]) {
      const said = daySaid(day, { queueId })
      const measured = measure(
        records.filter((r) => r.queueId === queueId),
        { nowMs: START + 24 * HOUR, serviceLevelMs: () => 20_000, disagrees: () => false },
      )
      expect({ offered: said.offered, answered: said.answered }).toEqual({ offered: measured.offered, answered: measured.answered })
      expect(said.serviceLevel).toBeCloseTo(measured.serviceLevelRatio ?? -1, 12)
      expect(said.abandoned).toBeCloseTo(measured.abandonRatio ?? -1, 12)
      expect(said.meanWaitMs).toBeCloseTo(measured.speedOfAnswer?.meanMs ?? -1, 6)
      expect(measured.abandoned).toBeGreaterThan(5)
      expect(measured.shortAbandons).toBeGreaterThan(0)
    }
    expect(daySaid(day).occupancy).toBeCloseTo(occupancy(folder.intervals(START + 24 * HOUR)).occupancyRatio ?? -1, 6)
  })

  test('nothing in it is refused by the invariants, everybody has had their break, and everybody has gone home', () => {
    const [opened, ...rest] = entries as [LedgerEntry, ...LedgerEntry[]]
    const state = floorOf(opened as Parameters<typeof floorOf>[0])
    for (const { event, atMs } of rest) evolve(state, event, atMs)
    expect(broken(state)).toEqual([])
    const of = (kind: string) => entries.filter((e) => e.event.kind === kind)
    expect(of('shiftEnded')).toHaveLength(5)
    const breaks = of('agentNotReady').map((e) => e.event as { agentId: string; reason: string })
    for (const { agentId } of basis.crew) expect(breaks.some((b) => b.agentId === agentId && b.reason === 'Break')).toBe(true)
    // And is back from it when it is over: away in all for as long as breaks last, rings besides.
    const awayMs = day.otherMs.reduce((a, b) => a + b, 0)
    const rangMs = of('connectionDelivered').length * 4 * SECOND
    expect(awayMs).toBeGreaterThanOrEqual(5 * 20 * MINUTE)
    expect(awayMs).toBeLessThan(5 * 20 * MINUTE + rangMs)
    // Whoever has gone home has coded what they talked about.
    expect([...state.agents.values()].flatMap((a) => a.owed)).toEqual([])
  })

  test('the same seed gives the same ledger byte for byte, another seed another one', () => {
    const ledger = (seed: number) => {
      const lines: string[] = []
      play(basis, seed, {}, (more) => lines.push(...more.map(toLine)))
      return lines.join('\n')
    }
    expect(ledger(5)).toBe(entries.map(toLine).join('\n'))
    expect(ledger(6)).not.toBe(ledger(5))
  })
})

describe('what may be otherwise', () => {
  const basis = basisOf(centre({ first: 3, second: 2, both: 3 }), [traffic(FIRST, 11, { wrapUpMs: [20_000, 60_000] }), traffic(SECOND_QUEUE, 6)], 6)
  const days = (change: Partial<DayChange>) => seeds(3).map((seed) => daySaid(play(basis, seed, change)))
  const usual = days({})
  const level = (of: readonly ReturnType<typeof daySaid>[]) => of.map((d) => d.serviceLevel)
  const better: readonly (readonly [string, Partial<DayChange>])[] = [
    ['more agents', { moreAgents: 2 }],
    ['shorter talks', { talkTimes: 0.8 }],
    ['shorter wrap-ups', { wrapUpTimes: 0.2 }],
    ['everybody takes everything', { allTakeAll: true }],
    ['others asked at once', { overflow: { afterMs: 0 } }],
    ['fewer calls', { callsTimes: 0.8 }],
  ]
  const worse: readonly (readonly [string, Partial<DayChange>])[] = [
    ['fewer agents', { moreAgents: -1 }],
    ['more calls', { callsTimes: 1.3 }],
    ['a storm', { storm: { queueId: FIRST, fromMinute: 11 * 60, morePerHour: 80, switched: false } }],
  ]
  test.each([...better.map(([says, change]) => ({ says, change, sign: 1 })), ...worse.map(([says, change]) => ({ says, change, sign: -1 }))])(
    '$says: $sign',
    ({ change, sign }) => {
      const difference = differenceOf(level(usual), level(days(change)))
      expect(sign * (difference?.mean ?? 0)).toBeGreaterThan(0.01)
      // The same callers on both days: even so few of them are enough to be sure.
      expect(sign > 0 ? (difference?.meanFrom ?? -1) : -(difference?.meanTo ?? 1)).toBeGreaterThan(0)
    },
  )

  test('a day that closes earlier has the same callers up to then, and nobody after; one that opens earlier has those of its first hour before it', () => {
    const early = changed(basis, { ...NO_CHANGE, hours: { fromMinute: 8 * 60, toMinute: 12 * 60 } })
    expect(early.traffic[0]?.offered.slice(0, 48)).toEqual(basis.traffic[0]?.offered.slice(0, 48))
    expect(early.traffic[0]?.offered.slice(48).every((n) => n === 0)).toBe(true)
    const long = changed(basis, { ...NO_CHANGE, hours: { fromMinute: 7 * 60, toMinute: 16 * 60 } })
    expect(long.traffic[0]?.offered.slice(28, 32)).toEqual([11, 11, 11, 11])
    // Whoever calls all the same is turned away by the rules themselves.
    const shut = { ...basis, setUp: early.day.setUp }
    const day = daySaid(play(shut, 1))
    expect(day.turnedAway).toBeGreaterThan(100)
    expect(day.offered).toBeGreaterThan(200)
  })

  test('a storm brings callers from its beginning to the end of the day, fewer and fewer, and to its queue alone', () => {
    const storm = { queueId: FIRST, fromMinute: 11 * 60, morePerHour: 80, switched: true }
    const { traffic: with_, day } = changed(basis, { ...NO_CHANGE, storm })
    const more = with_.map((t, i) => t.offered.map((n, q) => n - (basis.traffic[i]?.offered[q] ?? 0)))
    expect(more[0]?.slice(0, 44).every((n) => n === 0) && more[0]?.slice(OPEN.to).every((n) => n === 0)).toBe(true)
    expect(more[0]?.[44]).toBe(20)
    expect(more[0]?.[50]).toBeCloseTo(10, 6)
    expect(more[1]?.every((n) => n === 0)).toBe(true)
    expect(day.storms).toEqual([{ queueId: FIRST, fromMs: 11 * HOUR }])
  })

  test('with shifts, fewer agents are missed all over the day, more stay as long as anybody is there, and none of either is none', () => {
    const ids = basis.setUp.agents.slice(0, 6).map((a) => a.id)
    const crew = ids.map((agentId, i) => ({ agentId, fromMs: (8 + i) * HOUR, toMs: (12 + i) * HOUR, breaks: [] }))
    const with_ = (moreAgents: number) => changed({ ...basis, crew }, { ...NO_CHANGE, moreAgents }).day.crew
    expect(with_(0)).toEqual(crew)
    expect(with_(-2).map((c) => c.agentId)).toEqual([ids[0], ids[2], ids[3], ids[5]])
    expect(with_(-9)).toEqual([])
    expect(with_(5).slice(0, 6)).toEqual(crew)
    // There are eight: two are left who are not on a shift.
    expect(
      with_(5)
        .slice(6)
        .map(({ fromMs, toMs }) => [fromMs, toMs]),
    ).toEqual(Array.from({ length: 2 }, () => [8 * HOUR, 17 * HOUR]))
    expect(changed({ ...basis, crew: [] }, { ...NO_CHANGE, moreAgents: 3 }).day.crew).toEqual([])
  })

  test('callers are the same whatever else is changed', () => {
    const of = (change: Partial<DayChange>) => drawCallers(changed(basis, { ...NO_CHANGE, ...change }).traffic, 3)
    for (const change of [{ moreAgents: 3 }, { allTakeAll: true }, { overflow: 'never' as const }]) expect(of(change)).toEqual(of({}))
    const without = drawCallers(basis.traffic.slice(0, 1), 3)
    expect(of({}).filter((c) => c.queueId === FIRST)).toEqual(without)
    expect(without.length).toBeGreaterThan(200)
  })
})

test('a campaign worked besides keeps agents busier, reaches people, lets queues wait a little more, and only while it is called', () => {
  const campaign = { ...BESIDE, id: 'campaign_bench' }
  const setUp = SetUpSchema.parse({ ...centre({ both: 6 }), campaigns: [campaign] })
  const basis = basisOf(setUp, [traffic(FIRST, 8), traffic(SECOND_QUEUE, 4)], 6)
  const outbound = {
    campaignId: setUp.campaigns[0]?.id as never,
    agents: 4,
    fromMs: 9 * HOUR,
    toMs: 12 * HOUR,
    answers: 0.4,
    talkMs: [60_000, 180_000],
    wrapUpMs: [20_000],
  }
  const [without, beside] = [seeds(2).map((seed) => play(basis, seed)), seeds(2).map((seed) => play(basis, seed, { outbound }))]
  const mean = (of: typeof without, figure: 'connected' | 'occupancy' | 'serviceLevel') => spreadOf(of.map((d) => daySaid(d)[figure]))?.mean ?? 0
  expect(mean(without, 'connected')).toBe(0)
  expect(mean(beside, 'connected')).toBeGreaterThan(40)
  expect(mean(beside, 'occupancy')).toBeGreaterThan(mean(without, 'occupancy') + 0.1)
  expect(mean(beside, 'serviceLevel')).toBeLessThan(mean(without, 'serviceLevel'))
  for (const day of beside) {
    // Whoever is on the line when it ends is talked to; nobody is called after it.
    expect(day.connected.slice(0, 36).every((n) => n === 0) && day.connected.slice(49).every((n) => n === 0)).toBe(true)
    expect(daySaid(day).answered).toBeGreaterThan(200)
  }
  expect(play(basis, 2, { outbound })).toEqual(beside[1])
})

test('calls that came are played as they came: their times, their talks, and how long those who gave up would wait', () => {
  const came = [
    { queueId: FIRST, atMs: 9 * HOUR, talkMs: 100_000, wrapUpMs: 5_000, waitedMs: 2_000, gaveUp: false, answered: true },
    { queueId: FIRST, atMs: 9 * HOUR + SECOND, talkMs: null, wrapUpMs: null, waitedMs: 30_000, gaveUp: true, answered: false },
    { queueId: FIRST, atMs: 10 * HOUR, talkMs: 60_000, wrapUpMs: null, waitedMs: 0, gaveUp: false, answered: true },
  ]
  const basis = { ...basisOf(centre({ first: 1 }), [traffic(FIRST, 0, { wrapUpMs: [7_000] })], 1), came }
  const day = play(basis, 1)
  expect(daySaid(day)).toMatchObject({ offered: 3, answered: 2 })
  expect(day.queues[0]?.abandoned[36]).toBe(1)
  expect(day.handleMs[36]).toBe(105_000)
  expect(day.handleMs[40]).toBe(67_000)
  // With another agent they had been answered.
  expect(daySaid(play({ ...basis, setUp: centre({ first: 2 }), atWork: during(2) }, 1)).answered).toBe(3)
})

describe('agents needed by the rules', () => {
  /** Three hours: what is looked for is the same in each of them. */
  const short = (of: Traffic): Traffic => ({ ...of, offered: of.offered.slice(0, OPEN.from + 12) })
  const need = (basis: DayBasis, from: readonly number[], agents: number) => {
    const walk = neededByPlay({ basis, from, agents, share: 0.8, rounds: 6, seeds: 5 })
    for (;;) {
      const step = walk.next()
      if (step.done) return step.value
    }
  }
  const middle = (of: { readonly agents: readonly number[] }) => mean(of.agents.slice(OPEN.from + 3, OPEN.from + 12)) ?? 0

  test('with one queue they are those of the formula, give or take one, from too few and from too many', () => {
    const basis = basisOf(centre({ first: 20 }), [short(traffic(FIRST, 20))], 1)
    const formula = agentsNeeded({ offered: 20, handleMs: 4 * MINUTE, patienceMs: 2 * MINUTE }, { share: 0.8, withinMs: 20 * SECOND })
    for (const from of [formula - 2, formula + 2]) expect(Math.abs(middle(need(basis, during(from), 20)) - formula)).toBeLessThan(1)
  })

  test('where agents serve one queue of two each, more are needed than the formula for everybody together says', () => {
    const calls = [short(traffic(FIRST, 10)), short(traffic(SECOND_QUEUE, 10))]
    const formula = agentsNeeded({ offered: 20, handleMs: 4 * MINUTE, patienceMs: 2 * MINUTE }, { share: 0.8, withinMs: 20 * SECOND })
    const apart = need(basisOf(centre({ first: 10, second: 10 }), calls, 1), during(formula), 20)
    const shared = need(basisOf(centre({ both: 20 }), calls, 1), during(formula), 20)
    expect(middle(apart)).toBeGreaterThan(middle(shared) + 0.5)
    expect(apart.short).toEqual([])
    // With everybody there and still too few, it says where.
    expect(need(basisOf(centre({ both: 3 }), calls, 1), during(3), 3).short.length).toBeGreaterThan(8)
  })

  test('whoever is called in first can serve what is called most, and with one for each queue every queue has one', () => {
    const setUp = centre({ first: 3, second: 3 })
    const order = callingOrder(setUp, (id) => (id === FIRST ? 10 : 6))
    const queueOf = (id: string | undefined) => setUp.agents.find((a) => a.id === id)?.queueIds[0]
    expect(order.slice(0, 3).map(queueOf)).toEqual([FIRST, SECOND_QUEUE, FIRST])
    expect(order).toHaveLength(6)
    expect(crewFor(order, [0, 2, 1, 0])).toEqual([
      { agentId: order[0], fromMs: QUARTER_MS, toMs: 3 * QUARTER_MS, breaks: [] },
      { agentId: order[1], fromMs: QUARTER_MS, toMs: 2 * QUARTER_MS, breaks: [] },
    ])
  })
})

test.each([
  { says: 'nobody called', values: [null, null], is: null },
  { says: 'always the same', values: [0.5, null, 0.5], is: { mean: 0.5, meanFrom: 0.5, meanTo: 0.5, low: 0.5, high: 0.5, days: 2 } },
])('a spread: $says', ({ values, is }) => expect(spreadOf(values)).toEqual(is))

test('the interval of a mean holds the mean of what it is drawn from nineteen times of twenty', () => {
  const held = seeds(200).filter((seed) => {
    const spread = spreadOf(
      drawCallers([traffic(FIRST, 3)], seed)
        .slice(0, 60)
        .map((c) => c.patienceMs),
    )
    return spread !== null && spread.meanFrom <= 2 * MINUTE && spread.meanTo >= 2 * MINUTE
  })
  // Of something as lopsided as waits, and of sixty of them, a little less often.
  expect(held.length / 200).toBeGreaterThan(0.87)
  expect(held.length / 200).toBeLessThan(0.985)
})
