// Who calls, as the network brings them: with a number, or withheld; known to the customer records, or not.
import type { Chance } from '@/core/chance'
import type { NetworkCommand } from '@/core/floor'
import type { QueueId } from '@/core/ids'
import { queueSetUp } from '@/core/set-up'
import { type FloorState, nextCallId } from '@/core/state'
import { customerById, customersByNumber, someone, strangersNumber, toCustomer } from '@/world/scenario'
import { intentOf } from './intent'
import type { Pace } from './paces'

type Arrives = Extract<NetworkCommand, { kind: 'callArrives' }>

interface Caller {
  readonly seed: number
  readonly pace: Pace
  readonly queueId: QueueId
  /** Whoever a trainer wished for, of the records by id or anybody; or the number somebody calls from again; or anybody. */
  readonly who: { readonly wished: string | null } | { readonly again: string } | null
}

/** One caller in twelve is not in the customer records; one in forty withholds the number. */
export function arrival(state: FloorState, { seed, pace, queueId, who }: Caller, chance: Chance): Arrives {
  const { paths } = queueSetUp(state.setUp, queueId)
  const isWished = who !== null && 'wished' in who
  const intent = intentOf(seed, nextCallId(state), queueId, pace, isWished)
  const fitting = paths.filter((p) => intent.paths?.includes(p) ?? true)
  const path = paths.length === 0 ? null : chance.pick(fitting.length === 0 ? paths : fitting)
  const known = isWished && who.wished !== null ? customerById(who.wished) : undefined
  const number = known?.number ?? (who !== null && 'again' in who ? who.again : anybodys(chance, intent.isWrongNumber ?? false))
  return { kind: 'callArrives', queueId, path, number, ...whoHas(number, state.struck) }
}

function anybodys(chance: Chance, isWrongNumber: boolean): string | null {
  const roll = chance.next()
  if (roll < 1 / 40) return null
  return isWrongNumber || roll < 1 / 40 + 1 / 12 ? strangersNumber(chance) : someone(chance).number
}

/** The records know who it is when the number belongs to one person; of a household they offer everybody. */
function whoHas(number: string | null, struck: FloorState['struck']) {
  const people = number === null ? [] : customersByNumber(number, struck).map(toCustomer)
  const [only] = people
  return people.length === 1 && only !== undefined ? { customer: only } : { customer: null, matches: people }
}
