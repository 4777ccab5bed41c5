// What the customer record stand-in adds to a command before it is decided.
import { readNumber } from '@/core/directory'
import type { AgentCommand } from '@/core/floor'
import type { FloorState } from '@/core/state'
import type { Scenario } from './scenario'

/** The customer record stand-in knows people by their number: whom an agent dials, and whom they bring to a call. */
export function withKnown(command: AgentCommand, { setUp, struck }: Pick<FloorState, 'setUp' | 'struck'>, records: Scenario['records']): AgentCommand {
  const customerOf = (typed: string) => {
    const reading = readNumber(typed, setUp.homeCountry)
    return reading.ok ? records.byNumber(reading.number.e164, struck)[0] : undefined
  }
  if (command.kind === 'makeCall') {
    return { ...command, customer: customerOf(command.typed) ?? null }
  }
  if (command.kind === 'identifyCaller') {
    const known = command.customerId === null ? undefined : records.byId(command.customerId)
    return known === undefined ? command : { ...command, customer: known }
  }
  if (!('target' in command) || command.target.kind !== 'number' || command.target.name !== null) return command
  return { ...command, target: { ...command.target, name: customerOf(command.target.typed)?.name ?? null } }
}
