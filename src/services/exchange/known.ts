// What the customer record stand-in adds to a command before it is decided.
import type { Customer, Target } from '@/core/calls'
import { readNumber } from '@/core/directory'
import type { AgentCommand } from '@/core/floor'
import type { FloorState } from '@/core/state'
import type { Scenario } from './scenario'

/** Whose number somebody dials, as they have it in their list of people; undefined where they have nobody of it. */
export type InBook = (number: string) => Pick<Customer, 'name' | 'group'> | undefined

/**
 * The customer record stand-in knows people by their number: whom an agent dials, and whom they bring to a call. Who is in none of its records may be in the
 * agent's list of people.
 */
export function withKnown(
  command: AgentCommand,
  { setUp, struck }: Pick<FloorState, 'setUp' | 'struck'>,
  records: Scenario['records'],
  inBook: InBook,
): AgentCommand {
  const customerOf = (typed: string): Customer | undefined => {
    const reading = readNumber(typed, setUp.homeCountry)
    if (!reading.ok) return undefined
    const { e164 } = reading.number
    const person = records.byNumber(e164, struck)[0] ?? inBook(e164)
    return person && { facts: [], ...person }
  }
  const named = (target: Target): Target =>
    target.kind !== 'number' || target.name !== null ? target : { ...target, name: customerOf(target.typed)?.name ?? null }
  if (command.kind === 'makeCall') {
    return { ...command, customer: customerOf(command.typed) ?? null }
  }
  if (command.kind === 'identifyCaller') {
    const known = command.customerId === null ? undefined : records.byId(command.customerId)
    return known === undefined ? command : { ...command, customer: known }
  }
  if (command.kind === 'callTogether') return { ...command, targets: command.targets.map(named) }
  return 'target' in command ? { ...command, target: named(command.target) } : command
}
