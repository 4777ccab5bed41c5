import { describe, expect, test } from 'vitest'
import { toAgentId, toQueueId } from '@/core/ids'
import type { AgentInterval, AgentLeg, CallRecord } from '@/core/ledger'
import { byAgent, byQueue, inInterval, measure, occupancy } from '@/core/reports'

const ANN = toAgentId('agent_ann')
const BO = toAgentId('agent_bo')

const aLeg = (leg: Partial<AgentLeg>): AgentLeg => ({
  agentId: ANN,
  agent: 'Ann',
  fromMs: 0,
  toMs: 0,
  ringMs: 0,
  talkMs: 0,
  holdMs: 0,
  wrapUpMs: 0,
  role: 'handled',
  ...leg,
})
const aRecord = (record: Partial<CallRecord>): CallRecord => ({
  callId: 'call_1',
  direction: 'inbound',
  missedBy: [],
  queueId: toQueueId('queue_first'),
  queue: 'First',
  campaignId: null,
  campaign: null,
  path: null,
  number: null,
  customer: null,
  offeredAtMs: 0,
  answeredAtMs: null,
  endedAtMs: 0,
  result: 'abandoned',
  shortAbandon: false,
  liveAnswerAtMs: null,
  agents: [],
  outcome: null,
  outcomeAtMs: null,
  outcomeById: null,
  outcomeBy: null,
  notes: '',
  script: null,
  scriptVersion: null,
  answers: {},
  transfers: [],
  recordings: [],
  sound: [],
  ...record,
})
const answeredAfter = (waitMs: number, more: Partial<CallRecord> = {}) =>
  aRecord({ answeredAtMs: waitMs, endedAtMs: waitMs + 60_000, result: 'handled', outcome: 'done', ...more })
const abandonedAfter = (waitMs: number) => aRecord({ endedAtMs: waitMs, shortAbandon: waitMs <= 5_000 })
const OPTIONS = { nowMs: 10_000_000, serviceLevelMs: () => 20_000, disagrees: (r: CallRecord) => r.answers.sure === false }

describe('measures', () => {
  test('an empty denominator gives no figure, never 0 % or 100 %', () => {
    expect(measure([], OPTIONS)).toMatchObject({ offered: 0, abandonRatio: null, serviceLevelRatio: null, speedOfAnswer: null, ahtMs: null })
    expect(measure([abandonedAfter(2_000)], OPTIONS)).toMatchObject({ offered: 1, abandonRatio: null, serviceLevelRatio: null })
    expect(occupancy([])).toEqual({ occupancyRatio: null, utilisationRatio: null, internalMs: 0 })
  })

  test.each([
    { says: 'an answer on the limit is within it', records: [answeredAfter(20_000), answeredAfter(20_001)], ratio: 1 / 2 },
    { says: 'an abandoned call counts against it', records: [answeredAfter(1_000), abandonedAfter(9_000)], ratio: 1 / 2 },
    { says: 'a short abandon counts neither way', records: [answeredAfter(1_000), abandonedAfter(5_000)], ratio: 1 },
    { says: 'dialled calls have none', records: [answeredAfter(1_000), answeredAfter(90_000, { direction: 'outbound', queue: null })], ratio: 1 },
  ])('service level: $says', ({ records, ratio }) => expect(measure(records, OPTIONS).serviceLevelRatio).toBe(ratio))

  test('speed of answer has mean, median and 90th percentile over answered calls', () => {
    const waits = Array.from({ length: 11 }, (_, i) => answeredAfter(i * 1_000))
    expect(measure([...waits, abandonedAfter(600_000)], OPTIONS).speedOfAnswer).toEqual({ meanMs: 5_000, medianMs: 5_000, p90Ms: 9_000 })
  })

  test('handle time is talk, hold and wrap-up of handled legs; ringing and consulted legs are none of it', () => {
    const agents = [
      aLeg({ ringMs: 9_000, talkMs: 60_000, holdMs: 20_000, wrapUpMs: 10_000 }),
      aLeg({ agentId: BO, agent: 'Bo', talkMs: 500_000, role: 'consulted' }),
    ]
    expect(measure([answeredAfter(1_000, { agents })], OPTIONS)).toMatchObject({ ahtMs: 90_000, handledLegs: 1 })
  })

  test('a call is uncoded from 10 minutes after its end', () => {
    const call = answeredAfter(0, { outcome: null })
    expect(measure([call], { ...OPTIONS, nowMs: call.endedAtMs + 599_999 }).uncoded).toBe(0)
    expect(measure([call], { ...OPTIONS, nowMs: call.endedAtMs + 600_000 }).uncoded).toBe(1)
  })

  test('disagreement counts coded calls that ran a script, and no others', () => {
    const of = (more: Partial<CallRecord>) => answeredAfter(0, { script: 'Small', answers: { sure: false }, ...more })
    const calls = [of({}), of({ answers: { sure: true } }), of({ outcome: null }), of({ script: null })]
    expect(measure(calls, OPTIONS)).toMatchObject({ codedWithScript: 2, disagreements: 1, disagreementRatio: 1 / 2 })
    expect(measure([of({ outcome: null })], OPTIONS).disagreementRatio).toBeNull()
  })

  test('a call belongs to the interval in which it was offered, end excluded', () => {
    const records = [0, 999, 1_000].map((offeredAtMs) => aRecord({ offeredAtMs }))
    expect(inInterval(records, 0, 1_000).map((r) => r.offeredAtMs)).toEqual([0, 999])
  })

  test('groups count a call for its queue and for every agent who handled it', () => {
    const shared = answeredAfter(0, { agents: [aLeg({ talkMs: 10_000 }), aLeg({ agentId: BO, agent: 'Bo', talkMs: 30_000 })] })
    const queues = ['first', 'second'].map((n) => ({ id: toQueueId(`queue_${n}`), name: n }))
    expect(byQueue([shared], queues, OPTIONS).map((g) => g.measures.offered)).toEqual([1, 0])
    const agents = [ANN, BO, toAgentId('agent_cy')].map((id) => ({ id, name: id }))
    expect(byAgent([shared], agents, OPTIONS).map((g) => g.measures.ahtMs)).toEqual([10_000, 30_000, null])
  })

  test('a call that was handed on counts for both who had it, and its outcome for who coded it', () => {
    const shared = answeredAfter(0, {
      agents: [aLeg({ talkMs: 10_000 }), aLeg({ agentId: BO, agent: 'Bo', talkMs: 30_000, role: 'transferredTo' })],
      outcomeById: BO,
      outcomeBy: 'Bo',
    })
    const agents = [ANN, BO].map((id) => ({ id, name: id }))
    const later = { ...OPTIONS, nowMs: shared.endedAtMs + 600_000 }
    const [ann, bo] = byAgent([shared], agents, later).map((g) => g.measures)
    // Coded by one of them it is coded: nobody is told to do it again.
    expect([ann?.uncoded, bo?.uncoded]).toEqual([0, 0])
    expect(byAgent([{ ...shared, outcome: null, outcomeById: null }], agents, later).map((g) => g.measures.uncoded)).toEqual([1, 1])
    expect([ann?.handledLegs, bo?.handledLegs]).toEqual([1, 1])
    expect([ann?.outcomes, bo?.outcomes]).toEqual([{}, { done: 1 }])
    // An account that has another name by now is the same account.
    expect(byAgent([shared], [{ id: BO, name: 'Renamed' }], OPTIONS)[0]).toMatchObject({ name: 'Renamed', measures: { outcomes: { done: 1 } } })
  })

  test('a call under way is offered, and in nothing that needs its end', () => {
    const waits = aRecord({ result: 'underWay', endedAtMs: 5_000 })
    expect(measure([waits], OPTIONS)).toMatchObject({ offered: 1, underWay: 1, answered: 0, abandoned: 0, ahtMs: null, uncoded: 0 })
  })

  test('occupancy leaves not ready, ringing, dialling and calls of colleagues out, utilisation does not', () => {
    const spans = [
      ['ready', 30],
      ['ringing', 10],
      ['onCall', 40],
      ['wrapUp', 20],
      ['notReady', 100],
      // Somebody is called and has not answered: that is no handling.
      ['dialling', 50],
      // Nor is a talk with a colleague about no work.
      ['internalCall', 25],
    ] as const
    const intervals = spans.map(([state, toMs]): AgentInterval => ({ agentId: ANN, agent: 'Ann', state, reason: null, fromMs: 0, toMs }))
    expect(occupancy(intervals)).toEqual({ occupancyRatio: 60 / 90, utilisationRatio: 60 / 275, internalMs: 25 })
  })
})
