import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toAgentId, toCallId } from '@/core/ids'
import { ANN, BO, FIRST, IDA, NUMBER, save, talked } from '@/core/testing'

describe('the do-not-call list', () => {
  const SUE = 'agent_sue' as never
  const add = (whom: object, more: object = {}): Command => ({ kind: 'addDoNotCall', agentId: ANN, entries: [{ whom, why: 'Asked us' }], ...more }) as Command
  const listed = (whom: object) => {
    const floor = talked()
    floor.give(save('done'))
    expect(floor.give(add(whom))).toBe('ok')
    return floor
  }
  const dial = (more: object = {}): Command => ({ kind: 'makeCall', agentId: ANN, typed: '01632 960112', customer: IDA, ...more }) as Command
  const waiver = (more: object = {}) => ({ waiver: { agentId: SUE, why: 'She asked for this one.', ...more } })

  test.each([
    { says: 'dialling by hand', when: dial(), then: 'onDoNotCall' },
    { says: 'diverting to it', when: { kind: 'setDiversion', agentId: ANN, to: { kind: 'number', typed: '01632 960112' } }, then: 'onDoNotCall' },
    { says: 'a supervisor lets one call be made', when: dial(waiver()), then: 'ok' },
    { says: 'without a reason not', when: dial(waiver({ why: '' })), then: 'whyMissing' },
    { says: 'nor by an account that is not there', when: dial(waiver({ agentId: toAgentId('agent_nobody') })), then: 'noSuchAccount' },
    { says: 'nor by who is no supervisor', when: dial(waiver({ agentId: BO })), then: 'notEntitled' },
  ] as const)('$says: $then', ({ when, then }) => expect(listed({ number: NUMBER }).give(when as Command)).toBe(then))

  test('a person is listed with every number of theirs; the waiver is kept and holds once', () => {
    const floor = listed({ person: 'ida  holm' })
    expect(floor.give(dial({ typed: '01632 960113' }))).toBe('onDoNotCall')
    expect(floor.give(dial({ customer: null }))).toBe('ok')
    const again = listed({ person: 'Ida Holm' })
    again.give(dial(waiver()))
    expect(again.entries.at(-1)?.event).toMatchObject({ kind: 'doNotCallWaived', byAgentId: SUE, why: 'She asked for this one.' })
    again.give({ kind: 'hangUp', agentId: ANN, callId: toCallId('call_test_2') })
    again.give(save('done', {}, 2))
    expect(again.give(dial())).toBe('onDoNotCall')
  })

  test('a colleague’s diversion to a number that is listed later is followed no more', () => {
    const floor = talked()
    floor.give(save('done'))
    floor.give({ kind: 'startShift', agentId: BO, queueIds: [FIRST], seat: 'desk' })
    expect(floor.give({ kind: 'setDiversion', agentId: BO, to: { kind: 'number', typed: '01632 960140' } })).toBe('ok')
    floor.give(add({ number: '+441632960140' }))
    floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })
    const callId = toCallId('call_test_2')
    floor.give({ kind: 'answer', agentId: ANN, callId })
    expect(floor.give({ kind: 'transfer', agentId: ANN, callId, target: { kind: 'agent', agentId: BO } })).toBe('onDoNotCall')
  })

  test('every other way to bring a number to a call respects it', () => {
    const floor = listed({ number: '+441632960140' })
    floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })
    const on = { agentId: ANN, callId: toCallId('call_test_2'), target: { kind: 'number', typed: '01632 960140', name: null } as const }
    expect(floor.give({ kind: 'divert', ...on })).toBe('onDoNotCall')
    floor.give({ kind: 'answer', agentId: ANN, callId: on.callId })
    for (const kind of ['consult', 'addParty', 'transfer'] as const) expect(floor.give({ kind, ...on })).toBe('onDoNotCall')
  })

  test.each([
    { says: 'twice the same', given: add({ number: NUMBER }), then: 'alreadyOnList' },
    { says: 'nobody', given: add({}, { entries: [] }), then: 'nobodyNamed' },
    { says: 'no reason', given: add({}, { entries: [{ whom: { number: '+441632960150' }, why: ' ' }] }), then: 'whyMissing' },
    { says: 'an account that is not there', given: add({ number: '+441632960150' }, { agentId: toAgentId('agent_nobody') }), then: 'noSuchAccount' },
    {
      says: 'an agent takes nothing out',
      given: { kind: 'removeDoNotCall', agentId: ANN, whom: { number: NUMBER }, why: 'x' },
      then: 'notEntitled',
    },
    {
      says: 'nor does anybody without a reason',
      given: { kind: 'removeDoNotCall', agentId: SUE, whom: { number: NUMBER }, why: '' },
      then: 'whyMissing',
    },
    {
      says: 'what is not there',
      given: { kind: 'removeDoNotCall', agentId: SUE, whom: { number: '+441632960150' }, why: 'x' },
      then: 'notOnList',
    },
    { says: 'a supervisor takes it out', given: { kind: 'removeDoNotCall', agentId: SUE, whom: { number: NUMBER }, why: 'x' }, then: 'ok' },
  ] as const)('$says: $then', ({ given, then }) => expect(listed({ number: NUMBER }).give(given as Command)).toBe(then))
})
