// The do-not-call list on the floor: who may change it, and what it forbids. Every way of dialling out asks `forbidden`.
import { forbids, isListed, labelOfWhom } from '@/core/do-not-call'
import { mayDo } from '@/core/set-up'
import type { AgentCommand } from './command'
import { type Draft, emit, type Refused, type Ruling, refuse } from './draft'
import { unentitled } from './entitled'
import type { FloorState } from './state'

type Of<K extends AgentCommand['kind']> = Extract<AgentCommand, { kind: K }>

/** Refused: onDoNotCall, for the number or for whoever it belongs to. */
export function forbidden(state: Pick<FloorState, 'doNotCall'>, number: string, person: string | null): Refused | null {
  const entry = forbids(state.doNotCall, number, person)
  if (entry === undefined) return null
  return refuse({ reason: 'onDoNotCall', who: labelOfWhom(entry.whom), sinceMs: entry.sinceMs, why: entry.why })
}

/** They show their PIN, because the list is kept from outside a shift as well. */
export function knownBy(draft: Draft, { agentId, pin }: { readonly agentId: Of<'addDoNotCall'>['agentId']; readonly pin: string }): Refused | null {
  const account = draft.state.setUp.agents.find((a) => a.id === agentId)
  return account === undefined || account.pin !== pin || account.retired ? refuse({ reason: 'wrongAgentOrPin' }) : null
}

/** All entries or none. Refused: wrongAgentOrPin, nobodyNamed, whyMissing, alreadyOnList with the first one that is. */
export function addDoNotCall(draft: Draft, command: Of<'addDoNotCall'>): Ruling {
  const refused = knownBy(draft, command)
  if (refused !== null) return refused
  const { entries, agentId } = command
  if (entries.length === 0) return refuse({ reason: 'nobodyNamed' })
  if (entries.some((e) => e.why.trim() === '')) return refuse({ reason: 'whyMissing' })
  const there = entries.find(({ whom }) => isListed(draft.state.doNotCall, whom))
  if (there !== undefined) return refuse({ reason: 'alreadyOnList', who: labelOfWhom(there.whom) })
  return emit(draft, null, { kind: 'doNotCallAdded', entries, byAgentId: agentId, callId: null })
}

/** Refused: wrongAgentOrPin, notEntitled, notOnList, whyMissing. */
export function removeDoNotCall(draft: Draft, command: Of<'removeDoNotCall'>): Ruling {
  const { agentId, whom, why } = command
  const refused = knownBy(draft, command) ?? unentitled(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  if (!isListed(draft.state.doNotCall, whom)) return refuse({ reason: 'notOnList', who: labelOfWhom(whom) })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  return emit(draft, null, { kind: 'doNotCallRemoved', whom, byAgentId: agentId, why: why.trim() })
}

/** A supervisor's word for one call. Refused: wrongAgentOrPin, notEntitled, whyMissing. */
export function checkWaiver(draft: Draft, waiver: NonNullable<Of<'makeCall'>['waiver']>): Refused | null {
  const refused = knownBy(draft, waiver)
  if (refused !== null) return refused
  if (!mayDo(draft.state.setUp, waiver.agentId, 'supervision')) return unentitled(draft.state, waiver.agentId, 'supervision')
  return waiver.why.trim() === '' ? refuse({ reason: 'whyMissing' }) : null
}
