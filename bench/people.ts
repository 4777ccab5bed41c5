// Finding people in a book of ten thousand, as long as it takes the floor's worker for each letter typed.

import { createChance, seedFor } from '@/core/chance'
import { toAgentId } from '@/core/ids'
import { ContactSchema } from '@/core/people'
import { createPeople, openPeople } from '@/services/exchange/people'
import { memoryStore } from '@/services/storage'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { keep } from './keep'
import { median, print } from './statistics'

const COUNT = 10_000
const TYPED = ['m', 'me', 'mer', 'merr', '0', '01', '016', '01632', '6', '63', '637', 'port', 'ida brine', 'nobody']

const chance = createChance(seedFor(7, 'people'))
const contacts = Array.from({ length: COUNT }, (_, n) => {
  const number = FENNHOLM_STAGE.records.someone(chance)
  const [known] = FENNHOLM_STAGE.records.byNumber(number, [])
  const group = ['Ports', 'Ships', 'Hauliers', 'Services', ''][n % 5]
  return ContactSchema.parse({
    id: `contact_${n}`,
    name: known?.name ?? `Person ${n}`,
    company: `Company ${n % 700}`,
    group,
    numbers: [{ kind: 'work', number }],
  })
})
const people = createPeople({ kept: await openPeople(memoryStore()), initial: contacts, homeCountry: () => 'GB', accounts: () => FENNHOLM.agents })
const viewer = { id: toAgentId('agent_eluned-tarnow'), keepsShared: false }
const asked = { group: 'everybody', sort: 'name', descending: false, from: 0, atMost: 200, recent: [] } as const
const find = (search: string) => {
  const began = performance.now()
  people.find(viewer, { ...asked, search, recent: [] })
  return performance.now() - began
}
// The first search makes the keys of everybody.
const first = find('m')
const times = Array.from({ length: 5 }, () => TYPED.map(find)).flat()
const worst = Math.max(...times)
print('people found in 10,000, for each letter typed', `${median(times).toFixed(1)} ms, at most ${worst.toFixed(1)}`, '30 ms')
print('the first time, when everybody’s keys are made', `${first.toFixed(0)} ms`, 'none')
keep('people.findMs10k', median(times), 'ms', 30)
