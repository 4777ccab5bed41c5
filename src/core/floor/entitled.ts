// Who somebody is, shown by their PIN, and what their account may do: the refusal names what is missing and who can enable it.
import type { AgentId } from '@/core/ids'
import { type AgentSetUp, type Entitlement, mayDo, type SetUp, setUpOwners } from '@/core/set-up'
import { type Refused, refuse } from './draft'
import type { FloorState } from './state'

export interface NotEntitled {
  readonly reason: 'notEntitled'
  readonly what: Entitlement
  /** Names of who can enable it. */
  readonly ask: readonly string[]
}

interface Shown {
  readonly agentId: AgentId
  readonly pin: string
}

/** The account a PIN opens; a retired one is opened by none. */
export const accountBy = ({ agents }: SetUp, { agentId, pin }: Shown): AgentSetUp | undefined =>
  agents.find((a) => a.id === agentId && a.pin === pin && !a.retired)

/** Of whoever does something without being on shift. Refused: wrongAgentOrPin. */
export const wrongPin = ({ setUp }: Pick<FloorState, 'setUp'>, shown: Shown): Refused | null =>
  accountBy(setUp, shown) === undefined ? refuse({ reason: 'wrongAgentOrPin' }) : null

export function unentitled({ setUp }: Pick<FloorState, 'setUp'>, agentId: AgentId, what: Entitlement): Refused | null {
  return mayDo(setUp, agentId, what) ? null : refuse({ reason: 'notEntitled', what, ask: setUpOwners(setUp) })
}

/** Dialling out at all, and abroad: a number of another country than the centre's. */
export function unentitledToDial(state: FloorState, agentId: AgentId, readAs: string): Refused | null {
  const outside = unentitled(state, agentId, 'outsideCalls')
  if (outside !== null) return outside
  return readAs === state.setUp.homeCountry ? null : unentitled(state, agentId, 'internationalCalls')
}
