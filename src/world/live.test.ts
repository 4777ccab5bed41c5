// The world that runs beside a person at a desk: with promises of earlier days, through quiet hours, changes of pace and a break.
import { describe, expect, test } from 'vitest'
import { type AgentCommand, decide, openFloor, takeUp } from '@/core/floor'
import { toAgentId } from '@/core/ids'
import type { CarriedOver, LedgerEntry } from '@/core/ledger'
import { type FloorState, floorOf } from '@/core/state'
import { get, values } from '@/core/table'
import { HOUR, MINUTE } from '@/core/time'
import { advance, createWorld, daySteps, type Pace } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE, SAILINGS } from '@/world/scenario'

const ELUNED = toAgentId('agent_eluned-tarnow')
const NOW_MS = Date.UTC(2026, 10, 23, 14)

/** What a Sunday left; Monday is the visitor's. */
function leftBySunday(): CarriedOver {
  const steps = daySteps(FENNHOLM_STAGE, { seed: 7, pace: 'ordinary', day: '2026-11-22' }, () => {})
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}
const LEFT = leftBySunday()

function aLiveFloor(pace: Pace, before: CarriedOver | null = LEFT) {
  const opened = openFloor('live', FENNHOLM, NOW_MS)
  const state = floorOf(opened)
  const begin = (from: FloorState, wanted: Pace) => {
    const begun = createWorld(FENNHOLM_STAGE, {
      seed: 7,
      pace: wanted,
      plays: FENNHOLM.agents.filter((a) => a.playable).map((a) => a.id),
      day: { kind: 'live' },
    })
    begun.begin(from, atMs)
    return begun
  }
  const entries: LedgerEntry[] = []
  let atMs = NOW_MS
  let world = begin(state, pace)
  const takeUpNow = (left: CarriedOver) => {
    const taken = takeUp(state, left, { atMs })
    world.observe(taken.entries, state)
  }
  if (before !== null) {
    takeUpNow(before)
  }
  return {
    entries,
    state: () => state,
    takeUp: takeUpNow,
    world: () => world,
    pass(ms: number) {
      atMs += ms
      advance(state, world, atMs, (more) => entries.push(...more))
    },
    give(command: AgentCommand): string {
      const decision = decide(state, command, { atMs })
      if (!decision.ok) return decision.refusal.reason
      entries.push(...decision.entries)
      world.observe(decision.entries, state)
      return 'ok'
    },
    setPace: (next: Pace) => world.setPace(next, state, atMs),
    /** The floor was closed and is opened again. */
    reopen: () => {
      world = begin(state, world.pace())
    },
  }
}
const of = (entries: readonly LedgerEntry[], kind: LedgerEntry['event']['kind']) => entries.filter((e) => e.event.kind === kind)

describe('a quiet world', () => {
  test('does nothing about promises, and does not wake the floor for them', () => {
    const floor = aLiveFloor('quiet')
    expect(values(floor.state().callbacks).filter((c) => c.dueAtMs < NOW_MS + 6 * HOUR).length).toBeGreaterThan(0)
    floor.pass(6 * HOUR)
    expect(of(floor.entries, 'callOriginated')).toEqual([])
    // What was due has been looked at; nothing is looked at every minute for ever.
    const next = floor.world().nextAtMs()
    expect(next === null || next > NOW_MS + 6 * HOUR + 5 * MINUTE).toBe(true)
  })
})

describe('colleagues', () => {
  test('call back what is theirs or anybody’s, and leave a person’s own to them', () => {
    const floor = aLiveFloor('ordinary')
    const mine = values(floor.state().callbacks).filter((c) => c.ownerId === ELUNED)
    floor.pass(4 * HOUR)
    expect(of(floor.entries, 'callbackClosed').length).toBeGreaterThan(3)
    for (const { event } of of(floor.entries, 'callbackDialled'))
      if (event.kind === 'callbackDialled')
        expect(mine.filter((c) => c.dueAtMs + FENNHOLM.callbackMissedAfterMs > NOW_MS + 4 * HOUR).map((c) => c.id)).not.toContain(event.callbackId)
  })

  test('ring whoever kept their place in a chat, and code it: nothing of it is left in anybody’s hands', () => {
    const floor = aLiveFloor('quiet', null)
    for (let i = 0; i < 6; i++)
      floor.world().write({ channel: 'chat', queueId: SAILINGS, customerId: `customer_${i + 1}`, patienceMs: null, keepsPlaceMs: 1_000 + i }, null, NOW_MS + i)
    floor.pass(MINUTE)
    expect(of(floor.entries, 'threadPlaceKept')).toHaveLength(6)
    floor.setPace('ordinary')
    floor.pass(HOUR)
    const rung = of(floor.entries, 'threadCalled').flatMap(({ event }) => (event.kind === 'threadCalled' ? [event.callId] : []))
    expect(rung).toHaveLength(6)
    for (const id of rung) {
      expect(get(floor.state().calls, id), id).toBeUndefined()
      expect(get(floor.state().work, id), id).toBeUndefined()
    }
    expect(values(floor.state().threads).filter((t) => t.keptFor !== null)).toEqual([])
  })

  test('close a text from a number that gets no texts, and do not sit in front of it for ever', () => {
    const floor = aLiveFloor('quiet', null)
    const number = FENNHOLM_STAGE.records.numberOf('customer_1') ?? ''
    expect(floor.give({ kind: 'startShift', agentId: ELUNED, queueIds: [SAILINGS], seat: 'desk' })).toBe('ok')
    expect(floor.give({ kind: 'addDoNotCall', agentId: ELUNED, entries: [{ whom: { number }, why: 'They asked.' }] })).toBe('ok')
    floor.world().write({ channel: 'text', queueId: SAILINGS, customerId: 'customer_1', patienceMs: null, keepsPlaceMs: null }, null, NOW_MS)
    floor.pass(MINUTE)
    expect(of(floor.entries, 'threadBegan')).toHaveLength(1)
    floor.setPace('ordinary')
    floor.pass(HOUR)
    const [first] = of(floor.entries, 'threadBegan').flatMap(({ event }) => (event.kind === 'threadBegan' ? [event.threadId] : []))
    expect(get(floor.state().threads, first ?? '')).toBeUndefined()
    expect(get(floor.state().work, first ?? '')).toBeUndefined()
  })

  test.each([
    { says: 'before they come', first: true },
    { says: 'while they are at work already', first: false },
  ])('code what they left uncoded the day before, which is taken up $says', ({ first }) => {
    const owed = LEFT.owed.map((o) => o.agentId).filter((id) => FENNHOLM.agents.find((a) => a.id === id)?.playable)
    expect(owed.length).toBeGreaterThan(0)
    const floor = aLiveFloor('ordinary', first ? LEFT : null)
    floor.pass(5 * MINUTE)
    if (!first) floor.takeUp(LEFT)
    floor.pass(30 * MINUTE)
    for (const id of owed) expect(get(floor.state().agents, id)?.owed).toEqual([])
  })

  test('go home when the world becomes quiet, and come back when it does not, whatever the floor went through', () => {
    const floor = aLiveFloor('ordinary')
    const onShift = () => values(floor.state().agents).filter((a) => a.shift !== null).length
    floor.pass(20 * MINUTE)
    expect(onShift()).toBe(11)
    floor.reopen()
    floor.pass(20 * MINUTE)
    expect(onShift()).toBe(11)
    floor.setPace('quiet')
    floor.pass(HOUR)
    expect(onShift()).toBe(0)
    floor.setPace('storm')
    floor.pass(10 * MINUTE)
    expect(onShift()).toBe(11)
    expect(of(floor.entries, 'callQueued').length).toBeGreaterThan(20)
  })
})

describe('a caller somebody wished for', () => {
  test.each(Array.from({ length: 40 }, (_, i) => i))('comes with business of the queue, whoever they are (%i)', (i) => {
    const floor = aLiveFloor('quiet', null)
    floor.give({ kind: 'startShift', agentId: ELUNED, queueIds: [SAILINGS], seat: 'desk' })
    floor.give({ kind: 'goReady', agentId: ELUNED })
    for (let n = 0; n < i; n++) floor.world().ring({ queueId: SAILINGS, customerId: null, patienceMs: 1, staysMs: null, keepsPlaceMs: null }, null, NOW_MS)
    floor.pass(1_000)
    floor.world().ring({ queueId: SAILINGS, customerId: 'customer_1', patienceMs: null, staysMs: null, keepsPlaceMs: null }, ELUNED, NOW_MS + 1_000)
    floor.pass(1)
    const [call] = values(floor.state().calls).filter((c) => c.customer?.name === 'Perrin Arncliffe')
    expect(call).toMatchObject({ queueId: SAILINGS })
    if (call === undefined) return
    expect(floor.give({ kind: 'answer', agentId: ELUNED, callId: call.id })).toBe('ok')
    floor.pass(90_000)
    const said = of(floor.entries, 'captionSpoken').map((e) => (e.event.kind === 'captionSpoken' ? e.event.text : ''))
    expect(said.length).toBeGreaterThan(1)
    expect(said.join(' ')).not.toMatch(/chemist|prescription|lorry/)
  })
})

test.each([
  { says: 'that arrived is answered', to: '07700 900117', answered: 1 },
  { says: 'to a number that takes no texts is answered by nobody', to: '07700 900119', answered: 0 },
  { says: 'to a telephone that is off is answered by nobody', to: '07700 900118', answered: 0 },
])('a text $says', ({ to, answered }) => {
  const floor = aLiveFloor('quiet', null)
  floor.give({ kind: 'startShift', agentId: ELUNED, queueIds: [SAILINGS], seat: 'desk' })
  floor.give({ kind: 'goReady', agentId: ELUNED })
  expect(floor.give({ kind: 'openThread', agentId: ELUNED, channel: 'text', queueId: SAILINGS, to, subject: '', text: 'Your sailing leaves at 18:45.' })).toBe(
    'ok',
  )
  floor.pass(MINUTE)
  const written = of(floor.entries, 'threadWritten').filter((e) => e.event.kind === 'threadWritten' && e.event.byAgentId === null)
  expect([of(floor.entries, 'threadDelivered'), written].map((e) => e.length)).toEqual([1, answered])
})
