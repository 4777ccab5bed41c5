import { describe, expect, test } from 'vitest'
import { createChance } from '@/core/chance'
import { decide, openFloor } from '@/core/floor'
import { type CallId, deviceOutside, toAgentId, toCallId } from '@/core/ids'
import { createLedgerFolder, type LedgerEntry } from '@/core/ledger'
import { SetUpSchema } from '@/core/set-up'
import { floorOf } from '@/core/state'
import { get } from '@/core/table'
import { FIRST, SMALL } from '@/core/testing'
import { MINUTE, SECOND } from '@/core/time'
import { erlangA, erlangC, type WaitingFigures } from './erlang'

describe('formulas', () => {
  // Values by hand: for one agent, and for two, the formulas are short enough to write out.
  test.each([
    { says: 'one agent: an M/M/1 queue', load: 0.5, agents: 1, shareWaiting: 0.5, meanWait: 1 },
    { says: 'two agents, one erlang', load: 1, agents: 2, shareWaiting: 1 / 3, meanWait: 1 / 3 },
    { says: 'no load to speak of', load: 1e-9, agents: 3, shareWaiting: 0, meanWait: 0 },
  ])('Erlang C, $says', ({ load, agents, shareWaiting, meanWait }) => {
    const figures = erlangC({ arrivalRate: load, serviceRate: 1, agents })
    expect(figures.shareWaiting).toBeCloseTo(shareWaiting, 8)
    expect(figures.meanWait).toBeCloseTo(meanWait, 8)
  })

  test('Erlang A comes to Erlang C as patience grows, and with patience as long as a call to a system without a queue’s end', () => {
    const staffing = { arrivalRate: 9, serviceRate: 1, agents: 11 }
    const patient = erlangA({ ...staffing, patienceRate: 1e-7 })
    expect(patient.shareWaiting).toBeCloseTo(erlangC(staffing).shareWaiting, 4)
    expect(patient.meanWait).toBeCloseTo(erlangC(staffing).meanWait, 4)
    // With equal rates callers leave as if each had an agent: their number is Poisson with the load as its mean.
    const equal = erlangA({ arrivalRate: 3, serviceRate: 1, agents: 2, patienceRate: 1 })
    expect(equal.shareWaiting).toBeCloseTo(1 - Math.exp(-3) * (1 + 3), 10)
  })

  test.each([
    { says: 'a load no agents work off', ask: () => erlangC({ arrivalRate: 10, serviceRate: 1, agents: 10 }), names: /no end/ },
    { says: 'nobody', ask: () => erlangC({ arrivalRate: 1, serviceRate: 1, agents: 0 }), names: /agents is 0/ },
    { says: 'half an agent', ask: () => erlangA({ arrivalRate: 1, serviceRate: 1, agents: 1.5, patienceRate: 1 }), names: /whole number/ },
    { says: 'no patience given', ask: () => erlangA({ arrivalRate: 1, serviceRate: 1, agents: 1, patienceRate: 0 }), names: /patienceRate is 0/ },
  ])('$says is refused', ({ ask, names }) => {
    expect(ask).toThrow(names)
  })
})

test('Erlang C just under a load the agents could never work off: a share, and a wait with an end, or a refusal', () => {
  const oneBelow = (n: number) => n - 2 ** (Math.floor(Math.log2(n)) - 52 - (Number.isInteger(Math.log2(n)) ? 1 : 0))
  let refused = 0
  for (let agents = 1; agents <= 400; agents++)
    for (const serviceRate of [1, 0.1, 1 / 3]) {
      const arrivalRate = oneBelow(agents * serviceRate)
      try {
        const { shareWaiting, meanWait, occupancy } = erlangC({ arrivalRate, serviceRate, agents })
        expect(shareWaiting, `${agents} agents at ${serviceRate}`).toBeGreaterThan(0)
        expect(shareWaiting, `${agents} agents at ${serviceRate}`).toBeLessThanOrEqual(1)
        expect(occupancy).toBeLessThanOrEqual(1)
        expect(Number.isFinite(meanWait)).toBe(true)
      } catch (error) {
        if (!(error instanceof RangeError)) throw error
        refused++
      }
    }
  expect(refused).toBeLessThan(1_200)
})

describe('every figure is a number, whatever the load', () => {
  const grid = [0.001, 1, 30, 300, 600, 5_000].flatMap((arrivalRate) =>
    [1, 3, 50, 300, 1_000].flatMap((agents) => [0.001, 0.1, 1, 20].map((patienceRate) => ({ arrivalRate, agents, patienceRate }))),
  )
  test.each(grid)('$arrivalRate arrivals, $agents agents, patience rate $patienceRate', (given) => {
    const { shareWaiting, meanWait, shareAbandoned, occupancy } = erlangA({ ...given, serviceRate: 1 })
    for (const share of [shareWaiting, shareAbandoned, occupancy]) {
      expect(share).toBeGreaterThanOrEqual(0)
      expect(share).toBeLessThanOrEqual(1 + 1e-9)
    }
    expect(Number.isFinite(meanWait)).toBe(true)
    // Calls are neither lost nor made: what the agents do and what gives up is what came.
    expect(occupancy * given.agents + shareAbandoned * given.arrivalRate).toBeCloseTo(given.arrivalRate, 6)
  })

  test('300 agents and twice their load: half of the callers give up', () => {
    const { shareAbandoned, occupancy } = erlangA({ arrivalRate: 600, serviceRate: 1, agents: 300, patienceRate: 0.1 })
    expect(shareAbandoned).toBeCloseTo(0.5, 6)
    expect(occupancy).toBeCloseTo(1, 6)
  })
})

const AGENTS = 8
const HANDLE_MS = 3 * MINUTE

/** A day of one queue through the real floor: Poisson arrivals, exponential handling and patience, no wrap-up to speak of. */
function simulate({ perHour, patienceMs, calls, seed }: { perHour: number; patienceMs: number | null; calls: number; seed: number }): readonly LedgerEntry[] {
  const ids = Array.from({ length: AGENTS }, (_, i) => toAgentId(`agent_${i + 1}`))
  const agents = ids.map((id) => ({ id, name: id, role: 'agent', queueIds: [FIRST], answersItself: true, playable: false }))
  const setUp = SetUpSchema.parse({ ...SMALL, takeBackMs: 0, agents, queues: SMALL.queues.map((q) => ({ ...q, scriptId: null, keepsPlaces: false })) })
  const chance = createChance(seed)
  const opened = openFloor('erlang', setUp, 0)
  const state = floorOf(opened)
  const entries: LedgerEntry[] = [opened]
  const plans: { atMs: number; act: () => void }[] = []
  let nowMs = 0
  const give = (command: Parameters<typeof decide>[1]) => {
    const decision = decide(state, command, { atMs: nowMs })
    if (!decision.ok) return
    entries.push(...decision.entries)
    for (const { event } of decision.entries)
      if (event.kind === 'connectionEstablished')
        plan(chance.exponential(HANDLE_MS), () => finish(event.callId, toAgentId(event.deviceId.slice('dev_'.length))))
  }
  // Few plans are open at a time: a sorted list will do.
  const plan = (inMs: number, act: () => void) => {
    const atMs = nowMs + Math.round(inMs)
    const at = plans.findIndex((p) => p.atMs > atMs)
    plans.splice(at < 0 ? plans.length : at, 0, { atMs, act })
  }
  const finish = (callId: CallId, agentId: (typeof ids)[number]) => {
    give({ kind: 'hangUp', agentId, callId })
    give({ kind: 'saveOutcome', agentId, callId, code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } })
  }
  const giveUp = (callId: CallId) => {
    if (get(state.calls, callId)?.answeredAtMs === null) give({ kind: 'callerHangsUp', callId, deviceId: deviceOutside(callId, 1) })
  }
  for (const agentId of ids) {
    give({ kind: 'startShift', agentId, queueIds: [FIRST], seat: 'desk' })
    give({ kind: 'goReady', agentId })
  }
  let arrived = 0
  const arrive = () => {
    give({ kind: 'callArrives', queueId: FIRST, number: null, customer: null, path: null })
    const callId = toCallId(`call_erlang_${++arrived}`)
    if (patienceMs !== null) plan(chance.exponential(patienceMs), () => giveUp(callId))
    if (arrived < calls) plan(chance.exponential(3_600_000 / perHour), arrive)
  }
  plan(0, arrive)
  for (let next = plans.shift(); next !== undefined; next = plans.shift()) {
    nowMs = next.atMs
    next.act()
  }
  return entries
}

/** Means of batches and the half width of their 99 % confidence interval (batch means; Student's t for 29 degrees of freedom). */
function confidence(values: readonly number[]): { readonly mean: number; readonly half: number } {
  const BATCHES = 30
  const T_99 = 2.756
  const size = Math.floor(values.length / BATCHES)
  const means = Array.from({ length: BATCHES }, (_, i) => mean(values.slice(i * size, (i + 1) * size)))
  const middle = mean(means)
  const variance = means.reduce((sum, m) => sum + (m - middle) ** 2, 0) / (BATCHES - 1)
  return { mean: middle, half: T_99 * Math.sqrt(variance / BATCHES) }
}
const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length

describe('the floor, simulated, agrees with the formulas', () => {
  test.each<{
    says: string
    perHour: number
    patienceMs: number | null
    formula: (per: { arrivalRate: number; serviceRate: number; agents: number }) => WaitingFigures
  }>([
    { says: 'Erlang C at 84 % occupancy', perHour: 134, patienceMs: null, formula: erlangC },
    {
      says: 'Erlang A at more calls than the agents could take',
      perHour: 180,
      patienceMs: 90 * SECOND,
      formula: (s) => erlangA({ ...s, patienceRate: HANDLE_MS / (90 * SECOND) }),
    },
  ])('$says', ({ perHour, patienceMs, formula }) => {
    const expected = formula({ arrivalRate: (perHour * HANDLE_MS) / 3_600_000, serviceRate: 1, agents: AGENTS })
    const folder = createLedgerFolder()
    for (const entry of simulate({ perHour, patienceMs, calls: 6_500, seed: 20261125 })) folder.add(entry)
    // The first thousand calls fill the empty floor.
    const records = folder.records().slice(1_000)
    const waits = records.map((r) => ((r.answeredAtMs ?? r.endedAtMs) - r.offeredAtMs) / HANDLE_MS)
    const figures = {
      meanWait: confidence(waits),
      shareWaiting: confidence(waits.map((w) => (w > 0 ? 1 : 0))),
      shareAbandoned: confidence(records.map((r) => (r.result === 'abandoned' ? 1 : 0))),
    }
    for (const [name, { mean: seen, half }] of Object.entries(figures)) {
      const wanted = expected[name as keyof typeof figures]
      expect(Math.abs(seen - wanted), `${name}: ${seen.toFixed(4)} ± ${half.toFixed(4)}, expected ${wanted.toFixed(4)}`).toBeLessThanOrEqual(half)
    }
    expect(records.length).toBeGreaterThan(5_400)
  })
})
