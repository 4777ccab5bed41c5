// What an account may do: the refusal names what is missing and who can enable it. Who somebody is has been shown before, to the exchange.
import type { AgentId } from '@/core/ids'
import { type Refused, refuse } from '@/core/rules/rule'
import { type AgentSetUp, type Entitlement, type SetUp, setUpOwners } from '@/core/set-up'
import type { RightsRefusal } from './refusals'

type Centre = { readonly setUp: SetUp }
type Denied = Refused<RightsRefusal> | null

/** An account in use. */
export const openAccount = ({ agents }: SetUp, agentId: AgentId): AgentSetUp | undefined => agents.find((a) => a.id === agentId && !a.retired)

/** Of whoever does something without being on shift. Refused: noSuchAccount. */
export const noAccount = ({ setUp }: Centre, agentId: AgentId): Denied =>
  openAccount(setUp, agentId) === undefined ? refuse({ reason: 'noSuchAccount' }) : null

/** Refused: notEntitled. */
export function unentitled({ setUp }: Centre, agentId: AgentId, what: Entitlement): Denied {
  return openAccount(setUp, agentId)?.may.includes(what) ? null : refuse({ reason: 'notEntitled', what, ask: setUpOwners(setUp) })
}

/** Of whoever does something without being on shift that not everybody may. Refused: noSuchAccount, notEntitled. */
export const barred = (centre: Centre, agentId: AgentId, what: Entitlement): Denied => noAccount(centre, agentId) ?? unentitled(centre, agentId, what)

/** Dialling out at all, and abroad: a number of another country than the centre's. Refused: notEntitled. */
export function unentitledToDial(centre: Centre, agentId: AgentId, readAs: string): Denied {
  const outside = unentitled(centre, agentId, 'outsideCalls')
  if (outside !== null) return outside
  return readAs === centre.setUp.homeCountry ? null : unentitled(centre, agentId, 'internationalCalls')
}
