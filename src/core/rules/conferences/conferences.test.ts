import { describe, expect, test } from 'vitest'
import { whoHearsWhom } from '@/core/calls'
import { isOpenAt, type Plan, presentAt } from '@/core/conferences'
import type { Command } from '@/core/floor'
import { deviceOfAgent, deviceOutside, toCallId, toConferenceId, toQueueId } from '@/core/ids'
import { get, must, values } from '@/core/table'
import { ANN, aFloor, BO, CY, SECOND_QUEUE, SMALL, START_MS, type TestFloor } from '@/core/testing'
import { HOUR, MINUTE } from '@/core/time'

const NUMBER = '+441632960999'
const WITH_LINE: typeof SMALL = {
  ...SMALL,
  conferenceNumber: NUMBER,
  agents: SMALL.agents.map((a) => (a.id === CY ? { ...a, queueIds: [SECOND_QUEUE] } : a)),
}
const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: string, n = 1, more: object = {}, agentId = ANN) => ({ kind, agentId, callId: call(n), ...more }) as Command
const PLAN: Plan = {
  title: ' Winter boats ',
  startsAtMs: START_MS + HOUR,
  lastsMs: 30 * MINUTE,
  timeZone: 'Europe/London',
  note: '',
  invited: [
    { kind: 'agent', agentId: BO },
    { kind: 'outside', name: 'Port office', number: '+441632960140', email: 'port@example.com' },
  ],
}
const plans = (more: Partial<Plan> = {}, agentId = ANN): Command => ({ kind: 'planConference', agentId, plan: { ...PLAN, ...more } })
const theOne = (floor: TestFloor) => values(floor.state().conferences)[0] ?? { id: toConferenceId('conference_none'), code: '', attended: [] }
const joins = (floor: TestFloor, agentId = ANN): Command => ({ kind: 'joinConference', agentId, conferenceId: theOne(floor).id })

/** Ann and Bo on shift, one conference planned for in an hour; `waits` until it is on. */
const planned = (waits = HOUR, plan: Partial<Plan> = {}): TestFloor => {
  const floor = aFloor(WITH_LINE)
  for (const agentId of [ANN, BO, CY]) expect(floor.give({ kind: 'startShift', agentId, queueIds: [SECOND_QUEUE], seat: 'desk' } as Command)).toBe('ok')
  expect(floor.give(plans(plan))).toBe('ok')
  floor.give({ kind: 'passTime' }, waits)
  return floor
}
const there = (floor: TestFloor) => presentAt(theOne(floor) as Parameters<typeof presentAt>[0]).map((a) => a.name)

describe('arranging', () => {
  test.each<{ says: string; plan: Partial<Plan>; then: string }>([
    { says: 'a title, a time, who', plan: {}, then: 'ok' },
    { says: 'no title', plan: { title: '  ' }, then: 'conferenceUntitled' },
    { says: 'in the past', plan: { startsAtMs: START_MS - HOUR }, then: 'conferencePast' },
    { says: 'in no zone', plan: { timeZone: 'Nowhere/At all' }, then: 'conferenceZoneUnknown' },
    { says: 'with nobody yet', plan: { invited: [] }, then: 'ok' },
    { says: 'with a queue that is not there', plan: { invited: [{ kind: 'queue', queueId: toQueueId('queue_none') }] }, then: 'invitedUnknown' },
  ])('$says: $then', ({ plan, then }) => expect(aFloor(WITH_LINE).give(plans(plan))).toBe(then))

  test('codes are six digits and differ; the host and who supervises may change it, nobody else', () => {
    const floor = aFloor(WITH_LINE)
    for (let i = 0; i < 20; i++) floor.give(plans())
    const codes = values(floor.state().conferences).map((c) => c.code)
    expect(new Set(codes).size).toBe(20)
    expect(codes.every((c) => /^\d{6}$/.test(c))).toBe(true)
    const { id: conferenceId } = theOne(floor)
    expect(floor.give({ kind: 'cancelConference', agentId: BO, conferenceId })).toBe('notYourConference')
    const renamed = { kind: 'replanConference', agentId: ANN, conferenceId, sequence: 0, plan: { ...PLAN, title: 'Later' } } as const
    expect(floor.give(renamed)).toBe('ok')
    // Written over a plan that is not the one that stands: two people may have it open.
    expect(floor.give({ ...renamed, plan: { ...PLAN, title: 'Sooner' } })).toBe('conferenceChanged')
    expect(theOne(floor)).toMatchObject({ plan: { title: 'Later' }, sequence: 1 })
    expect(floor.give({ kind: 'cancelConference', agentId: ANN, conferenceId })).toBe('ok')
    expect(floor.give({ kind: 'cancelConference', agentId: ANN, conferenceId })).toBe('conferenceOver')
  })
})

describe('coming in with one press', () => {
  test.each<{ says: string; waits: number; who: typeof ANN; plan?: Partial<Plan>; then: string }>([
    { says: 'its host', waits: HOUR, who: ANN, then: 'ok' },
    { says: 'who is invited', waits: HOUR, who: BO, then: 'ok' },
    { says: 'who is not', waits: HOUR, who: CY, then: 'notInvited' },
    { says: 'who serves a queue that is', waits: HOUR, who: CY, plan: { invited: [{ kind: 'queue', queueId: SECOND_QUEUE }] }, then: 'ok' },
    { says: 'a quarter of an hour before', waits: 46 * MINUTE, who: BO, then: 'ok' },
    { says: 'sooner', waits: 40 * MINUTE, who: BO, then: 'conferenceNotYet' },
    { says: 'when it is long over', waits: 3 * HOUR, who: BO, then: 'conferenceOver' },
  ])('$says: $then', ({ waits, who, plan, then }) => {
    const floor = planned(waits, plan)
    expect(floor.give(joins(floor, who))).toBe(then)
  })

  test('the first waits alone, the others come to them, the host may leave, and it ends with the last', () => {
    const floor = planned()
    expect(floor.give(joins(floor))).toBe('ok')
    expect(floor.give(joins(floor))).toBe('alreadyInConference')
    expect(must(floor.state().agents, ANN).state.name).toBe('internalCall')
    expect(floor.give(joins(floor, BO))).toBe('ok')
    const ears = whoHearsWhom(must(floor.state().calls, call(1)), () => false)
    expect(ears.map((e) => [e.listener, e.hears]).toSorted()).toEqual([
      [deviceOfAgent(ANN), 'voice'],
      [deviceOfAgent(BO), 'voice'],
    ])
    expect(there(floor)).toEqual(['Ann', 'Bo'])
    expect(floor.give(on('hangUp'))).toBe('ok')
    expect(there(floor)).toEqual(['Bo'])
    expect(floor.give(joins(floor))).toBe('ok')
    floor.give(on('hangUp'), 60_000)
    floor.give(on('hangUp', 1, {}, BO))
    expect([floor.state().calls.size, there(floor)]).toEqual([0, []])
    expect(theOne(floor).attended.map((a) => [a.name, a.toMs !== null])).toEqual([
      ['Ann', true],
      ['Bo', true],
      ['Ann', true],
    ])
    // Nobody owes anything for a talk among colleagues.
    expect(values(floor.state().agents).flatMap((a) => [...a.wrapUps, ...a.owed])).toEqual([])
  })
})

describe('dialling in with the code', () => {
  const rings: Command = { kind: 'conferenceLineRings', number: '+441632960140', customer: null }
  const keys = (n: number, digits: string): Command => ({ kind: 'callerKeys', callId: call(n), digits })

  test('from outside: asked for the code, a wrong one said, the right one leads in, digit by digit', () => {
    const floor = planned()
    floor.give(joins(floor))
    expect(floor.give(rings)).toBe('ok')
    expect(floor.give(keys(2, '000000'))).toBe('ok')
    expect(get(floor.state().calls, call(2))?.connections.find((c) => c.party.kind === 'conferenceLine')?.said).toContain('No conference')
    for (const digit of theOne(floor).code) floor.give(keys(2, digit))
    expect(get(floor.state().calls, call(2))).toBeUndefined()
    expect(must(floor.state().calls, call(1)).connections.map((c) => [c.party.kind, c.state])).toEqual([
      ['agent', 'connected'],
      ['outside', 'connected'],
    ])
    expect(theOne(floor).attended).toMatchObject([{ agentId: ANN }, { agentId: null, number: '+441632960140' }])
    // With somebody from outside it is work, and whoever leaves it owes an outcome.
    floor.give({ kind: 'callerHangsUp', callId: call(1), deviceId: deviceOutside(call(1), 1) } as Command, 9_000)
    expect(there(floor)).toEqual(['Ann'])
    floor.give(on('hangUp'))
    expect(must(floor.state().agents, ANN).wrapUps).toHaveLength(1)
  })

  test('left alone they are let go, and with one other they are not parked over their head', () => {
    const floor = planned()
    floor.give(joins(floor))
    floor.give(rings)
    for (const digit of theOne(floor).code) floor.give(keys(2, digit))
    expect(floor.give(on('park'))).toBe('parkOnlyOne')
    floor.give(joins(floor, BO))
    floor.give(on('hangUp'))
    expect(must(floor.state().calls, call(1)).connections.map((c) => c.party.kind)).toEqual(['outside', 'agent'])
    floor.give(on('hangUp', 1, {}, BO))
    expect([floor.state().calls.size, there(floor)]).toEqual([0, []])
  })

  test('three wrong ones, and the line hangs up', () => {
    const floor = planned()
    floor.give(rings)
    for (let i = 0; i < 3; i++) floor.give(keys(1, '000000'))
    expect(floor.state().calls.size).toBe(0)
    expect(floor.give(keys(1, '1'))).toBe('notOnConferenceLine')
  })

  test('an agent who is not invited dials the number and keys it: first in, their call is the conference', () => {
    const floor = planned()
    expect(floor.give({ kind: 'makeCall', agentId: CY, typed: NUMBER, customer: null } as Command)).toBe('ok')
    const line = must(floor.state().calls, call(1)).connections.find((c) => c.party.kind === 'conferenceLine')
    floor.give({ kind: 'digitsHeard', callId: call(1), deviceId: line?.deviceId, digits: theOne(floor).code } as Command)
    expect(there(floor)).toEqual(['Cy'])
    expect(floor.give(joins(floor, BO))).toBe('ok')
    expect(must(floor.state().calls, call(1)).connections).toHaveLength(2)
  })

  test('nobody is sent there, and without a number there is no line', () => {
    const floor = planned()
    floor.give(joins(floor))
    expect(floor.give(on('addParty', 1, { target: { kind: 'number', typed: NUMBER, name: null } }))).toBe('conferenceLineAlone')
    expect(aFloor(SMALL).give(rings)).toBe('noConferenceLine')
  })
})

test('everybody from outside is muted but the one who speaks, and heard again when they do', () => {
  const floor = planned()
  floor.give(joins(floor))
  for (let n = 0; n < 2; n++) {
    floor.give({ kind: 'conferenceLineRings', number: `+44163296014${n}`, customer: null })
    floor.give({ kind: 'callerKeys', callId: call(2 + n), digits: theOne(floor).code })
  }
  const silenced = () =>
    must(floor.state().calls, call(1))
      .connections.filter((c) => c.silenced)
      .map((c) => c.deviceId)
  expect(floor.give(on('muteOthers', 1, { deviceId: deviceOutside(call(1), 1) }))).toBe('ok')
  expect(silenced()).toEqual([deviceOutside(call(1), 2)])
  expect(floor.give(on('muteOthers', 1, { deviceId: deviceOutside(call(1), 1) }))).toBe('partyMuteUnchanged')
  expect(floor.give(on('muteOthers', 1, { deviceId: deviceOutside(call(1), 2) }))).toBe('ok')
  expect(silenced()).toEqual([deviceOutside(call(1), 1)])
  expect(isOpenAt({ plan: PLAN, cancelledAtMs: 1 }, PLAN.startsAtMs)).toBe(false)
})
