// A desk that vanishes leaves no caller alone, and one that comes back in time finds everything as it was.
import { describe, expect, test } from 'vitest'
import { DESK_GRACE_MS, UNATTENDED_MS } from '@/core/agents'
import { whoHearsWhom } from '@/core/calls'
import { broken, type Command } from '@/core/floor'
import { type AgentId, toCallId } from '@/core/ids'
import { DESK_LOST, SetUpSchema } from '@/core/set-up'
import { copyOf, nextDueAtMs } from '@/core/state'
import { get, values } from '@/core/table'
import { ANN, aCrowdedFloor, aFloor, aReadyFloor, arrives, BO, FIRST, MANY, SMALL, type TestFloor } from '@/core/testing'
import { MINUTE, SECOND } from '@/core/time'

const CALL = toCallId('call_test_1')
const lost = (agentId = ANN): Command => ({ kind: 'reportDeskLost', agentId })
const back = (agentId = ANN): Command => ({ kind: 'reportDeskBack', agentId })
const on = (kind: 'answer' | 'hold' | 'retrieve' | 'hangUp', agentId = ANN, callId = CALL): Command => ({ kind, agentId, callId })
const agent = (floor: TestFloor, id = ANN) => get(floor.state().agents, id)
const call = (floor: TestFloor) => get(floor.state().calls, CALL)
const ends = (floor: TestFloor) => call(floor)?.connections.map((c) => `${c.party.kind} ${c.state}`)
const told = (floor: TestFloor) => floor.entries.flatMap(({ event }) => (event.kind === 'callerTold' ? [event.text] : []))
/** Lets everything happen that is due until then. */
function pass(floor: TestFloor, ms: number): void {
  const untilMs = floor.state().atMs + ms
  for (let due = nextDueAtMs(floor.state()); due !== null && due <= untilMs; due = nextDueAtMs(floor.state()))
    floor.give({ kind: 'passTime' }, Math.max(0, due - floor.state().atMs))
  floor.give({ kind: 'passTime' }, Math.max(0, untilMs - floor.state().atMs))
}
const talking = (agents = [ANN]): TestFloor => {
  const floor = aReadyFloor(agents)
  floor.give(arrives())
  floor.give(on('answer'))
  return floor
}

describe('in a call', () => {
  test('back within the grace everything is as it was: the caller heard music meanwhile, and nobody else', () => {
    const floor = talking()
    const before = copyOf(floor.state())
    floor.give(lost())
    expect(agent(floor)).toMatchObject({ state: { name: 'onCall' }, availability: { ready: false, reason: DESK_LOST } })
    expect(ends(floor)).toEqual(['outside connected', 'agent held'])
    const held = call(floor)
    expect(held && whoHearsWhom(held, () => false).map((e) => e.hears)).toEqual(['music', 'silence'])
    pass(floor, DESK_GRACE_MS - 10 * SECOND)
    floor.give(back())
    expect(ends(floor)).toEqual(['outside connected', 'agent connected'])
    const now = agent(floor)
    expect([now?.availability, now?.shift?.deskLost, now?.shift?.deskWasLost]).toEqual([get(before.agents, ANN)?.availability, null, null])
  })

  test('not back in time, its caller is told, is first in the queue again and is talked to by the next one; the agent finds what happened', () => {
    const floor = talking([ANN, BO])
    // Somebody else is waiting behind two who are busy.
    floor.give(arrives())
    floor.give(on('answer', BO, toCallId('call_test_2')))
    floor.give(arrives())
    floor.give(lost())
    pass(floor, DESK_GRACE_MS)
    expect(told(floor).at(-1)).toMatch(/^The line to the person you were talking with was lost/)
    expect(floor.state().waiting[FIRST]).toEqual([CALL, toCallId('call_test_3')])
    expect(agent(floor)).toMatchObject({ engagements: [], state: { name: 'wrapUp' } })
    floor.give(on('hangUp', BO, toCallId('call_test_2')))
    floor.give({ kind: 'saveOutcome', agentId: BO, callId: toCallId('call_test_2'), code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } })
    expect(floor.give(on('answer', BO))).toBe('ok')
    expect(ends(floor)).toContain('agent connected')
    floor.give(back())
    expect(agent(floor)?.shift).toMatchObject({ deskLost: null, deskWasLost: { fromMs: expect.any(Number), toMs: floor.state().atMs } })
    expect(agent(floor)?.availability).toEqual({ ready: false, reason: DESK_LOST })
    floor.give({ kind: 'saveOutcome', agentId: ANN, callId: CALL, code: 'done', notes: 'Cut off', followUp: '', andThen: { state: 'ready' } })
    expect(agent(floor)?.shift?.deskWasLost).toBeNull()
  })

  test.each(['head', 'anyLevel'] as const)(
    'its caller goes where the queue says (%s): to the next of its agents, or at once to one of too low a level',
    (deskLostTo) => {
      const able = (id: AgentId) => ({ skills: [{ skillId: 'skill_craft', level: id === ANN ? 3 : 1 }] })
      const floor = aFloor(
        SetUpSchema.parse({
          ...SMALL,
          skills: [{ id: 'skill_craft', name: 'Craft' }],
          agents: SMALL.agents.map((a) => ({ ...a, ...able(a.id) })),
          queues: SMALL.queues.map((q) => (q.id === FIRST ? { ...q, deskLostTo, needs: [{ skillId: 'skill_craft', level: 3 }] } : q)),
        }),
      )
      for (const agentId of [ANN, BO])
        for (const kind of ['startShift', 'goReady'] as const)
          floor.give(kind === 'goReady' ? { kind, agentId } : { kind, agentId, queueIds: [FIRST], seat: 'desk' })
      floor.give(arrives())
      floor.give(on('answer'))
      floor.give(lost())
      pass(floor, DESK_GRACE_MS)
      expect(agent(floor, BO)?.state.name).toBe(deskLostTo === 'head' ? 'ready' : 'ringing')
      expect(broken(floor.state())).toEqual([])
    },
  )

  test('through a telephone of their own they go on talking, and are offered nothing more', () => {
    const floor = talking()
    floor.give({ kind: 'chooseSoundPath', agentId: ANN, path: 'ownPhone' })
    floor.give(lost())
    pass(floor, DESK_GRACE_MS + MINUTE)
    expect(ends(floor)).toEqual(['outside connected', 'agent connected'])
    floor.give(arrives())
    expect(agent(floor)?.engagements).toHaveLength(1)
  })
})

describe('without a call', () => {
  test('whoever was ready is offered nothing, and is ready again when the desk is back in time', () => {
    const floor = aReadyFloor([ANN])
    floor.give(lost())
    floor.give(arrives())
    expect(ends(floor)).toEqual(['outside connected', 'queue queued'])
    floor.give(back(), 20 * SECOND)
    expect(agent(floor)?.state.name).toBe('ringing')
  })

  test('what rings there rings at the next one, with its place, and nobody is said to have missed it', () => {
    const floor = aReadyFloor([ANN, BO])
    floor.give(arrives())
    expect(agent(floor)?.state.name).toBe('ringing')
    floor.give(lost())
    expect([agent(floor)?.state.reason, agent(floor, BO)?.state.name]).toEqual([DESK_LOST, 'ringing'])
  })

  test('a break is still a break, and nothing is said twice', () => {
    const floor = aReadyFloor([ANN])
    floor.give({ kind: 'goNotReady', agentId: ANN, reason: 'Lunch' })
    for (const again of [lost(), lost()]) floor.give(again)
    expect(agent(floor)?.state).toMatchObject({ name: 'notReady', reason: 'Lunch' })
    for (const again of [back(), back()]) floor.give(again)
    expect(floor.entries.filter(({ event }) => event.kind === 'deskLost' || event.kind === 'deskBack')).toHaveLength(2)
    expect(floor.give(lost(BO))).toBe('ok')
    expect(agent(floor, BO)?.shift).toBeNull()
  })

  test('a shift nobody sits at ends by itself, what it owes is left for the next one, which says what happened, and time stands nowhere still', () => {
    const floor = talking()
    floor.give(lost())
    const fromMs = floor.state().atMs
    pass(floor, UNATTENDED_MS + 2 * MINUTE)
    expect(agent(floor)).toMatchObject({ shift: null, owed: [{ callId: CALL, because: 'leftForLater' }] })
    expect(nextDueAtMs(floor.state()) ?? Infinity).toBeGreaterThan(floor.state().atMs)
    floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })
    expect(agent(floor)?.shift?.deskWasLost).toEqual({ fromMs, toMs: fromMs + UNATTENDED_MS, endedShift: true })
    // Told once: neither in the shift after it nor after a shift that its agent ended.
    floor.give({ kind: 'saveOutcome', agentId: ANN, callId: CALL, code: 'done', notes: '', followUp: '', andThen: { state: 'notReady', reason: 'Lunch' } })
    floor.give({ kind: 'endShift', agentId: ANN })
    floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })
    expect(agent(floor)?.shift?.deskWasLost).toBeNull()
  })
})

test('whatever goes on, a desk that vanishes breaks no law, and everybody who was talked to is heard by somebody or waits for somebody', () => {
  const floor = aCrowdedFloor()
  for (let i = 0; i < 9; i++) floor.give(arrives(), 200)
  for (const agentId of MANY) for (const { callId } of agent(floor, agentId)?.engagements ?? []) floor.give({ kind: 'answer', agentId, callId })
  const [first, second] = MANY.filter((id) => agent(floor, id)?.state.name === 'onCall') as [typeof ANN, typeof ANN]
  const callId = agent(floor, first)?.engagements[0]?.callId as typeof CALL
  floor.give({ kind: 'consult', agentId: first, callId, target: { kind: 'agent', agentId: second } } as Command)
  for (const id of MANY) floor.give(lost(id), 300)
  pass(floor, DESK_GRACE_MS + 10 * SECOND)
  expect(broken(floor.state())).toEqual([])
  for (const { connections } of values(floor.state().calls)) {
    if (!connections.some((c) => c.party.kind === 'outside' && c.state === 'connected')) continue
    expect(connections.some((c) => c.party.kind === 'agent' && c.state !== 'failed') || connections.some((c) => c.state === 'queued')).toBe(true)
  }
  pass(floor, UNATTENDED_MS + 2 * MINUTE)
  expect(MANY.every((id) => agent(floor, id)?.shift === null)).toBe(true)
})
