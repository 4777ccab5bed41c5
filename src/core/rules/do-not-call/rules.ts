// The do-not-call list on the floor: who may change it, and what it forbids. Every way of dialling out asks `forbidden`. It is kept
// from outside a shift as well.
import { writeNumber } from '@/core/directory'
import { forbids, isListed, type Whom } from '@/core/do-not-call'
import type { AgentId } from '@/core/ids'
import { barred, noAccount, type RightsRefusal } from '@/core/rules/rights'
import { type AnyRefusal, type Refused, type Ruling as RulingFor, refuse } from '@/core/rules/rule'
import { type Draft, emit, type FloorState } from '@/core/state'
import type { DoNotCallCommand } from './commands'
import type { DoNotCallRefusal } from './refusals'

type Of<K extends DoNotCallCommand['kind']> = Extract<DoNotCallCommand, { kind: K }>
type Ruling = RulingFor<DoNotCallRefusal | RightsRefusal | AnyRefusal>

/** Refused: onDoNotCall, for the number or for whoever it belongs to. */
export function forbidden(state: Pick<FloorState, 'doNotCall'>, number: string, person: string | null): Refused<DoNotCallRefusal> | null {
  const entry = forbids(state.doNotCall, number, person)
  if (entry === undefined) return null
  return refuse({ reason: 'onDoNotCall', who: whomWords(entry.whom), sinceMs: entry.sinceMs, why: entry.why })
}

/** All entries or none; those that are there already stay as they are. Refused: noSuchAccount, nobodyNamed, whyMissing, alreadyOnList when nobody new is among them. */
export function addDoNotCall(draft: Draft, command: Of<'addDoNotCall'>): Ruling {
  const refused = noAccount(draft.state, command.agentId)
  if (refused !== null) return refused
  const { entries, agentId } = command
  if (entries.length === 0) return refuse({ reason: 'nobodyNamed' })
  if (entries.some((e) => e.why.trim() === '')) return refuse({ reason: 'whyMissing' })
  const [first] = entries
  const fresh = entries.filter(({ whom }) => !isListed(draft.state.doNotCall, whom))
  if (fresh.length === 0 && first !== undefined) return refuse({ reason: 'alreadyOnList', who: whomWords(first.whom) })
  return emit(draft, null, { kind: 'doNotCallAdded', entries: fresh, byAgentId: agentId, callId: null })
}

/** Refused: noSuchAccount, notEntitled, notOnList, whyMissing. */
export function removeDoNotCall(draft: Draft, command: Of<'removeDoNotCall'>): Ruling {
  const { agentId, whom, why } = command
  const refused = barred(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  if (!isListed(draft.state.doNotCall, whom)) return refuse({ reason: 'notOnList', who: whomWords(whom) })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  return emit(draft, null, { kind: 'doNotCallRemoved', whom, byAgentId: agentId, why: why.trim(), callId: null })
}

/** A supervisor's word for one call. Refused: noSuchAccount, notEntitled, whyMissing. */
export function checkWaiver(draft: Draft, waiver: { readonly agentId: AgentId; readonly why: string }): Ruling {
  const refused = barred(draft.state, waiver.agentId, 'supervision')
  if (refused !== null) return refused
  return waiver.why.trim() === '' ? refuse({ reason: 'whyMissing' }) : null
}

const whomWords = (whom: Whom): string => ('number' in whom ? writeNumber(whom.number) : whom.person)
