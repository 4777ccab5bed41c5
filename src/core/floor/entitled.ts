// What an account may do, asked before anything it is not for: the refusal names what is missing and who can enable it.
import type { AgentId } from '@/core/ids'
import { type Entitlement, mayDo, setUpOwners } from '@/core/set-up'
import { type Refused, refuse } from './draft'
import type { FloorState } from './state'

export interface NotEntitled {
  readonly reason: 'notEntitled'
  readonly what: Entitlement
  /** Names of who can enable it. */
  readonly ask: readonly string[]
}

export function unentitled({ setUp }: Pick<FloorState, 'setUp'>, agentId: AgentId, what: Entitlement): Refused | null {
  return mayDo(setUp, agentId, what) ? null : refuse({ reason: 'notEntitled', what, ask: setUpOwners(setUp) })
}

/** Dialling out at all, and abroad: a number of another country than the centre's. */
export function unentitledToDial(state: FloorState, agentId: AgentId, readAs: string): Refused | null {
  const outside = unentitled(state, agentId, 'outsideCalls')
  if (outside !== null) return outside
  return readAs === state.setUp.homeCountry ? null : unentitled(state, agentId, 'internationalCalls')
}
