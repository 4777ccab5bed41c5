// The people of Fennholm Line's contact centre. All invented.
import { toAgentId, toQueueId } from '@/core/ids'
import type { AgentSetUp } from '@/core/set-up'

export const SAILINGS = toQueueId('queue_sailings')
export const FREIGHT = toQueueId('queue_freight')
export const DISRUPTION = toQueueId('queue_disruption')
export const ASSISTANCE = toQueueId('queue_assistance')

/** Seats that are left to people; the stand-ins may play the others. */
const FREE_SEATS = ['Eluned Tarnow', 'Kester Oddersey', 'Sunniva Merrowby']

const SEATS: readonly (readonly [name: string, pin: string, queueIds: AgentSetUp['queueIds']])[] = [
  ['Eluned Tarnow', '2417', [SAILINGS, FREIGHT, DISRUPTION, ASSISTANCE]],
  ['Kester Oddersey', '3108', [SAILINGS, DISRUPTION, ASSISTANCE]],
  ['Sunniva Merrowby', '5526', [SAILINGS, FREIGHT, DISRUPTION]],
  ['Bevan Skarrow', '4410', [SAILINGS, DISRUPTION]],
  ['Marit Lundeby', '7391', [SAILINGS, DISRUPTION, ASSISTANCE]],
  ['Hollis Varrick', '6284', [FREIGHT, SAILINGS]],
  ['Idony Penhallis', '9035', [SAILINGS, DISRUPTION]],
  ['Jorun Strandby', '1872', [FREIGHT, DISRUPTION]],
  ['Wrenna Corrieshaw', '8643', [SAILINGS, ASSISTANCE]],
  ['Ulric Grunvik', '2759', [FREIGHT, SAILINGS, DISRUPTION]],
  ['Fenella Eddystane', '6918', [SAILINGS, DISRUPTION, ASSISTANCE]],
  ['Torin Kellowick', '3347', [SAILINGS, FREIGHT]],
  ['Yrsa Tidesley', '5081', [SAILINGS, DISRUPTION, ASSISTANCE]],
  ['Odhran Saltergate', '4796', [SAILINGS, DISRUPTION]],
]

export const AGENTS: readonly AgentSetUp[] = [
  ...SEATS.map(([name, pin, queueIds]) => ({ id: idOf(name), name, pin, role: 'agent' as const, queueIds, playable: !FREE_SEATS.includes(name) })),
  { id: idOf('Linnea Wickerby'), name: 'Linnea Wickerby', pin: '1290', role: 'supervisor', queueIds: [], playable: false },
]

function idOf(name: string) {
  return toAgentId(`agent_${name.toLowerCase().replaceAll(' ', '-')}`)
}
