// A day that leaves promises and uncoded calls behind, and the day after it.
import { describe, expect, test } from 'vitest'
import { broken, type Command, takeUp } from '@/core/floor'
import { toCallId, toThreadId } from '@/core/ids'
import { type CarriedOver, CarriedOverSchema, createLedgerFolder } from '@/core/ledger'
import { SetUpSchema } from '@/core/set-up'
import { copyOf, createKeeper } from '@/core/state'
import { get, must, values } from '@/core/table'
import { ANN, aFloor, BO, CENTRE, call, events, FIRST, NUMBER, SECOND_QUEUE, START_MS, save, type TestFloor, talked } from '@/core/testing'
import { DAY, MINUTE } from '@/core/time'

const CALL = toCallId('call_test_1')
const YESTERDAY = { from: '2026-11-24', through: '2026-11-24', simulated: null }
const START: Command = { kind: 'startShift', agentId: ANN, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' }

function left(floor: TestFloor): CarriedOver {
  const keeper = createKeeper()
  for (const entry of floor.entries) keeper.add(entry)
  // What crosses from the server is JSON.
  return CarriedOverSchema.parse(JSON.parse(JSON.stringify(keeper.leftBy(floor.state(), YESTERDAY))))
}
const nextDay = (before: CarriedOver) => aFloor(CENTRE, { floorId: 'next', startMs: START_MS + DAY, before })
const callBackAt = (dueAtMs: number, n = 1) => save('call-back', { callback: { dueAtMs, timeZone: 'UTC', typed: '', owner: 'mine' } }, n)

/** Everything that can be left at once: agreed, filed, listed and struck; and what was done with is not among it. */
function aFullDay(): TestFloor {
  const floor = talked()
  floor.give(callBackAt(START_MS + DAY + 30 * MINUTE))
  for (const [i, code] of ['hand-on', 'never-number', 'wrong', 'call-back'].entries()) {
    call(floor, ANN, FIRST, i + 2)
    floor.give(code === 'call-back' ? callBackAt(START_MS + 3 * MINUTE, i + 2) : save(code, {}, i + 2))
  }
  const done = values(floor.state().callbacks).at(-1)
  if (done === undefined) throw new Error('no callback was agreed')
  expect(floor.give({ kind: 'dropCallback', agentId: ANN, callbackId: done.id, why: 'no longer wanted' })).toBe('ok')
  return floor
}

describe('promises', () => {
  test('are on the next floor as they were, each at the instant it was made', () => {
    const floor = aFullDay()
    const { callbacks, tasks, doNotCall, struck } = floor.state()
    expect([values(callbacks).length, values(tasks).length, values(doNotCall).length, struck.length]).toEqual([1, 1, 1, 1])
    const next = nextDay(left(floor)).state()
    expect(values(next.callbacks)).toEqual(values(callbacks))
    expect(values(next.tasks)).toEqual(values(tasks))
    expect(values(next.doNotCall)).toEqual(values(doNotCall))
    expect(next.struck).toEqual(struck)
  })

  test('a day that does nothing about them leaves the same', () => {
    const before = left(aFullDay())
    expect(left(nextDay(before))).toEqual(before)
  })

  test('who was listed may not be called, and what is not kept in time is missed', () => {
    const next = nextDay(left(aFullDay()))
    next.give(START)
    expect(next.give({ kind: 'makeCall', agentId: ANN, typed: NUMBER, customer: null })).toBe('onDoNotCall')
    expect(next.give({ kind: 'passTime' }, 32 * MINUTE)).toBe('ok')
    expect(events(next, 3)).toEqual(['callbackEscalated'])
  })

  test('a call back that the end of the day cut short is to be made again', () => {
    const floor = talked()
    floor.give(callBackAt(START_MS + MINUTE))
    const [callback] = values(floor.state().callbacks)
    if (callback === undefined) throw new Error('no callback was agreed')
    expect(floor.give({ kind: 'makeCall', agentId: ANN, typed: '', customer: null, callbackId: callback.id }, 2 * MINUTE)).toBe('ok')
    expect(values(nextDay(left(floor)).state().callbacks)).toEqual([callback])
  })
})

describe('a call that was left uncoded', () => {
  const uncoded = () => nextDay(left(talked()))

  test('is owed on the next day, keeps nobody from ready, and from home until it is coded', () => {
    const next = uncoded()
    next.give(START)
    expect(get(next.state().agents, ANN)?.owed).toMatchObject([{ callId: CALL }])
    expect(broken(next.state())).toEqual([])
    expect(next.give({ kind: 'goReady', agentId: ANN })).toBe('ok')
    expect(next.give({ kind: 'endShift', agentId: ANN })).toBe('outcomeOwed')
    expect(next.give(save('done', { notes: 'late' }))).toBe('ok')
    expect(next.give({ kind: 'endShift', agentId: ANN })).toBe('ok')
    expect(get(next.state().work, CALL)).toBeUndefined()
  })

  test('is coded with all that follows from a code', () => {
    const next = uncoded()
    next.give(START)
    expect(next.give(callBackAt(START_MS + 2 * DAY))).toBe('ok')
    expect(values(next.state().callbacks)).toMatchObject([{ callId: CALL, number: NUMBER, ownerId: ANN }])
  })

  test('its outcome is handed to whoever keeps the earlier day, and is gone when it is taken back', () => {
    const next = aFloor({ ...CENTRE, takeBackMs: 5_000 }, { floorId: 'next', startMs: START_MS + DAY, before: left(talked()) })
    const corrected = () => {
      const folder = createLedgerFolder()
      for (const entry of next.entries) folder.add(entry)
      expect(folder.records()).toEqual([])
      return folder.corrections().get(CALL)
    }
    next.give(START)
    next.give(save('done', { notes: 'late' }))
    expect(corrected()).toMatchObject({ code: 'done', by: 'Ann', notes: 'late' })
    expect(next.give({ kind: 'takeBackOutcome', agentId: ANN, callId: CALL })).toBe('ok')
    expect(corrected()).toBeUndefined()
    expect(next.give(save('later'))).toBe('ok')
    expect(corrected()).toMatchObject({ code: 'later' })
  })
})

test('days worked with another set-up: what belongs to nobody here is anybody’s, of no queue, and may be called', () => {
  const floor = talked()
  floor.give(callBackAt(START_MS + DAY + 30 * MINUTE))
  call(floor, ANN, FIRST, 2)
  floor.give(save('hand-on', {}, 2))
  call(floor, ANN, FIRST, 3)
  const others = SetUpSchema.parse({
    ...CENTRE,
    agents: CENTRE.agents.filter((a) => a.id !== ANN).map((a) => ({ ...a, queueIds: [SECOND_QUEUE] })),
    queues: CENTRE.queues.filter((q) => q.id !== FIRST),
  })
  const next = aFloor(others, { floorId: 'next', startMs: START_MS + DAY, before: left(floor) })
  const [callback] = values(next.state().callbacks)
  expect(callback).toMatchObject({ ownerId: null, queueId: null })
  expect(values(next.state().tasks)).toMatchObject([{ assigneeId: null }])
  expect(values(next.state().work)).toEqual([])
  next.give({ kind: 'startShift', agentId: BO, queueIds: [SECOND_QUEUE], seat: 'desk' })
  if (callback !== undefined) expect(next.give({ kind: 'makeCall', agentId: BO, typed: '', customer: null, callbackId: callback.id })).toBe('ok')
})

test('two who left their parts of one call uncoded each owe theirs; the call’s code is that of who had it last, whoever is first', () => {
  const floor = aFloor({ ...CENTRE, mostOwed: 3, agents: CENTRE.agents.map((a) => ({ ...a, takesWrapUp: true })) })
  for (const agentId of [ANN, BO]) floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
  floor.give({ kind: 'goReady', agentId: ANN })
  floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: null, path: null })
  floor.give({ kind: 'answer', agentId: ANN, callId: CALL })
  floor.give({ kind: 'transfer', agentId: ANN, callId: CALL, target: { kind: 'agent', agentId: BO } })
  expect(floor.give({ kind: 'answer', agentId: BO, callId: CALL })).toBe('ok')
  floor.give({ kind: 'callerHangsUp', callId: CALL })
  const before = left(floor)
  expect(before.owed.map((o) => [o.agentId, o.handledBy])).toEqual([
    [ANN, BO],
    [BO, BO],
  ])
  for (const order of [
    [ANN, BO],
    [BO, ANN],
  ] as const) {
    const next = aFloor(CENTRE, { floorId: 'next', startMs: START_MS + DAY, before })
    for (const agentId of order) {
      next.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
      expect(next.give({ ...save(agentId === BO ? 'done' : 'later'), agentId } as Command)).toBe('ok')
      expect(broken(next.state())).toEqual([])
    }
    const folder = createLedgerFolder()
    for (const entry of next.entries) folder.add(entry)
    expect(folder.corrections().get(CALL)).toMatchObject({ code: 'done', byId: BO })
    expect(values(next.state().work)).toEqual([])
  }
})

test('who owes more by that than the centre allows gets no further call', () => {
  const floor = talked()
  for (const n of [2, 3]) {
    floor.give(save('done', {}, n - 1))
    call(floor, ANN, FIRST, n)
  }
  const before = {
    ...left(floor),
    owed: [1, 2].map((n) => ({ ...(left(floor).owed[0] as CarriedOver['owed'][number]), callId: toCallId(`call_before_${n}`) })),
  }
  const next = aFloor(CENTRE, { floorId: 'next', startMs: START_MS + DAY })
  next.give(START)
  next.give({ kind: 'goReady', agentId: ANN })
  const taken = takeUp(next.state(), before, { atMs: START_MS + DAY + 5_000 })
  expect(taken.entries.map((e) => e.event.kind)).toEqual(['carriedOver', 'agentNotReady'])
  expect(broken(next.state())).toEqual([])
})

test('whoever had something written in hand on an earlier day is at their desk as they were, for as long as they were', () => {
  const writes = SetUpSchema.parse({
    ...CENTRE,
    queues: CENTRE.queues.map((q) => (q.id === FIRST ? { ...q, writes: [{ channel: 'mail', serviceLevelMs: 60_000 }] } : q)),
  })
  const mail = { channel: 'mail', queueId: FIRST, address: 'ida@example.com', number: null, customer: null, subject: null, path: null, text: 'Hello' } as const
  const floor = aFloor(writes)
  for (const command of [
    START,
    { kind: 'goReady', agentId: ANN } as const,
    { kind: 'threadArrives', ...mail } as const,
    { kind: 'takeThread', agentId: ANN, threadId: toThreadId('thread_test_1') } as const,
  ])
    expect(floor.give(command, MINUTE)).toBe('ok')
  floor.give({ kind: 'customerWrites', threadId: toThreadId('thread_test_1'), text: 'And?' }, MINUTE)
  const before = left(floor)
  const next = aFloor(writes, { floorId: 'next', startMs: START_MS + DAY })
  next.give(START)
  next.give({ kind: 'goReady', agentId: ANN })
  const then = must(next.state().agents, ANN)
  next.entries.push(...takeUp(next.state(), before, { atMs: START_MS + DAY + 5 * MINUTE }).entries)
  expect(values(next.state().threads).map((t) => t.lineCount)).toEqual([2])
  const now = must(next.state().agents, ANN)
  expect(now.state).toEqual(then.state)
  expect(now.shift?.spentMs).toEqual(then.shift?.spentMs)
  next.give({ kind: 'goNotReady', agentId: ANN, reason: 'Break' }, 10 * MINUTE)
  const folder = createLedgerFolder()
  for (const entry of next.entries) folder.add(entry)
  const spells = folder.intervals(next.state().atMs).filter((i) => i.agentId === ANN)
  expect(spells[0]?.fromMs).toBeGreaterThanOrEqual(START_MS + DAY)
  expect(spells.slice(1).map((i) => i.fromMs)).toEqual(spells.slice(0, -1).map((i) => i.toMs))
  // What it took of her time on the day before is told with it.
  expect(folder.written()[0]?.agents.map((l) => [l.agentId, l.handleMs])).toEqual([[ANN, MINUTE]])
  expect(broken(next.state())).toEqual([])
})

test('what cannot be taken up to its end leaves nothing of itself on the floor', () => {
  const before = left(aFullDay())
  const promises = before.promises.filter((p) => p.event.kind !== 'callbackAgreed')
  const closing = { atMs: START_MS, event: { kind: 'callbackClosed', callbackId: 'callback_none', byAgentId: ANN, because: 'dropped', why: 'never agreed' } }
  const next = aFloor(CENTRE, { floorId: 'next', startMs: START_MS + DAY })
  const untouched = copyOf(next.state())
  const senseless = { ...before, promises: [...promises, closing] } as CarriedOver
  expect(() => takeUp(next.state(), senseless, { atMs: START_MS + DAY + 5_000 })).toThrow('not open')
  expect(next.state()).toEqual(untouched)
  expect(next.give(START)).toBe('ok')
})
