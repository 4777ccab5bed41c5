// The do-not-call list on the floor: who may change it, and what it forbids. Every way of dialling out asks `forbidden`. Changing it
// takes a PIN, because the list is kept from outside a shift as well.
import { forbids, isListed, labelOfWhom } from '@/core/do-not-call'
import type { AgentCommand } from './command'
import { type Draft, emit, type Refused, type Ruling, refuse } from './draft'
import { unentitled, wrongPin } from './entitled'
import type { FloorState } from './state'

type Of<K extends AgentCommand['kind']> = Extract<AgentCommand, { kind: K }>

/** Refused: onDoNotCall, for the number or for whoever it belongs to. */
export function forbidden(state: Pick<FloorState, 'doNotCall'>, number: string, person: string | null): Refused | null {
  const entry = forbids(state.doNotCall, number, person)
  if (entry === undefined) return null
  return refuse({ reason: 'onDoNotCall', who: labelOfWhom(entry.whom), sinceMs: entry.sinceMs, why: entry.why })
}

/** All entries or none. Refused: wrongAgentOrPin, nobodyNamed, whyMissing, alreadyOnList with the first one that is. */
export function addDoNotCall(draft: Draft, command: Of<'addDoNotCall'>): Ruling {
  const refused = wrongPin(draft.state, command)
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
  const refused = wrongPin(draft.state, command) ?? unentitled(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  if (!isListed(draft.state.doNotCall, whom)) return refuse({ reason: 'notOnList', who: labelOfWhom(whom) })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  return emit(draft, null, { kind: 'doNotCallRemoved', whom, byAgentId: agentId, why: why.trim() })
}

/** A supervisor's word for one call. Refused: wrongAgentOrPin, notEntitled, whyMissing. */
export function checkWaiver(draft: Draft, waiver: NonNullable<Of<'makeCall'>['waiver']>): Refused | null {
  const refused = wrongPin(draft.state, waiver) ?? unentitled(draft.state, waiver.agentId, 'supervision')
  if (refused !== null) return refused
  return waiver.why.trim() === '' ? refuse({ reason: 'whyMissing' }) : null
}
