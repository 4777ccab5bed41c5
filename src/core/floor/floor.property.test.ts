import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Callback } from '@/core/callbacks'
import { AskSchema, broken, brokenBy, type Command, decide, toRefusalText } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { CarriedOverSchema, createLedgerFolder, parseEntry, toLine } from '@/core/ledger'
import {
  beginDraft,
  copyOf,
  createFloor,
  createKeeper,
  emit,
  evolve,
  type FloorState,
  nextDueAtMs,
  readyAgents,
  rollBack,
  servedBy,
  TABLES,
} from '@/core/state'
import { get, must, values } from '@/core/table'
import { aCrowdedFloor, aFloor, CROWDED, FIRST, START_MS, type Step, steps, type TestFloor, toCommand, writtenSteps } from '@/core/testing'

type Each = (floor: TestFloor, asked: Command, before: FloorState, verdict: string) => void
/** Gives every wish in turn; `each` sees the floor before and after. Returns how many commands were taken, by kind. */
function play(floor: TestFloor, sequence: readonly Step[], each?: Each): Map<string, number> {
  const taken = new Map<string, number>()
  for (const [wanted, inMs] of sequence) {
    const asked = toCommand(floor, wanted)
    const before = copyOf(floor.state())
    const verdict = floor.give(asked, inMs)
    if (verdict === 'ok') taken.set(asked.kind, (taken.get(asked.kind) ?? 0) + 1)
    each?.(floor, asked, before, verdict)
  }
  return taken
}

/** What of a floor is not the very same value as on another: facts, and rows of tables. */
function differences(a: FloorState, b: FloorState): string[] {
  const tables: readonly string[] = TABLES
  const facts = (Object.keys(a) as (keyof FloorState)[]).filter((fact) => !tables.includes(fact) && a[fact] !== b[fact])
  const rows = TABLES.flatMap((table) => {
    const keys = new Set([...a[table].keys(), ...b[table].keys()])
    return [...keys].filter((key) => get<unknown>(a[table], key) !== get<unknown>(b[table], key)).map((key) => `${table} ${key}`)
  })
  return [...facts, ...rows]
}

test('whatever is asked in whatever order: every invariant holds after every command, and refusals change nothing', () => {
  const taken = new Map<string, number>()
  fc.assert(
    fc.property(steps(220), (sequence) => {
      const lately: string[] = []
      const floor = aCrowdedFloor()
      // What a decision has touched the floor of the tests asks after every one of them.
      const counts = play(floor, sequence, (_, asked, before, verdict) => {
        if (verdict === 'ok') lately.push(JSON.stringify(asked))
        if (verdict !== 'ok') expect(differences(before, floor.state())).toEqual([])
      })
      expect(broken(floor.state()), `after ${lately.slice(-14).join('\n')}`).toEqual([])
      for (const [kind, count] of counts) taken.set(kind, (taken.get(kind) ?? 0) + count)
    }),
    { numRuns: 280, seed: 24, endOnFailure: true },
  )
  // The generator is worth its name only when every service is taken, and often.
  const rare = AskSchema.options.map((o) => o.unwrap().shape.kind.value).filter((kind) => (taken.get(kind) ?? 0) < 3)
  expect(rare).toEqual([])
})

test('what an event out of its place breaks is found by looking at what it touched as by looking at everything', () => {
  const found = new Map<string, number>()
  fc.assert(
    fc.property(steps(80), fc.array(fc.nat(), { minLength: 12, maxLength: 12 }), (sequence, picks) => {
      const floor = aCrowdedFloor()
      play(floor, sequence, (_, asked) => {
        if (picks.length === 0 || asked.kind === 'passTime') return
        const state = floor.state()
        // Something that has happened on this floor before, happening again now.
        for (const pick of picks) {
          const again = floor.entries[1 + (pick % (floor.entries.length - 1))]?.event
          if (again === undefined) continue
          const draft = beginDraft(state, state.atMs)
          try {
            emit(draft, null, again)
            const names = broken(state)
            expect([...brokenBy(state, draft.journal)].sort()).toEqual([...names].sort())
            for (const name of names) found.set(name, (found.get(name) ?? 0) + 1)
          } catch (fault) {
            // What no call or agent of this floor can undergo is a fault, and leaves no row to look at.
            if (!(fault instanceof Error) || fault.name === 'AssertionError') throw fault
          } finally {
            rollBack(state, draft.journal)
          }
        }
      })
    }),
    { numRuns: 24, seed: 20261127, endOnFailure: true },
  )
  expect([...found.values()].reduce((a, b) => a + b, 0)).toBeGreaterThan(400)
  expect(found.size).toBeGreaterThanOrEqual(10)
})

test('a decision taken back leaves the floor as it was, to the last value, and decided anew it is the same again', () => {
  let taken = 0
  fc.assert(
    fc.property(steps(160), (sequence) => {
      const floor = aCrowdedFloor()
      for (const [wanted, inMs] of sequence) {
        const asked = toCommand(floor, wanted)
        const state = floor.state()
        const before = copyOf(state)
        const atMs = state.atMs + Math.max(0, inMs)
        const tried = decide(state, asked, { atMs })
        if (tried.ok) {
          rollBack(state, tried.journal)
          taken += tried.entries.length
        }
        expect(differences(before, state)).toEqual([])
        // What is kept beside the tables is what they say: of the copy it is made anew.
        expect(nextDueAtMs(state)).toBe(nextDueAtMs(before))
        expect([...readyAgents(state)].sort()).toEqual([...readyAgents(before)].sort())
        for (const { id } of state.setUp.queues) expect(servedBy(state, id)).toEqual(servedBy(before, id))
        const again = decide(state, asked, { atMs })
        expect(again.ok && again.entries).toEqual(tried.ok && tried.entries)
      }
    }),
    { numRuns: 30, seed: 3, endOnFailure: true },
  )
  expect(taken).toBeGreaterThan(900)
})

test('the state is a function of the ledger: its stored lines, folded over values nobody may change, give it again', () => {
  fc.assert(
    fc.property(steps(160), (sequence) => {
      const floor = aCrowdedFloor()
      play(floor, sequence)
      let folded = createFloor('test', CROWDED)
      for (const [i, entry] of floor.entries.entries()) {
        const opened = parseEntry(toLine(entry))
        if (!opened.ok) throw new Error(opened.detail)
        expect(opened.entry.seq).toBe(i + 1)
        // A floor of its own for every event, with all that was there frozen: who changes a value in place is caught.
        folded = frozen(copyOf(folded))
        evolve(folded, opened.entry.event, opened.entry.atMs)
      }
      expect(folded).toEqual(floor.state())
    }),
    { numRuns: 36, seed: 7, endOnFailure: true },
  )
})

const seen = new WeakSet<object>()
function freeze(value: unknown): void {
  if (typeof value !== 'object' || value === null || seen.has(value)) return
  seen.add(value)
  Object.freeze(value)
  for (const inner of Object.values(value)) freeze(inner)
}

/** Of a floor only the tables themselves may be changed. */
function frozen(state: FloorState): FloorState {
  for (const table of TABLES) for (const row of state[table].values()) freeze(row)
  for (const value of Object.values(state)) if (!(value instanceof Map)) freeze(value)
  return state
}

test('what the floor says of a piece of work, its record in the ledger says: outcome, who coded it, what they noted, and who had it', () => {
  const met = { calls: 0, written: 0, coded: 0, handedOn: 0 }
  fc.assert(
    fc.property(fc.oneof(steps(160), writtenSteps(200)), (sequence) => {
      const floor = aCrowdedFloor()
      play(floor, sequence)
      const folder = createLedgerFolder()
      for (const entry of floor.entries) folder.add(entry)
      const written = new Map(folder.written().map((r) => [r.workId as string, r]))
      for (const { id, channel, outcome, handledBy, codedBy, takenFrom } of values(floor.state().work)) {
        const record = channel === 'call' ? folder.find(id)?.record : written.get(id)
        // A consult is part of the record of the call it is about.
        if (record === undefined) continue
        // What went on as a call has the outcome of that.
        if ('calledAs' in record && record.calledAs !== null) continue
        met[channel === 'call' ? 'calls' : 'written']++
        if (outcome !== null) met.coded++
        if (takenFrom.length > 1) met.handedOn++
        // Until whoever had it last has coded it, the floor waits for them, and the record has the last code there is.
        if (handledBy === null || !codedBy.includes(handledBy)) continue
        const said = { outcome: record.outcome, byId: record.outcomeById, notes: record.outcome === null ? '' : record.notes }
        expect(said, `${id} ${JSON.stringify(takenFrom)}`).toEqual({
          outcome: outcome?.code ?? null,
          byId: outcome?.agentId ?? null,
          notes: outcome?.notes ?? '',
        })
        expect(record.agents.map((a) => a.agentId)).toContain(handledBy)
      }
    }),
    { numRuns: 90, seed: 4, endOnFailure: true },
  )
  for (const [what, count] of Object.entries(met)) expect(count, what).toBeGreaterThan(20)
})

test('agent intervals are gapless over each shift and never overlap; every coded call is recorded once', () => {
  fc.assert(
    fc.property(steps(160), (sequence) => {
      const floor = aCrowdedFloor()
      play(floor, sequence)
      const folder = createLedgerFolder()
      for (const entry of floor.entries) folder.add(entry)
      const endMs = floor.state().atMs
      for (const { id, name } of CROWDED.agents) {
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
        // The totals an agent sees are the same time, added up as it goes.
        const { shift, state } = must(floor.state().agents, id)
        if (shift !== null) expect(Object.values(shift.spentMs).reduce((sum, ms) => sum + ms, 0)).toBe(state.sinceMs - shift.startedAtMs)
      }
      // A consult is part of the record of the call it is about.
      const consults = new Set(floor.entries.flatMap((e) => (e.event.kind === 'consultationOriginated' ? [e.event.callId] : [])))
      const ended = new Set(floor.entries.flatMap((e) => (e.event.kind === 'callCleared' && !consults.has(e.event.callId) ? [e.event.callId] : [])))
      expect(
        folder
          .records()
          .map((r) => r.callId)
          .sort(),
      ).toEqual([...ended].sort())
      for (const record of folder.records()) expect(record.offeredAtMs).toBeGreaterThanOrEqual(START_MS)
    }),
    { numRuns: 40, seed: 11, endOnFailure: true },
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

test('wherever a day ends, the next one begins with what it left, and nothing on it is broken', () => {
  const kept: Callback['id'][] = []
  const owing: string[] = []
  const messaged: string[] = []
  fc.assert(
    fc.property(steps(160), steps(60), (first, second) => {
      const floor = aCrowdedFloor()
      play(floor, first)
      const keeper = createKeeper()
      for (const entry of floor.entries) keeper.add(entry)
      const before = CarriedOverSchema.parse(
        JSON.parse(JSON.stringify(keeper.leftBy(floor.state(), { from: '2026-11-24', through: '2026-11-24', simulated: null }))),
      )
      const { setUp, callbacks, tasks, doNotCall, struck, messages, greetings, conferences, reviews } = floor.state()
      const next = aFloor(setUp, { floorId: 'next', startMs: floor.state().atMs + 60_000, before })
      const sorted = <T>(items: readonly T[]) => items.map((i) => JSON.stringify(i)).sort()
      // What was being dialled when the day ended is to be dialled again; everything else is as it was.
      expect(sorted(values(next.state().callbacks))).toEqual(sorted(values(callbacks).map((c) => ({ ...c, dialled: null }))))
      expect(sorted(values(next.state().tasks))).toEqual(sorted(values(tasks)))
      expect(sorted(values(next.state().doNotCall))).toEqual(sorted(values(doNotCall)))
      expect(sorted(next.state().struck)).toEqual(sorted(struck))
      // What was deleted is not carried over.
      const left = values(messages).filter((m) => m.deletedAtMs === null)
      expect(sorted(values(next.state().messages))).toEqual(sorted(left))
      expect(sorted(values(next.state().reviews))).toEqual(sorted(values(reviews)))
      expect(sorted(values(next.state().greetings))).toEqual(sorted(values(greetings)))
      // Who was in one when the day ended has left it.
      const planned = (of: FloorState['conferences']) => values(of).map(({ attended: _, ...c }) => c)
      expect(planned(next.state().conferences)).toEqual(planned(conferences))
      messaged.push(...left.map((m) => m.id))
      for (const { id, owed, wrapUps } of values(floor.state().agents)) {
        const over = [...owed, ...wrapUps].map((o) => o.callId).filter((callId) => get(floor.state().work, callId)?.endedAtMs != null)
        expect(get(next.state().agents, id)?.owed.map((o) => o.callId)).toEqual(over)
        owing.push(...over)
      }
      kept.push(...values(callbacks).map((c) => c.id))
      const holdsAll = () => {
        expect(broken(next.state())).toEqual([])
      }
      holdsAll()
      play(next, second, holdsAll)
    }),
    { numRuns: 130, seed: 20261127, endOnFailure: true },
  )
  expect(kept.length).toBeGreaterThan(3)
  expect(owing.length).toBeGreaterThan(10)
  expect(messaged.length).toBeGreaterThan(10)
})
