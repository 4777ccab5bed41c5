// The do-not-call list: numbers and people nobody of the centre may call. Every way of dialling out asks it.
import type { AgentId, CallId } from '@/core/ids'
import { emptyTable, get, put, remove, type Table, values } from '@/core/table'
import type { EpochMs } from '@/core/time'
import type { DoNotCallEvent, Whom } from './event'

export interface DoNotCallEntry {
  readonly whom: Whom
  readonly why: string
  readonly byAgentId: AgentId
  readonly sinceMs: EpochMs
  readonly callId: CallId | null
}

/** By `keyOf`. */
export type DoNotCallList = Table<DoNotCallEntry>

export type DoNotCallRefusal =
  | { readonly reason: 'onDoNotCall'; readonly who: string; readonly sinceMs: EpochMs; readonly why: string }
  | { readonly reason: 'alreadyOnList'; readonly who: string }
  | { readonly reason: 'notOnList'; readonly who: string }
  | { readonly reason: 'whyMissing' }
  | { readonly reason: 'nobodyNamed' }

export const emptyDoNotCall = (): DoNotCallList => emptyTable()

/** People are known by their name, in whatever case and spacing it is written. */
export const keyOf = (whom: Whom): string => ('number' in whom ? whom.number : `person ${whom.person.trim().toLowerCase().replace(/\s+/g, ' ')}`)

export const labelOfWhom = (whom: Whom): string => ('number' in whom ? whom.number : whom.person)

export function evolveDoNotCall(list: DoNotCallList, event: DoNotCallEvent, atMs: EpochMs): DoNotCallList {
  switch (event.kind) {
    case 'doNotCallAdded': {
      let next = list
      for (const { whom, why } of event.entries) next = put(next, keyOf(whom), { whom, why, byAgentId: event.byAgentId, sinceMs: atMs, callId: event.callId })
      return next
    }
    case 'doNotCallRemoved':
      return remove(list, keyOf(event.whom))
    case 'doNotCallWaived':
      return list
  }
}

/** The entry that forbids to call this number (E.164), be it for the number or for whoever it belongs to. */
export const forbids = (list: DoNotCallList, number: string, person: string | null): DoNotCallEntry | undefined =>
  get(list, number) ?? (person === null ? undefined : get(list, keyOf({ person })))

export const isListed = (list: DoNotCallList, whom: Whom): boolean => get(list, keyOf(whom)) !== undefined

/** Entries in which the text occurs, in the number, the name or the reason; the latest first. */
export function searchDoNotCall(list: DoNotCallList, text: string): readonly DoNotCallEntry[] {
  const wanted = text.trim().toLowerCase()
  // A number may be looked for as people write it.
  const digits = /^[+\d\s()./-]+$/.test(wanted) ? wanted.replace(/\D/g, '').replace(/^0+/, '') : ''
  const has = ({ whom, why }: DoNotCallEntry) =>
    `${labelOfWhom(whom)} ${why}`.toLowerCase().includes(wanted) || (digits !== '' && 'number' in whom && whom.number.includes(digits))
  return values(list)
    .filter((entry) => wanted === '' || has(entry))
    .sort((a, b) => b.sinceMs - a.sinceMs || (keyOf(a.whom) < keyOf(b.whom) ? -1 : 1))
}
