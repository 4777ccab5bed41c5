// Who calls, as the network brings them: with a number, or withheld; known to the customer records, or not.
import type { Chance } from '@/core/chance'
import type { FloorState, NetworkCommand } from '@/core/floor'
import type { QueueId } from '@/core/ids'
import { queueSetUp } from '@/core/set-up'
import { CUSTOMERS, customerById, customersByNumber, toCustomer } from '@/world/scenario'

type Arrives = Extract<NetworkCommand, { kind: 'callArrives' }>

/** One caller in twelve is not in the customer records; one in forty withholds the number. */
export function arrival(state: FloorState, queueId: QueueId, customerId: string | null, chance: Chance): Arrives {
  const { paths } = queueSetUp(state.setUp, queueId)
  const path = paths.length === 0 ? null : chance.pick(paths)
  const calls = (number: string | null): Arrives => ({ kind: 'callArrives', queueId, path, number, ...whoHas(number, state.struck) })
  const chosen = customerId === null ? undefined : customerById(customerId)
  if (chosen !== undefined) return calls(chosen.number)
  const known = chance.pick(CUSTOMERS)
  const stranger = `+4477009009${String(Math.floor(chance.next() * 100)).padStart(2, '0')}`
  const roll = chance.next()
  if (roll < 1 / 40) return calls(null)
  return calls(roll < 1 / 40 + 1 / 12 ? stranger : known.number)
}

/** The records know who it is when the number belongs to one person; of a household they offer everybody. */
function whoHas(number: string | null, struck: FloorState['struck']) {
  const people = number === null ? [] : customersByNumber(number, struck).map(toCustomer)
  const [only] = people
  return people.length === 1 && only !== undefined ? { customer: only } : { customer: null, matches: people }
}
