import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type AgentId, type QueueId, toAgentId, toCampaignId } from '@/core/ids'
import { type AgentInterval, type AgentLeg, type CallRecord, CallRecordSchema, MISSED_HOW, RESULTS } from '@/core/ledger'
import { byAgent, byQueue, inInterval, measure, occupancy, ofAgent } from '@/core/reports'
import { packCalls, packStates, recordsOf, stateAt } from './columns'
import { occupancyOf, spellsOf } from './spells'
import { type ByQueue, measuresOf, type Rules, type Tallies, type Tally, tally } from './tally'

const AGENTS = ['agent_ann', 'agent_bo', 'agent_cy'] as AgentId[]
const QUEUES = ['queue_one', 'queue_two'] as QueueId[]
const START = Date.parse('2026-11-23T00:00:00Z')
const HOURS = 3_600_000

const ms = fc.integer({ min: 0, max: 500_000 })
const text = fc
  .oneof(fc.constantFrom('', 'done', 'later', 'Jørun Æbleskiver', '№ 7 = "quoted"\n'), fc.string({ unit: 'grapheme', maxLength: 12 }))
  .filter((t) => !t.includes('\u0000') && !t.includes('\u0001'))
const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null })

const leg: fc.Arbitrary<AgentLeg> = fc.record({
  agentId: fc.constantFrom(...AGENTS),
  agent: text,
  fromMs: fc.integer({ min: START, max: START + 1e9 }),
  toMs: fc.integer({ min: START, max: START + 1e9 }),
  ringMs: ms,
  talkMs: ms,
  holdMs: ms,
  wrapUpMs: ms,
  role: fc.constantFrom('handled', 'consulted', 'transferredTo', 'joined'),
})

const record: fc.Arbitrary<CallRecord> = fc
  .record({
    callId: fc.oneof(
      fc.nat(5_000).map((n) => `call_live-m3_${n}`),
      fc.constantFrom('call_x', 'call_2026-11-23_07', 'call_$&_1'),
    ),
    direction: fc.constantFrom('inbound' as const, 'outbound' as const, 'inbound' as const, 'internal' as const),
    queueId: maybe(fc.constantFrom(...QUEUES)),
    queue: maybe(text),
    campaign: maybe(text),
    campaignId: maybe(fc.constantFrom(toCampaignId('campaign_a'), toCampaignId('campaign_b'))),
    number: maybe(fc.constantFrom('+441632960112', '+4915100000000', '21', '0049', '+0')),
    customer: maybe(text),
    offeredAtMs: fc.integer({ min: START, max: START + 48 * HOURS }),
    wait: maybe(ms),
    lasts: ms,
    result: fc.constantFrom(...RESULTS),
    shortAbandon: fc.boolean(),
    liveAnswerAtMs: maybe(fc.integer({ min: START, max: START + 1e9 })),
    // An agent has one leg of a call.
    agents: fc.uniqueArray(leg, { maxLength: 3, selector: (l) => l.agentId }),
    missedBy: fc.array(
      fc.record({
        agentId: fc.constantFrom(...AGENTS),
        agent: text,
        atMs: fc.integer({ min: START, max: START + 1e9 }),
        how: fc.constantFrom(...MISSED_HOW),
        byAgentId: maybe(fc.constantFrom(...AGENTS)),
      }),
      { maxLength: 2 },
    ),
    outcome: maybe(fc.constantFrom('done', 'later')),
    outcomeAtMs: maybe(fc.integer({ min: START, max: START + 1e11 })),
    outcomeById: maybe(fc.constantFrom(...AGENTS)),
    outcomeBy: maybe(text),
    notes: text,
    script: maybe(fc.constantFrom('Small')),
    scriptVersion: maybe(fc.nat(40)),
    answers: fc.dictionary(fc.constantFrom('sure', 'wish', 'days'), fc.oneof(fc.boolean(), text, fc.integer(), fc.array(text, { maxLength: 2 }))),
    transfers: fc.array(fc.record({ kind: fc.constantFrom('blind' as const, 'attended' as const), from: text, to: text, atMs: fc.nat() }), { maxLength: 2 }),
    recordings: fc.array(fc.nat(900), { maxLength: 2 }),
  })
  .map(({ wait, lasts, recordings, outcome, outcomeById, ...r }) => ({
    ...r,
    outcome,
    outcomeById: outcome === null ? null : outcomeById,
    answeredAtMs: wait === null ? null : r.offeredAtMs + wait,
    endedAtMs: r.offeredAtMs + (wait ?? 0) + lasts,
    recordings: recordings.map((n) => `rec_${r.callId}_${n}`),
    sound: r.callId.endsWith('7') ? [{ agentId: toAgentId('agent_a'), agent: 'A', cause: 'gaps' as const, path: 'computer', r: 62.5 }] : [],
  }))
const records = fc.array(record, { maxLength: 40, size: 'max' })

const RULES: Rules = {
  key: 'test',
  serviceLevelMs: (id) => (id === QUEUES[0] ? 60_000 : 200_000),
  mayDisagree: (_, code) => code === 'done',
  disagrees: ({ outcome, answers }) => outcome === 'done' && answers.sure === false,
}
const OPTIONS = { nowMs: START + 24 * HOURS, serviceLevelMs: RULES.serviceLevelMs, disagrees: (r: CallRecord) => RULES.disagrees(r) }
const span = fc
  .tuple(fc.integer({ min: -1, max: 49 }), fc.integer({ min: 0, max: 49 }))
  .map(([a, b]) => ({ fromMs: START + a * HOURS, toMs: START + Math.max(a, b) * HOURS }))
const named = <T extends string>(ids: readonly T[]) => ids.map((id) => ({ id, name: id }))
/** Of all queues, or of one. */
const of = (sums: readonly Tallies[], part: (t: Tallies) => ByQueue | undefined, queueId?: string): Tally[] =>
  sums.flatMap((t) => [...(part(t) ?? [])].flatMap(([id, sum]) => (queueId === undefined || id === queueId ? [sum] : [])))
const byOffer = (all: readonly CallRecord[]) => all.toSorted((a, b) => a.offeredAtMs - b.offeredAtMs)

describe('columns', () => {
  test('give back the records that were put in, all of them in order, and stay what they are when stored', () =>
    fc.assert(
      fc.property(records, (all) => {
        const back = recordsOf(structuredClone(packCalls(all)))
        expect(back).toEqual(byOffer(all))
        for (const one of back) CallRecordSchema.parse(one)
      }),
      { seed: 1 },
    ))

  test('refuse what is no whole number rather than round it', () => {
    const [one] = fc.sample(record, { numRuns: 1, seed: 3 }) as [CallRecord]
    expect(() => packCalls([{ ...one, endedAtMs: one.offeredAtMs + 0.5 }])).toThrow('no whole number')
  })
})

describe('sums of blocks', () => {
  test('come to what the measures say of the records, for everybody, by queue and by agent, whatever the span', () => {
    let measured = 0
    fc.assert(
      fc.property(fc.array(records, { minLength: 1, maxLength: 4, size: 'max' }), span, (days, asked) => {
        const inSpan = inInterval(days.flat(), asked.fromMs, asked.toMs)
        measured += inSpan.length
        const sums = days.map((day) => tally(structuredClone(packCalls(day)), asked, RULES))
        expect(
          measuresOf(
            of(sums, (t) => t.queues),
            OPTIONS.nowMs,
          ),
        ).toEqual(measure(inSpan, OPTIONS))
        for (const { id, measures } of byQueue(inSpan, named(QUEUES), OPTIONS))
          expect(
            measuresOf(
              of(sums, (t) => t.queues, id),
              OPTIONS.nowMs,
            ),
          ).toEqual(measures)
        for (const { id, measures } of byAgent(inSpan, named(AGENTS), OPTIONS))
          expect(
            measuresOf(
              of(sums, (t) => t.agents.get(id)),
              OPTIONS.nowMs,
            ),
          ).toEqual(measures)
        const seen = new Set(sums.flatMap((s) => [...s.seenAgents]))
        expect(seen).toEqual(new Set(inSpan.filter((r) => r.direction !== 'internal').flatMap((r) => r.agents.map((l) => l.agentId))))
      }),
      { numRuns: 230, seed: 2 },
    )
    expect(measured).toBeGreaterThan(2_000)
  })

  test('of one agent are, by queue, what that agent had of them', () =>
    fc.assert(
      fc.property(records, span, fc.constantFrom(...AGENTS), (day, asked, only) => {
        const mine = ofAgent(inInterval(day, asked.fromMs, asked.toMs), only)
        const sums = [tally(packCalls(day), asked, RULES)]
        for (const id of QUEUES) {
          const expected = measure(
            mine.filter((r) => r.queueId === id),
            OPTIONS,
          )
          expect(
            measuresOf(
              of(sums, (t) => t.agents.get(only), id),
              OPTIONS.nowMs,
            ),
          ).toEqual(expected)
        }
      }),
      { numRuns: 200, seed: 5 },
    ))
})

describe('spells', () => {
  const interval: fc.Arbitrary<AgentInterval> = fc
    .record({
      agentId: fc.constantFrom(...AGENTS),
      agent: text,
      state: fc.constantFrom('notReady' as const, 'ready' as const, 'ringing' as const, 'dialling' as const, 'onCall' as const, 'wrapUp' as const),
      reason: maybe(fc.constantFrom('break', 'lunch')),
      fromMs: fc.integer({ min: START, max: START + 48 * HOURS }),
      lasts: fc.integer({ min: 1, max: 9 * HOURS }),
    })
    .map(({ lasts, ...i }) => ({ ...i, toMs: i.fromMs + lasts }))

  test('are given back, and cut at the span they make the same occupancy', () =>
    fc.assert(
      fc.property(fc.array(interval, { maxLength: 30 }), span, (all, asked) => {
        const block = packStates(all)
        expect(Array.from({ length: block.count }, (_, i) => stateAt(structuredClone(block), i))).toEqual(all)
        const cut = all.flatMap((i) =>
          i.toMs > asked.fromMs && i.fromMs < asked.toMs ? [{ ...i, fromMs: Math.max(i.fromMs, asked.fromMs), toMs: Math.min(i.toMs, asked.toMs) }] : [],
        )
        const sums = spellsOf(block, asked)
        expect(occupancyOf([sums], null)).toEqual(occupancy(cut))
        for (const id of AGENTS) expect(occupancyOf([sums], id)).toEqual(occupancy(cut.filter((i) => i.agentId === id)))
      }),
      { seed: 7 },
    ))
})
