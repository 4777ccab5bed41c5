// Help that is asked for with a call, and whether that is with the emergency services.
import type { Agent, Help } from '@/core/agents'
import { isEmergency } from '@/core/directory'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'

export interface HelpView extends Help {
  /** The number of the emergency services that is on that call; null where none is. */
  readonly emergency: string | null
}

export function helpOf({ calls, setUp }: Pick<FloorState, 'calls' | 'setUp'>, { help }: Pick<Agent, 'help'>): HelpView | null {
  if (help === null) return null
  const call = get(calls, help.callId)
  const numbers = [call?.number, ...(call?.connections.map(({ party }) => (party.kind === 'outside' ? party.number : null)) ?? [])]
  return { ...help, emergency: numbers.find((n) => n != null && isEmergency(n, setUp.homeCountry)) ?? null }
}
