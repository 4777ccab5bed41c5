// What the customer record stand-in adds to a command before it is decided.
import { readNumber } from '@/core/directory'
import type { AgentCommand } from '@/core/floor'
import type { FloorState } from '@/core/state'
import { customerById, customersByNumber, toCustomer } from '@/world/scenario'

/** The customer record stand-in knows people by their number: whom an agent dials, and whom they bring to a call. */
export function withKnown(command: AgentCommand, { setUp, struck }: Pick<FloorState, 'setUp' | 'struck'>): AgentCommand {
  const customerOf = (typed: string) => {
    const reading = readNumber(typed, setUp.homeCountry)
    return reading.ok ? customersByNumber(reading.number.e164, struck)[0] : undefined
  }
  if (command.kind === 'makeCall') {
    const known = customerOf(command.typed)
    return { ...command, customer: known === undefined ? null : toCustomer(known) }
  }
  if (command.kind === 'identifyCaller') {
    const known = command.customerId === null ? undefined : customerById(command.customerId)
    return known === undefined ? command : { ...command, customer: toCustomer(known) }
  }
  if (!('target' in command) || command.target.kind !== 'number' || command.target.name !== null) return command
  return { ...command, target: { ...command.target, name: customerOf(command.target.typed)?.name ?? null } }
}
