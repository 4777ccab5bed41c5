import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type AgentId, type QueueId, toAgentId, toCampaignId } from '@/core/ids'
import { type AgentInterval, type AgentLeg, type CallRecord, CallRecordSchema, MISSED_HOW, RESULTS } from '@/core/ledger'
import { byAgent, byQueue, inInterval, measure, occupancy, ofAgent } from '@/core/reports'
import { packCalls, packStates, recordsOf, stateAt } from './columns'
import { callsOfCell, crossOf, type Dimension, NONE } from './cross'
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
    path: maybe(fc.constantFrom('change a booking', 'freight')),
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
      { numRuns: 100, seed: 2 },
    )
    expect(measured).toBeGreaterThan(700)
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
      { numRuns: 100, seed: 5 },
    ))
})

describe('any by any', () => {
  const CLOCK = {
    hour: (atMs: number) => new Date(atMs).getUTCHours(),
    weekday: (atMs: number) => new Date(atMs).getUTCDay(),
    day: (atMs: number) => new Date(atMs).toISOString().slice(0, 10),
  }
  const TEAMS = new Map(AGENTS.map((id, i) => [id, i % 2 === 0 ? 'even' : 'odd']))
  /** Whether a record belongs to a key, said without columns. */
  const belongs: Readonly<Record<string, (r: CallRecord, key: string) => boolean>> = {
    queue: (r, key) => (r.queueId ?? NONE) === key,
    campaign: (r, key) => (r.campaignId ?? NONE) === key,
    outcome: (r, key) => (r.outcome ?? NONE) === key,
    result: (r, key) => r.result === key,
    path: (r, key) => (r.path ?? NONE) === key,
    direction: (r, key) => r.direction === key,
    hour: (r, key) => String(CLOCK.hour(r.offeredAtMs)) === key,
    weekday: (r, key) => String(CLOCK.weekday(r.offeredAtMs)) === key,
    day: (r, key) => CLOCK.day(r.offeredAtMs) === key,
  }
  const dimension = fc.constantFrom(...(Object.keys(belongs) as Dimension[]))

  test('every row, column and cell is what the measures say of its calls, and nothing is lost', () => {
    let cells = 0
    fc.assert(
      fc.property(
        fc.array(records, { minLength: 1, maxLength: 3, size: 'max' }),
        span,
        dimension,
        fc.option(dimension, { freq: 9 }),
        (days, asked, rows, columns) => {
          const inSpan = inInterval(days.flat(), asked.fromMs, asked.toMs).filter((r) => r.direction !== 'internal')
          const table = crossOf(days.map(packCalls), { span: asked, rows, columns }, RULES, CLOCK, TEAMS, OPTIONS.nowMs)
          const of = (dim: string | null, key: string) => (dim === null ? [] : inSpan.filter((r) => belongs[dim]?.(r, key)))
          expect(table.all).toEqual(measure(inSpan, OPTIONS))
          for (const { key, measures } of table.rows) expect(measures).toEqual(measure(of(rows, key), OPTIONS))
          for (const { key, measures } of table.columns) expect(measures).toEqual(measure(of(columns, key), OPTIONS))
          for (const { row, column, measures } of table.cells)
            expect(measures).toEqual(
              measure(
                of(rows, row).filter((r) => belongs[columns ?? '']?.(r, column)),
                OPTIONS,
              ),
            )
          expect(table.rows.reduce((sum, { key }) => sum + of(rows, key).length, 0)).toBe(inSpan.length)
          const [first] = table.cells
          const shown = callsOfCell(
            days.map(packCalls),
            { span: asked, rows, columns, row: first?.row ?? null, column: first?.column ?? null, atMost: 10_000 },
            CLOCK,
            TEAMS,
          )
          if (first !== undefined) expect(shown).toHaveLength(of(rows, first.row).filter((r) => belongs[columns ?? '']?.(r, first.column)).length)
          cells += table.cells.length
        },
      ),
      { numRuns: 100, seed: 11 },
    )
    expect(cells).toBeGreaterThan(200)
  })

  test('by agent it is what that agent had, by team what its agents had, each call once', () =>
    fc.assert(
      fc.property(records, span, (day, asked) => {
        const inSpan = inInterval(day, asked.fromMs, asked.toMs)
        const table = crossOf([packCalls(day)], { span: asked, rows: 'agent', columns: 'team' }, RULES, CLOCK, TEAMS, OPTIONS.nowMs)
        for (const { id, measures } of byAgent(inSpan, named(AGENTS), OPTIONS)) {
          const row = table.rows.find((r) => r.key === id)
          if (row !== undefined) expect(row.measures).toEqual(measures)
        }
        for (const { key, measures } of table.columns.filter((c) => c.key !== NONE)) {
          const members = AGENTS.filter((id) => TEAMS.get(id) === key)
          const theirs = inSpan.filter((r) => r.direction === 'inbound' && r.queueId !== null && members.some((id) => ofAgent([r], id).length > 0))
          expect(measures.offered).toBe(theirs.length)
          // Legs are nobody's twice: a team has handled what its agents have.
          expect(measures.handledLegs).toBe(byAgent(inSpan, named(members), OPTIONS).reduce((sum, a) => sum + a.measures.handledLegs, 0))
        }
      }),
      { numRuns: 120, seed: 12 },
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
