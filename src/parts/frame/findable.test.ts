import { expect, test } from 'vitest'
import { toAgentId, toCampaignId, toQueueId } from '@/core/ids'
import type { AccountView } from '@/services/exchange/protocol'
import { findable } from './findable'

const account = (may: AccountView['may']): AccountView => ({
  id: toAgentId('agent_a'),
  name: 'Ann',
  role: 'agent',
  queueIds: [toQueueId('queue_s')],
  may,
  shift: null,
  told: [],
})
const known = (may: AccountView['may']) =>
  ({
    account: account(may),
    centre: {
      queues: [{ id: toQueueId('queue_s'), name: 'Sailings' }],
      campaigns: [{ id: toCampaignId('campaign_w'), name: 'Winter timetable' }],
      people: [{ name: 'Ottoline Fjelding' }],
      scripts: [
        { id: 'script_b', name: 'Booking' },
        { id: 'script_b', name: 'Booking' },
      ],
    },
    seats: [
      { id: toAgentId('agent_k'), name: 'Kester Oddersey', state: 'ready' },
      { id: toAgentId('agent_s'), name: 'Sunniva Merrowby', state: 'signedOut' },
    ],
  }) as unknown as Parameters<typeof findable>[1]
const EVERYTHING = ['setUp', 'supervision'] as AccountView['may']
const found = (typed: string, may = EVERYTHING) => findable(typed, known(may)).map((f) => `${f.name} (${f.kind}) ${f.href}`)

test.each<{ typed: string; may?: AccountView['may']; first: string | undefined }>([
  { typed: 'break', first: 'Breakdown (Place) /results/breakdown' },
  { typed: 'KEST', first: 'Kester Oddersey (on the Floor) /floor?find=Kester%20Oddersey' },
  { typed: 'kester account', first: 'Kester Oddersey (Account) /set-up?edit=agent_k' },
  { typed: 'sunniva', first: 'Sunniva Merrowby (Account) /set-up?edit=agent_s' },
  { typed: 'sail wrap', first: 'Sailings: Wrap-up (Setting) /set-up?edit=queue_s&field=wrapUpS' },
  { typed: 'undo', first: 'Undo for (Setting) /set-up?edit=lists&field=takeBackS' },
  { typed: 'fjel', first: 'Ottoline Fjelding (Person) /people?find=Ottoline%20Fjelding' },
  { typed: 'winter', first: 'Winter timetable (Campaign) /campaigns/campaign_w' },
  { typed: 'nothing of this', first: undefined },
  { typed: '  ', first: undefined },
  // What an account may not enter it does not find.
  { typed: 'break', may: [], first: 'Breakdown (Place) /results/breakdown' },
  { typed: 'kester', may: [], first: undefined },
  { typed: 'sailings', may: [], first: undefined },
  { typed: 'winter', may: [], first: undefined },
  { typed: 'replay', may: [], first: undefined },
])('“$typed” with $may', ({ typed, may = EVERYTHING, first }) => {
  expect(found(typed, may)[0]).toBe(first)
})

test('each thing is found once', () => {
  expect(found('booking')).toEqual(['Booking (Script) /scripts/script_b'])
  expect(new Set(found('e').map((f) => f)).size).toBe(found('e').length)
})
