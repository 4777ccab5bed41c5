// What an account may do: the refusal names what is missing and who can enable it. Who somebody is has been shown before, to the exchange.
import type { AgentId } from '@/core/ids'
import { type AgentSetUp, type Entitlement, type SetUp, setUpOwners } from '@/core/set-up'
import { type Refused, refuse } from './draft'
import type { FloorState } from './state'

export interface NotEntitled {
  readonly reason: 'notEntitled'
  readonly what: Entitlement
  /** Names of who can enable it. */
  readonly ask: readonly string[]
}

/** An account in use. */
export const openAccount = ({ agents }: SetUp, agentId: AgentId): AgentSetUp | undefined => agents.find((a) => a.id === agentId && !a.retired)

/** Of whoever does something without being on shift. Refused: noSuchAccount. */
export const noAccount = ({ setUp }: Pick<FloorState, 'setUp'>, agentId: AgentId): Refused | null =>
  openAccount(setUp, agentId) === undefined ? refuse({ reason: 'noSuchAccount' }) : null

export function unentitled({ setUp }: Pick<FloorState, 'setUp'>, agentId: AgentId, what: Entitlement): Refused | null {
  return openAccount(setUp, agentId)?.may.includes(what) ? null : refuse({ reason: 'notEntitled', what, ask: setUpOwners(setUp) })
}

/** Dialling out at all, and abroad: a number of another country than the centre's. */
export function unentitledToDial(state: FloorState, agentId: AgentId, readAs: string): Refused | null {
  const outside = unentitled(state, agentId, 'outsideCalls')
  if (outside !== null) return outside
  return readAs === state.setUp.homeCountry ? null : unentitled(state, agentId, 'internationalCalls')
}
