import { describe, expect, test } from 'vitest'
import { readNumber } from '@/core/directory'
import { toAgentId, toCallId, toQueueId } from '@/core/ids'
import type { CentreView, MeView, ParkedView, QueueView, SeatView } from '@/services/exchange/protocol'
import { choicesFor } from './targets'

const QUEUE = toQueueId('queue_freight')
const seat = (name: string, more: Partial<SeatView>): SeatView => ({
  id: toAgentId(`agent_${name}`),
  name,
  role: 'agent',
  team: '',
  extension: '',
  queueIds: [QUEUE],
  serves: [QUEUE],
  taken: 'desk',
  state: 'ready',
  reason: null,
  sinceMs: 0,
  note: null,
  doNotDisturb: false,
  diversion: null,
  ringing: null,
  ...more,
})
const SEATS = [
  seat('Ann', {}),
  seat('Bo', { state: 'onCall', sinceMs: 5 }),
  seat('Cy', { state: 'ready', sinceMs: 9 }),
  seat('Di', { state: 'ready', sinceMs: 3 }),
  seat('Ed', { state: 'signedOut', taken: null }),
  seat('Gil', { role: 'supervisor', extension: '214', state: 'signedOut' }),
  seat('Fay', { state: 'notReady', reason: 'Lunch' }),
]
const CENTRE = {
  queues: [{ id: QUEUE, name: 'Freight' }],
  places: [{ name: 'Port office', number: '+441632960900' }],
  people: [{ id: 'p1', name: 'Perrin Arncliffe', number: '+441632960011', mobile: '+447700900600', group: 'Visitor' }],
} as unknown as CentreView
const queue = (more: Partial<QueueView>): QueueView => ({
  id: QUEUE,
  waiting: 0,
  longestSinceMs: null,
  door: null,
  onShift: 2,
  ready: 0,
  expectedWaitMs: null,
  kept: 0,
  messages: 0,
  open: true,
  storm: false,
  ...more,
})
const PARKED: ParkedView[] = [{ callId: toCallId('call_1'), slot: 3, label: 'Tegan Brackenhythe', sinceMs: 0, byName: 'Bo' }]
const find = (typed: string, view = queue({})) =>
  choicesFor(
    typed,
    { me: { id: toAgentId('agent_Ann') } as MeView, centre: CENTRE, seats: SEATS, queues: [view], parked: PARKED },
    /\d/.test(typed) ? readNumber(typed, 'GB') : undefined,
  )

describe('what the picker offers', () => {
  test.each<{ says: string; typed: string; names: string[] }>([
    {
      says: 'nothing typed: queues, colleagues (free first, longest first), places; nobody off shift, never oneself',
      typed: '',
      names: ['Freight', 'Di', 'Cy', 'Fay', 'Bo', 'Port office'],
    },
    { says: 'somebody off shift is found, with their voicemail', typed: 'ed', names: ['Ed', 'Voicemail of Ed'] },
    { says: 'a person with each of their numbers', typed: 'perrin', names: ['Perrin Arncliffe', 'Perrin Arncliffe'] },
    { says: 'a number in any form', typed: '(01632) 960-112', names: ['+44 1632 960112'] },
    { says: 'an extension, of whoever it is, and nobody else', typed: ' 21 4', names: ['Gil'] },
    { says: 'a device of one’s own', typed: 'handset', names: ['Desk handset'] },
    { says: 'a parked call, by slot or by name', typed: 'slot 3', names: ['Tegan Brackenhythe'] },
    { says: 'nothing for what is not there', typed: 'harbour master', names: [] },
  ])('$says', ({ typed, names }) => expect(find(typed).map((c) => c.name)).toEqual(names))

  test.each([
    { view: queue({}), state: 'nobody waiting · 0 of 2 ready' },
    { view: queue({ ready: 1 }), state: 'nobody waiting · 1 of 2 ready · no wait' },
    { view: queue({ waiting: 3, expectedWaitMs: 95_000 }), state: '3 waiting · 0 of 2 ready · expect 1:35' },
    { view: queue({ onShift: 0 }), state: 'nobody waiting · nobody serves it' },
  ])('a queue says $state', ({ view, state }) => expect(find('freight', view)[0]?.state).toBe(state))

  test('a device and a slot have verbs of their own', () => {
    expect(find('handset')[0]?.instead).toEqual({ verb: 'Move call', endpoint: 'handset' })
    expect(find('tegan')[0]?.instead).toEqual({ verb: 'Pick up', callId: toCallId('call_1') })
  })
})
