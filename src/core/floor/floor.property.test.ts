import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type Command, createFloor, evolve, INVARIANTS, toRefusalText } from '@/core/floor'
import { type AgentId, toCallId } from '@/core/ids'
import { createLedgerFolder, parseEntry, toLine } from '@/core/ledger'
import { get, values } from '@/core/table'
import { ANN, aFloor, BO, CY, FIRST, SECOND_QUEUE, SMALL, START_MS } from '@/core/testing'

const agentId = fc.constantFrom(ANN, BO, CY)
const callId = fc.integer({ min: 1, max: 12 }).map((n) => toCallId(`call_test_${n}`))
const queueId = fc.constantFrom(FIRST, SECOND_QUEUE)
const andThen = fc.constantFrom({ state: 'ready' as const }, { state: 'notReady' as const, reason: 'Break' })
const PINS: Record<AgentId, string> = { [ANN]: '1110', [BO]: '1111', [CY]: '1112' }

const command: fc.Arbitrary<Command> = fc.oneof(
  {
    weight: 3,
    arbitrary: agentId.map((id): Command => ({ kind: 'startShift', agentId: id, pin: PINS[id] ?? '', queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })),
  },
  { weight: 4, arbitrary: agentId.map((id): Command => ({ kind: 'goReady', agentId: id })) },
  { weight: 1, arbitrary: agentId.map((id): Command => ({ kind: 'goNotReady', agentId: id, reason: 'Break' })) },
  { weight: 1, arbitrary: agentId.map((id): Command => ({ kind: 'endShift', agentId: id })) },
  { weight: 1, arbitrary: fc.tuple(agentId, fc.boolean()).map(([id, muted]): Command => ({ kind: 'setMute', agentId: id, muted })) },
  {
    weight: 2,
    arbitrary: fc
      .tuple(agentId, fc.constantFrom('01632 960112', '+33199000000', 'nobody'))
      .map(([id, typed]): Command => ({ kind: 'makeCall', agentId: id, typed, customer: null })),
  },
  { weight: 4, arbitrary: queueId.map((id): Command => ({ kind: 'callArrives', queueId: id, number: '+441632960112', customer: null, path: null })) },
  { weight: 2, arbitrary: callId.map((id): Command => ({ kind: 'callerHangsUp', callId: id })) },
  {
    weight: 3,
    arbitrary: fc
      .tuple(callId, fc.constantFrom('ringing', 'answered', 'busy', 'noAnswer', 'machine'))
      .map(([id, report]) => ({ kind: 'farEnd', callId: id, report }) as Command),
  },
  { weight: 1, arbitrary: fc.constant<Command>({ kind: 'passTime' }) },
  {
    weight: 14,
    arbitrary: fc
      .tuple(agentId, callId, fc.constantFrom('answer', 'decline', 'silence', 'hold', 'retrieve', 'hangUp'))
      .map(([agent, call, kind]) => ({ kind, agentId: agent, callId: call }) as Command),
  },
  {
    weight: 5,
    arbitrary: fc
      .tuple(agentId, callId, fc.constantFrom('done', null, 'elsewhere'), andThen)
      .map(([agent, call, code, next]): Command => ({ kind: 'saveOutcome', agentId: agent, callId: call, code, notes: 'n', followUp: '', andThen: next })),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(agentId, callId)
      .map(([agent, call]): Command => ({ kind: 'answerScript', agentId: agent, callId: call, field: 'speaking', value: true })),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(agentId, callId, fc.constantFrom('next', 'back'))
      .map(([agent, call, direction]) => ({ kind: 'turnPage', agentId: agent, callId: call, direction }) as Command),
  },
)
const steps = fc.array(fc.tuple(command, fc.integer({ min: 0, max: 30_000 })), { minLength: 30, maxLength: 160, size: 'max' })

/** What a person at this desk could press: aimed at their own call, so that long and deep runs come about. */
const aimed = (floor: ReturnType<typeof aFloor>, wanted: Command): Command => {
  if (!('callId' in wanted) || !('agentId' in wanted)) return wanted
  const agent = get(floor.state().agents, wanted.agentId)
  const own = agent?.engagements[0]?.callId ?? agent?.wrapUp?.callId
  return own === undefined ? wanted : { ...wanted, callId: own }
}

test('whatever is asked in whatever order: every invariant holds after every command, and refusals have words', () => {
  let accepted = 0
  fc.assert(
    fc.property(steps, fc.boolean(), (sequence, aim) => {
      const floor = aFloor()
      for (const [wanted, inMs] of sequence) {
        const before = floor.state()
        const asked = aim ? aimed(floor, wanted) : wanted
        if (floor.give(asked, inMs) === 'ok') accepted++
        else expect(floor.state()).toBe(before)
        for (const [name, holds] of INVARIANTS) if (!holds(floor.state())) throw new Error(`broken after ${JSON.stringify(asked)}: ${name}`)
      }
    }),
    { numRuns: 200, seed: 20261124 },
  )
  // The generator is worth its name only when a good part of what it asks is taken.
  expect(accepted).toBeGreaterThan(3_000)
})

test('the state is a function of the ledger: folding the stored lines gives it again', () => {
  fc.assert(
    fc.property(steps, (sequence) => {
      const floor = aFloor()
      for (const [wanted, inMs] of sequence) floor.give(aimed(floor, wanted), inMs)
      let replayed = createFloor('test', SMALL)
      for (const [i, entry] of floor.entries.entries()) {
        const opened = parseEntry(toLine(entry))
        if (!opened.ok) throw new Error(opened.detail)
        expect(opened.entry.seq).toBe(i + 1)
        replayed = evolve(replayed, opened.entry.event, opened.entry.atMs)
      }
      expect(replayed).toEqual(floor.state())
      expect(JSON.parse(JSON.stringify(floor.state()))).toEqual(floor.state())
    }),
    { numRuns: 100, seed: 7 },
  )
})

test('agent intervals are gapless over each shift and never overlap; every coded call is recorded once', () => {
  fc.assert(
    fc.property(steps, (sequence) => {
      const floor = aFloor()
      for (const [wanted, inMs] of sequence) floor.give(aimed(floor, wanted), inMs)
      const folder = createLedgerFolder()
      for (const entry of floor.entries) folder.add(entry)
      const endMs = floor.state().atMs
      for (const { id, name } of SMALL.agents) {
        const intervals = folder.intervals(endMs).filter((i) => i.agent === name)
        for (const [i, interval] of intervals.entries()) {
          expect(interval.toMs).toBeGreaterThan(interval.fromMs)
          const next = intervals[i + 1]
          // A gap is allowed only while the agent is off shift.
          if (next !== undefined && next.fromMs !== interval.toMs)
            expect(floor.entries.some((e) => e.event.kind === 'shiftEnded' && e.event.agentId === id && e.atMs === interval.toMs)).toBe(true)
        }
        const onShiftMs = shiftMs(floor.entries, id, endMs)
        expect(intervals.reduce((sum, i) => sum + i.toMs - i.fromMs, 0)).toBe(onShiftMs)
      }
      const ended = new Set(floor.entries.flatMap((e) => (e.event.kind === 'callCleared' ? [e.event.callId] : [])))
      expect(
        folder
          .records()
          .map((r) => r.callId)
          .sort(),
      ).toEqual([...ended].sort())
      for (const record of folder.records()) expect(record.offeredAtMs).toBeGreaterThanOrEqual(START_MS)
    }),
    { numRuns: 100, seed: 11 },
  )
})

function shiftMs(entries: ReturnType<typeof aFloor>['entries'], id: AgentId, endMs: number): number {
  let total = 0
  let since: number | null = null
  for (const { event, atMs } of entries) {
    if (event.kind === 'shiftStarted' && event.agentId === id) since = atMs
    if (event.kind === 'shiftEnded' && event.agentId === id && since !== null) {
      total += atMs - since
      since = null
    }
  }
  return total + (since === null ? 0 : endMs - since)
}

test('a clock set back never makes the ledger go back', () => {
  const floor = aFloor()
  floor.give({ kind: 'callArrives', queueId: FIRST, number: null, customer: null, path: null }, 10_000)
  floor.give({ kind: 'callArrives', queueId: FIRST, number: null, customer: null, path: null }, -3_600_000)
  const times = floor.entries.map((e) => e.atMs)
  expect(times).toEqual(times.toSorted((a, b) => a - b))
  expect(values(floor.state().calls)).toHaveLength(2)
})

test('a refusal says what and what to do next, as sentences', () => {
  const { says, next } = toRefusalText({ reason: 'answerWrongKind', field: 'reference', label: 'Booking reference', expected: 'something like FL-204816' })
  expect(says).toBe('“Booking reference” needs something like FL-204816.')
  expect(next).toMatch(/^Correct it/)
})
