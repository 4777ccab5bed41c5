// The do-not-call list: numbers and people nobody of the centre may call. Every way of dialling out asks it.
import { ascending, bisector } from 'd3-array'
import type { AgentId, CallId } from '@/core/ids'
import { get, type Table, values } from '@/core/table'
import type { EpochMs } from '@/core/time'
import type { DoNotCallEvent, Whom } from './event'

/** Why somebody is on the list: who said so, when, and with the outcome of which call. */
export interface Ground {
  readonly why: string
  readonly byAgentId: AgentId
  /** Who listed them elsewhere before the list was brought in; null for a ground of our own. */
  readonly listedBy: string | null
  readonly sinceMs: EpochMs
  readonly callId: CallId | null
}

/** The first ground that stands is the entry's own. It leaves the list with the last of them. */
export interface DoNotCallEntry extends Ground {
  readonly whom: Whom
  readonly also: readonly Ground[]
}

/** By `keyOf`. */
export type DoNotCallList = Table<DoNotCallEntry>

/** Every ground an entry stands on, the oldest first. */
export const groundsOf = ({ whom: _whom, also, ...own }: DoNotCallEntry): readonly Ground[] => [own, ...also]

/** People are known by their name, in whatever case and spacing it is written. */
export const keyOf = (whom: Whom): string => ('number' in whom ? whom.number : `person ${whom.person.trim().toLowerCase().replace(/\s+/g, ' ')}`)

export const labelOfWhom = (whom: Whom): string => ('number' in whom ? whom.number : whom.person)

type Changed = readonly [key: string, entry: DoNotCallEntry | null]

/** What becomes of which entries, by key; null for one that leaves the list. */
export function evolveDoNotCall(list: DoNotCallList, event: DoNotCallEvent, atMs: EpochMs): Iterable<Changed> {
  switch (event.kind) {
    case 'doNotCallAdded': {
      const { byAgentId, callId } = event
      const changed = new Map<string, DoNotCallEntry>()
      for (const { whom, why, sinceMs = atMs, by = null } of event.entries) {
        const key = keyOf(whom)
        const ground = { why, byAgentId, listedBy: by, sinceMs, callId }
        const there = changed.get(key) ?? get(list, key)
        changed.set(key, there === undefined ? { whom, ...ground, also: [] } : { ...there, also: [...there.also, ground] })
      }
      return changed
    }
    case 'doNotCallRemoved': {
      const key = keyOf(event.whom)
      const there = get(list, key)
      if (there === undefined || event.callId === null) return [[key, null]]
      const [first, ...also] = groundsOf(there).filter((g) => g.callId !== event.callId || g.byAgentId !== event.byAgentId)
      return [[key, first === undefined ? null : { whom: there.whom, ...first, also }]]
    }
    case 'doNotCallWaived':
      return []
  }
}

/** The entry that forbids to call this number (E.164), be it for the number or for whoever it belongs to. */
export const forbids = (list: DoNotCallList, number: string, person: string | null): DoNotCallEntry | undefined =>
  get(list, number) ?? (person === null ? undefined : get(list, keyOf({ person })))

export const isListed = (list: DoNotCallList, whom: Whom): boolean => get(list, keyOf(whom)) !== undefined

/** Entries in which the text occurs, in the number, the name or the reason: how many, and the latest of them first, as many as are wanted. */
export function searchDoNotCall(
  list: DoNotCallList,
  text: string,
  atMost = Number.POSITIVE_INFINITY,
): { readonly found: number; readonly entries: readonly DoNotCallEntry[] } {
  const wanted = text.trim().toLowerCase()
  // A number may be looked for as people write it.
  const digits = /^[+\d\s()./-]+$/.test(wanted) ? wanted.replace(/\D/g, '').replace(/^0+/, '') : ''
  // A list brought in has few reasons and many numbers: neither is made lower case a hundred thousand times.
  const reasonHas = new Map<string, boolean>()
  const has = ({ whom, why }: DoNotCallEntry): boolean => {
    if ('number' in whom ? whom.number.includes(wanted) || (digits !== '' && whom.number.includes(digits)) : whom.person.toLowerCase().includes(wanted))
      return true
    if ('number' in whom && whom.name?.toLowerCase().includes(wanted)) return true
    const known = reasonHas.get(why) ?? why.toLowerCase().includes(wanted)
    reasonHas.set(why, known)
    return known
  }
  const all = values(list)
  const found = wanted === '' ? all : all.filter(has)
  return { found: found.length, entries: found.length <= atMost ? found.sort(latestFirst) : latestOf(found, atMost) }
}

const latestFirst = (a: DoNotCallEntry, b: DoNotCallEntry): number => b.sinceMs - a.sinceMs || ascending(keyOf(a.whom), keyOf(b.whom))
const byLatest = bisector(latestFirst).left

/** Of a hundred thousand a page shows fifty: those alone are put in order. */
function latestOf(entries: readonly DoNotCallEntry[], atMost: number): DoNotCallEntry[] {
  const latest: DoNotCallEntry[] = []
  for (const entry of entries) {
    const last = latest[atMost - 1]
    if (last !== undefined && latestFirst(last, entry) <= 0) continue
    latest.splice(byLatest(latest, entry), 0, entry)
    if (latest.length > atMost) latest.pop()
  }
  return latest
}
