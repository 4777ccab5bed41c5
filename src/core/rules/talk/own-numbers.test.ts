// Numbers of the centre's own queues reach them in the house, and nothing goes out to come in again.
import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import { get } from '@/core/table'
import { ANN, aFloor, arrives, BO, FIRST, SECOND_QUEUE, SMALL } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const NUMBERS = { [FIRST]: '+441632960010', [SECOND_QUEUE]: '+441632960011' }
const CENTRE = { ...SMALL, queues: SMALL.queues.map((q) => ({ ...q, number: NUMBERS[q.id] ?? '' })) }
const second = { kind: 'number', typed: '01632 960011', name: null } as const
const on = (kind: string, more: object = {}) => ({ kind, agentId: ANN, callId: call(1), ...more }) as Command

function talking() {
  const floor = aFloor(CENTRE)
  for (const agentId of [ANN, BO]) {
    expect(floor.give({ kind: 'startShift', agentId, queueIds: agentId === ANN ? [FIRST] : [SECOND_QUEUE], seat: 'desk' })).toBe('ok')
    expect(floor.give({ kind: 'goReady', agentId })).toBe('ok')
  }
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
