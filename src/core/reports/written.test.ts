import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { toAgentId, toQueueId } from '@/core/ids'
import type { WrittenRecord } from '@/core/ledger'
import { concurrencyOf, measureWritten } from './written'

const QUEUE = toQueueId('queue_first')
const ANN = toAgentId('agent_ann')
const BO = toAgentId('agent_bo')
const leg = (agentId: typeof ANN, fromMs: number, toMs: number, handleMs = 0) => ({
  agentId,
  agent: agentId,
  fromMs,
  toMs,
  handleMs,
  spells: [{ fromMs, toMs }],
})
const record = (more: Partial<WrittenRecord>): WrittenRecord => ({
  workId: 'thread_a',
  channel: 'chat',
  direction: 'inbound',
  queueId: QUEUE,
  queue: 'First',
  address: 'Ida',
  number: null,
  customer: null,
  subject: null,
  offeredAtMs: 0,
  firstResponseAtMs: null,
  endedAtMs: null,
  result: 'underWay',
  parkedMs: 0,
  calledAs: null,
  linesIn: 1,
  linesOut: 0,
  agents: [],
  askedIn: [],
  transfers: [],
  outcome: null,
  outcomeAtMs: null,
  outcomeById: null,
  notes: '',
  script: null,
  scriptVersion: null,
  answers: {},
  ...more,
})
const OPTIONS = { nowMs: 1_000_000, serviceLevelMs: () => 60_000 }

describe('figures of what is written', () => {
  test('first response, service level and abandoned count what others began; handle time counts all', () => {
    const figures = measureWritten(
      [
        record({ firstResponseAtMs: 20_000, endedAtMs: 90_000, result: 'handled', outcome: 'done', agents: [leg(ANN, 10_000, 90_000, 60_000)] }),
        record({ firstResponseAtMs: 80_000, endedAtMs: 99_000, result: 'handled', agents: [leg(ANN, 70_000, 99_000, 20_000)] }),
        record({ endedAtMs: 30_000, result: 'abandoned' }),
        record({ offeredAtMs: 990_000 }),
        record({ direction: 'outbound', firstResponseAtMs: 0, endedAtMs: 5_000, result: 'handled', outcome: 'done', agents: [leg(BO, 0, 5_000, 4_000)] }),
      ],
      OPTIONS,
    )
    expect(figures).toMatchObject({ offered: 4, answered: 2, abandoned: 1, underWay: 1, handleMs: 28_000, uncoded: 1 })
    expect(figures.firstResponseMs).toMatchObject({ mean: 50_000, median: 50_000 })
    // One in time, one late, one who left; the last one's time is not up.
    expect(figures.serviceLevelRatio).toBeCloseTo(1 / 3)
  })

  test('nothing offered is no figure, never 0 % or 100 %', () => {
    expect(measureWritten([], OPTIONS)).toMatchObject({ offered: 0, firstResponseMs: null, serviceLevelRatio: null, handleMs: null, concurrency: null })
  })

  test('concurrency is 1 for pieces one after the other, n for n at once, and between for any others', () => {
    expect(concurrencyOf([{ agents: [leg(ANN, 0, 10)] }, { agents: [leg(ANN, 10, 20)] }, { agents: [leg(BO, 0, 20)] }])).toBe(1)
    expect(concurrencyOf([1, 2, 3].map(() => ({ agents: [leg(ANN, 5, 25)] })))).toBe(3)
    // Eight mails put aside one after the other and taken up again in the afternoon: never more than one at once.
    const parked = Array.from({ length: 8 }, (_, i) => ({
      ...leg(ANN, i * 10, 1_000 + i * 10 + 10),
      spells: [i * 10, 1_000 + i * 10].map((fromMs) => ({ fromMs, toMs: fromMs + 10 })),
    }))
    expect(concurrencyOf(parked.map((l) => ({ agents: [l] })))).toBe(1)
    const some = fc.array(fc.tuple(fc.constantFrom(ANN, BO), fc.nat(100), fc.nat(100)), { minLength: 1, maxLength: 20 })
    fc.assert(
      fc.property(some, (pieces) => {
        const is = concurrencyOf(pieces.map(([id, from, lasts]) => ({ agents: [leg(id, from, from + lasts)] })))
        if (is !== null) expect(is >= 1 && is <= pieces.length).toBe(true)
      }),
      { numRuns: 300, seed: 4 },
    )
  })
})
