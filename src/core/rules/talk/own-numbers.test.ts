// Numbers of the centre's own queues reach them in the house, and nothing goes out to come in again.
import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { get, values } from '@/core/table'
import { ANN, aFloor, arrives, BO, FIRST, SECOND_QUEUE, SMALL } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const NUMBERS = { [FIRST]: '+441632960010', [SECOND_QUEUE]: '+441632960011' }
const CENTRE = {
  ...SMALL,
  queues: SMALL.queues.map((q) => ({ ...q, number: NUMBERS[q.id] ?? '' })),
  agents: SMALL.agents.map((a) =>
    a.id === BO ? { ...a, extension: '214', number: '+441632960020' } : { ...a, extension: a.id === ANN ? '213' : '', number: '+441632960030' },
  ),
}
const second = { kind: 'number', typed: '01632 960011', name: null } as const
const on = (kind: string, more: object = {}) => ({ kind, agentId: ANN, callId: call(1), ...more }) as Command

function atDesks(centre: SetUp = CENTRE) {
  const floor = aFloor(centre)
  for (const agentId of [ANN, BO]) {
    expect(floor.give({ kind: 'startShift', agentId, queueIds: agentId === ANN ? [FIRST] : [SECOND_QUEUE], seat: 'desk' })).toBe('ok')
    expect(floor.give({ kind: 'goReady', agentId })).toBe('ok')
  }
  return floor
}

function talking() {
  const floor = atDesks()
  for (const command of [arrives(), on('answer')]) expect(floor.give(command)).toBe('ok')
  return floor
}

test('a caller who is sent to the number of a queue waits in it', () => {
  const floor = talking()
  expect(floor.give(on('transfer', { target: second }))).toBe('ok')
  expect(get(floor.state().agents, BO)?.state.name).toBe('ringing')
  expect(get(floor.state().work, call(1))?.queueId).toBe(SECOND_QUEUE)
})

describe('refused where nobody could be meant', () => {
  test.each<[string, Command, string]>([
    ['asked into a call', on('addParty', { target: second }), 'targetNotForThis'],
    ['diverted to', { kind: 'setDiversion', agentId: ANN, to: { kind: 'number', typed: '+44 1632 960011' } }, 'numberIsOurs'],
    ['dialled', { kind: 'makeCall', agentId: BO, typed: '01632960011', customer: null }, 'numberIsOurs'],
    ['any other number asked into a call', on('addParty', { target: { ...second, typed: '01632 960012' } }), 'ok'],
  ])('%s', (_, command, then) => {
    expect(talking().give(command)).toBe(then)
  })
})

describe('a colleague is rung in the house', () => {
  const desk = { kind: 'number', typed: ' 21-4', name: null } as const
  test.each<[string, Command]>([
    ['by their extension', { kind: 'makeCall', agentId: ANN, typed: '214', customer: null }],
    ['by their own number', { kind: 'makeCall', agentId: ANN, typed: '01632 960020', customer: null }],
    ['by their extension, into one call', { kind: 'callTogether', agentId: ANN, targets: [desk] }],
  ])('%s', (_, command) => {
    const floor = atDesks()
    expect(floor.give(command)).toBe('ok')
    expect(get(floor.state().agents, BO)?.state.name).toBe('ringing')
    expect([...values(floor.state().calls)].every((c) => c.number === null)).toBe(true)
  })

  test.each<[string, Command]>([
    ['consulted', on('consult', { target: desk })],
    ['sent a caller', on('transfer', { target: desk })],
    ['added', on('addParty', { target: desk })],
    ['sent a caller by number', on('transfer', { target: { ...desk, typed: '+44 1632 960020' } })],
  ])('%s', (_, command) => {
    const floor = talking()
    expect(floor.give(command)).toBe('ok')
    expect(get(floor.state().agents, BO)?.state.name).toBe('ringing')
  })

  test.each<[string, Command, string]>([
    ['one’s own extension', { kind: 'makeCall', agentId: ANN, typed: '213', customer: null }, 'targetSelf'],
    ['an extension of nobody', { kind: 'makeCall', agentId: ANN, typed: '215', customer: null }, 'numberTooShort'],
    // Several show it: it is the centre's, and goes out.
    ['a number that several show', { kind: 'makeCall', agentId: ANN, typed: '01632 960030', customer: null }, 'ok'],
  ])('%s: %s', (_, command, then) => {
    const floor = atDesks()
    expect(floor.give(command)).toBe(then)
    expect(get(floor.state().agents, BO)?.state.name).toBe('ready')
  })

  test('emergency numbers are nobody’s extension, whatever is set up', () => {
    const floor = atDesks({ ...CENTRE, agents: CENTRE.agents.map((a) => (a.id === BO ? { ...a, extension: '999' } : a)) })
    expect(floor.give({ kind: 'makeCall', agentId: ANN, typed: '999', customer: null })).toBe('ok')
    expect(get(floor.state().agents, BO)?.state.name).toBe('ready')
    expect([...values(floor.state().calls)].map((c) => c.number)).toEqual(['999'])
  })
})
