import { describe, expect, test } from 'vitest'
import { carriesWork, whoHearsWhom } from '@/core/calls'
import type { Command } from '@/core/floor'
import { deviceOfAgent, deviceOutside, toAgentId, toCallId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { measure, occupancy } from '@/core/reports'
import { get, must } from '@/core/table'
import { ANN, aFloor, aReadyFloor, arrives, BO, CY, FIRST, SMALL, type TestFloor } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: string, n = 1, more: object = {}, agentId = ANN) => ({ kind, agentId, callId: call(n), ...more }) as Command
const calls = (toAgentId = BO, agentId = ANN): Command => ({ kind: 'callColleague', agentId, toAgentId, at: 'desk' })
const leaves = (toAgentId = BO): Command => ({ kind: 'callColleague', agentId: ANN, toAgentId, at: 'voicemail' })
const asks = (text = 'Have you a minute?', toAgentId = BO): Command => ({ kind: 'askFirst', agentId: ANN, toAgentId, text })
const answers = (answer: 'now' | 'soon' | 'no'): Command => ({ kind: 'answerQuestion', agentId: BO, byAgentId: ANN, answer })
const whenFree = (toAgentId = BO, agentId = ANN): Command => ({ kind: 'callWhenFree', agentId, toAgentId })
const divertsTo = (to: object | null): Command => ({ kind: 'setDiversion', agentId: BO, to }) as Command
const far = (report: string, n = 1): Command => ({ kind: 'farEnd', callId: call(1), deviceId: deviceOutside(call(1), n), report }) as Command
const TALKING = [calls(), on('answer', 1, {}, BO)]
const OWN_PHONE = { kind: 'number', typed: '01632 960140' }

/** Ann and Bo ready, Cy off shift. */
const floorAfter = (given: readonly Command[], setUp = SMALL): TestFloor => {
  const floor = setUp === SMALL ? aReadyFloor([ANN, BO]) : aFloor(setUp)
  for (const command of given) expect(floor.give(command), JSON.stringify(command)).toBe('ok')
  return floor
}
const stateOf = (floor: TestFloor, agentId = ANN) => must(floor.state().agents, agentId).state.name
const connections = (floor: TestFloor, n = 1) => get(floor.state().calls, call(n))?.connections.map((c) => [c.party.kind, c.state, c.failure])
const kinds = (floor: TestFloor) => floor.entries.map((e) => e.event.kind)
const recordsOf = (floor: TestFloor) => {
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  return folder
}
const OPTIONS = { nowMs: Date.UTC(2027, 0), serviceLevelMs: () => 20_000, disagrees: () => false }

describe('what colleagues may ask of each other', () => {
  test.each<{ says: string; given: Command[]; when: Command; then: string }>([
    { says: 'a colleague who is free', given: [], when: calls(), then: 'ok' },
    { says: 'in wrap-up, which waits meanwhile', given: [arrives(), on('answer'), on('hangUp')], when: calls(), then: 'ok' },
    { says: 'not yourself', given: [], when: calls(ANN), then: 'targetSelf' },
    { says: 'nobody who does not exist', given: [], when: calls(toAgentId('agent_nobody')), then: 'targetUnknown' },
    { says: 'nobody off shift', given: [], when: calls(CY), then: 'targetOffShift' },
    { says: 'the mailbox of somebody off shift', given: [], when: leaves(CY), then: 'ok' },
    { says: 'not beside another call', given: [arrives(), on('answer')], when: calls(), then: 'callUnderWay' },
    { says: 'not while something rings', given: [arrives()], when: calls(), then: 'callRings' },
    { says: 'not from one internal call into another', given: TALKING, when: leaves(CY), then: 'callUnderWay' },
    { says: 'again, after a try that came to nothing', given: [calls(), on('decline', 1, {}, BO)], when: calls(), then: 'ok' },
    { says: 'a question', given: [], when: asks(), then: 'ok' },
    { says: 'not an empty one', given: [], when: asks('  '), then: 'questionEmpty' },
    { says: 'none of somebody off shift', given: [], when: asks('Well?', CY), then: 'targetOffShift' },
    { says: 'none of who is not to be disturbed', given: [{ kind: 'setDoNotDisturb', agentId: BO, on: true }], when: asks(), then: 'takesNoQuestions' },
    { says: 'also in the middle of a call', given: [arrives(), on('answer')], when: asks(), then: 'ok' },
    { says: 'an answer needs a question', given: [], when: answers('no'), then: 'noSuchQuestion' },
    { says: 'an answer is given once', given: [asks(), answers('soon')], when: answers('no'), then: 'noSuchQuestion' },
    {
      says: '“now” is no answer in the middle of a call',
      given: [{ kind: 'goNotReady', agentId: ANN, reason: 'Break' }, arrives(), on('answer', 1, {}, BO), asks()],
      when: answers('now'),
      then: 'callUnderWay',
    },
    { says: 'an answer is put away', given: [asks(), answers('no')], when: { kind: 'closeQuestion', agentId: ANN, toAgentId: BO }, then: 'ok' },
    { says: 'nothing is put away twice', given: [], when: { kind: 'closeQuestion', agentId: ANN, toAgentId: BO }, then: 'noSuchQuestion' },
    { says: 'a call when free is wished once', given: [arrives(), on('answer'), whenFree()], when: whenFree(), then: 'alreadyWished' },
    { says: 'and dropped once', given: [], when: { kind: 'dropCallWhenFree', agentId: ANN, toAgentId: BO }, then: 'nothingWished' },
  ])('$says: $then', ({ given, when, then }) => expect(floorAfter(given).give(when)).toBe(then))
})

describe('a call between colleagues', () => {
  test('rings, is talked on, held and ended like any, is nobody’s work, and leaves both as they were', () => {
    const floor = floorAfter([calls()])
    expect([stateOf(floor), stateOf(floor, BO)]).toEqual(['internalCall', 'ringing'])
    floor.give(on('answer', 1, {}, BO))
    const talking = must(floor.state().calls, call(1))
    expect(whoHearsWhom(talking, () => false).map((e) => e.hears)).toEqual(['voice', 'voice'])
    expect([stateOf(floor), stateOf(floor, BO), carriesWork(talking), floor.state().work.size]).toEqual(['internalCall', 'internalCall', false, 0])
    // Nobody who is on one is offered a call of a queue.
    floor.give(arrives())
    expect(connections(floor, 2)).toEqual([
      ['outside', 'connected', null],
      ['queue', 'queued', null],
    ])
    expect(floor.give(on('hold', 1, {}, BO))).toBe('ok')
    expect(floor.give(on('retrieve', 1, {}, BO))).toBe('ok')
    expect(floor.give(on('hangUp'))).toBe('ok')
    expect(must(floor.state().agents, ANN)).toMatchObject({ wrapUps: [], owed: [] })
    expect(must(floor.state().agents, BO)).toMatchObject({ wrapUps: [], owed: [] })
    // Both are free at once, and the one who was ready longer gets whoever waited.
    expect([stateOf(floor), stateOf(floor, BO)].toSorted()).toEqual(['ready', 'ringing'])
  })

  test.each<{ says: string; given: Command[]; leaves: unknown }>([
    {
      says: 'busy',
      given: [arrives(), on('answer'), calls(ANN, BO)],
      leaves: [
        ['agent', 'connected', null],
        ['agent', 'failed', 'busy'],
      ],
    },
    {
      says: 'declined',
      given: [calls(), on('decline', 1, {}, BO)],
      leaves: [
        ['agent', 'connected', null],
        ['agent', 'failed', 'refused'],
      ],
    },
    {
      says: 'do not disturb',
      given: [{ kind: 'setDoNotDisturb', agentId: BO, on: true }, calls()],
      leaves: [
        ['agent', 'connected', null],
        ['voicemail', 'connected', null],
      ],
    },
    {
      says: 'diverted to voicemail',
      given: [divertsTo({ kind: 'voicemail' }), calls()],
      leaves: [
        ['agent', 'connected', null],
        ['voicemail', 'connected', null],
      ],
    },
    {
      says: 'diverted to their own telephone',
      given: [divertsTo(OWN_PHONE), calls(), far('ringing')],
      leaves: [
        ['agent', 'connected', null],
        ['outside', 'alerting', null],
      ],
    },
  ])('$says: what the caller is left with', ({ says, given, leaves: then }) => {
    const floor = floorAfter(given)
    expect(connections(floor, says === 'busy' ? 2 : 1)).toEqual(then)
  })

  test('not answered: said to who called, and the colleague stays ready', () => {
    const floor = floorAfter([calls()])
    floor.give({ kind: 'passTime' }, SMALL.ringLimitMs + 1)
    expect(connections(floor)).toEqual([
      ['agent', 'connected', null],
      ['agent', 'failed', 'noAnswer'],
    ])
    expect(stateOf(floor, BO)).toBe('ready')
    // The mailbox takes the place of the try.
    expect(floor.give(leaves())).toBe('ok')
    expect(connections(floor)).toBeUndefined()
    expect(connections(floor, 2)).toEqual([
      ['agent', 'connected', null],
      ['voicemail', 'connected', null],
    ])
  })

  test('a colleague at another telephone is nobody from outside; somebody who is brought in makes it work, owed by whoever is left with them', () => {
    const floor = floorAfter([divertsTo(OWN_PHONE), calls(), far('ringing'), far('answered')])
    expect([stateOf(floor), floor.state().work.size]).toEqual(['internalCall', 0])
    expect(floor.give(on('addParty', 1, { target: { kind: 'number', typed: '01632 960112', name: 'Harbour' } }))).toBe('ok')
    expect([stateOf(floor), get(floor.state().work, call(1))?.handledBy]).toEqual(['onCall', ANN])
    floor.give(far('ringing', 2))
    floor.give(far('answered', 2))
    floor.give(on('endForEveryone'))
    expect(must(floor.state().agents, ANN).wrapUps.map((w) => w.callId)).toEqual([call(1)])
  })

  test('handed on to somebody outside, the colleague goes on with them and owes', () => {
    const floor = floorAfter([...TALKING, on('transfer', 1, { target: { kind: 'number', typed: '01632 960112', name: null } })])
    expect(get(floor.state().work, call(1))?.handledBy).toBe(BO)
    expect(stateOf(floor, BO)).toBe('onCall')
  })

  test('a consult within one stays internal, and joined they are a conference of colleagues', () => {
    const floor = floorAfter([...TALKING, { kind: 'startShift', agentId: CY, queueIds: [FIRST], seat: 'desk' }])
    for (const command of [on('consult', 1, { target: { kind: 'agent', agentId: CY } }), on('answer', 2, {}, CY)]) expect(floor.give(command)).toBe('ok')
    expect([stateOf(floor), stateOf(floor, CY), get(floor.state().calls, call(2))?.workId]).toEqual(['internalCall', 'internalCall', null])
    expect(floor.give(on('conference', 2))).toBe('ok')
    expect(connections(floor)?.length).toBe(3)
    expect(floor.state().work.size).toBe(0)
  })

  test('is in no figure but its own: not in handle time, occupancy or wrap-up, which waits meanwhile', () => {
    const floor = floorAfter([arrives(), on('answer')])
    floor.give(on('hangUp'), 10_000)
    floor.give(calls(), 5_000)
    floor.give(on('answer', 2, {}, BO), 2_000)
    floor.give(on('hangUp', 2), 30_000)
    floor.give({ kind: 'saveOutcome', agentId: ANN, callId: call(1), code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } } as Command, 3_000)
    const folder = recordsOf(floor)
    const internal = folder.records().find((r) => r.direction === 'internal')
    expect(internal).toMatchObject({ result: 'handled', outcome: null, agents: [{ agentId: ANN }, { agentId: BO, talkMs: 30_000, ringMs: 2_000 }] })
    expect(measure(folder.records(), OPTIONS)).toMatchObject({ offered: 1, handledLegs: 1, ahtMs: 10_000 + 5_000 + 3_000, uncoded: 0 })
    const mine = folder.intervals(floor.state().atMs).filter((i) => i.agentId === ANN)
    expect(mine.map((i) => [i.state, i.toMs - i.fromMs]).slice(-3)).toEqual([
      ['wrapUp', 5_000],
      ['internalCall', 32_000],
      ['wrapUp', 3_000],
    ])
    expect(occupancy(mine).internalMs).toBe(32_000)
  })
})

describe('whom a call passed by stands in its record, with who had called', () => {
  test.each<{ says: string; given: Command[]; inMs?: number; then: unknown[] }>([
    { says: 'given up while it rang', given: [calls(), on('hangUp')], then: [{ agentId: BO, how: 'hungUp', byAgentId: ANN }] },
    { says: 'declined', given: [calls(), on('decline', 1, {}, BO), on('hangUp')], then: [{ agentId: BO, how: 'declined', byAgentId: ANN }] },
    { says: 'a message left', given: [leaves(), on('hangUp')], then: [{ agentId: BO, how: 'voicemail', byAgentId: ANN }] },
    { says: 'answered', given: [...TALKING, on('hangUp')], then: [] },
    {
      says: 'a consult declined',
      given: [
        arrives(),
        on('answer'),
        on('consult', 1, { target: { kind: 'agent', agentId: BO } }),
        on('decline', 2, {}, BO),
        on('endConsult', 2),
        on('hangUp'),
      ],
      then: [{ agentId: BO, how: 'declined', byAgentId: ANN }],
    },
    {
      says: 'a caller declined here and taken there',
      given: [arrives(), on('decline'), on('answer', 1, {}, BO), on('hangUp', 1, {}, BO)],
      then: [{ agentId: ANN, how: 'declined', byAgentId: null }],
    },
  ])('$says', ({ given, then }) => expect(recordsOf(floorAfter(given)).records()[0]?.missedBy).toMatchObject(then))
})

describe('asked first, and called when free', () => {
  test('“now” calls back and the question is done with; the other answers wait to be read', () => {
    const floor = floorAfter([asks(), answers('now')])
    expect(floor.state().questions.size).toBe(0)
    expect([stateOf(floor), stateOf(floor, BO)]).toEqual(['ringing', 'internalCall'])
    const other = floorAfter([asks(), answers('soon')])
    expect([...other.state().questions.values()]).toMatchObject([{ byAgentId: ANN, toAgentId: BO, answered: { answer: 'soon' } }])
  })

  test('rings at both once both are free, behind whoever waits in a queue; either may decline, and it is over', () => {
    const floor = floorAfter([arrives(), on('answer'), whenFree(BO)])
    expect(floor.state().whenFree.size).toBe(1)
    floor.give(on('hangUp'))
    expect(floor.state().whenFree.size).toBe(1)
    floor.give({ kind: 'saveOutcome', agentId: ANN, callId: call(1), code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } } as Command)
    expect(floor.state().whenFree.size).toBe(0)
    expect([stateOf(floor), stateOf(floor, BO)]).toEqual(['ringing', 'ringing'])
    expect(floor.give(on('answer', 2, {}, BO))).toBe('ok')
    expect(whoHearsWhom(must(floor.state().calls, call(2)), () => false).find((e) => e.listener === deviceOfAgent(BO))?.hears).toBe('ringing')
    expect(floor.give(on('answer', 2))).toBe('ok')
    expect([stateOf(floor), stateOf(floor, BO)]).toEqual(['internalCall', 'internalCall'])
  })

  test.each([
    { says: 'declined by the one who wished it', commands: [on('decline')] },
    { says: 'declined by the other', commands: [on('decline', 1, {}, BO)] },
    { says: 'answered by neither', commands: [{ kind: 'passTime' } as Command] },
  ])('$says: both are free again', ({ commands }) => {
    const floor = floorAfter([whenFree()])
    for (const command of commands) floor.give(command, command.kind === 'passTime' ? SMALL.ringLimitMs + 1 : 100)
    expect(floor.state().calls.size).toBe(0)
    expect([stateOf(floor), stateOf(floor, BO)]).toEqual(['ready', 'ready'])
  })

  test('who goes home takes their questions and wishes along', () => {
    const floor = floorAfter([asks(), { kind: 'goNotReady', agentId: BO, reason: 'Break' }, whenFree(), { kind: 'endShift', agentId: BO }])
    expect([floor.state().questions.size, floor.state().whenFree.size]).toEqual([0, 0])
    expect(kinds(floor).slice(-2)).toEqual(['questionClosed', 'callWhenFreeEnded'])
  })
})
