// An event taken apart into what says nothing of anybody from outside and what does, by whom it is about; and put together again.
import type { IsOffered } from '@/core/forgotten'
import type { FloorEvent } from '@/core/ledger'
import { type Site, sitesOf } from './sites'

/** Values and where in the event they stand. */
export type Personal = readonly (readonly [path: Site['path'], value: unknown])[]

export interface Parted {
  /** The event as it is read once all of it is forgotten. */
  readonly bare: FloorEvent
  /** What was taken out, by what it is about; none where nothing is personal. */
  readonly parts: ReadonlyMap<string, Personal>
}

export function takeApart(event: FloorEvent, isOffered: IsOffered): Parted {
  const parts = new Map<string, (readonly [Site['path'], unknown])[]>()
  const own = new Set<object>()
  let bare: unknown = event
  for (const { about, path, left } of sitesOf(event, isOffered)) {
    const values = parts.get(about) ?? []
    values.push([path, valueAt(event, path)])
    parts.set(about, values)
    bare = withValue(bare, path, left, own)
  }
  return { bare: bare as FloorEvent, parts }
}

/** `event` with what was taken out of it in its places again. Places that are not there are passed over: what is stored may be of any version. */
export function putTogether(event: unknown, personal: Personal): unknown {
  const own = new Set<object>()
  return personal.reduce((whole, [path, value]) => withValue(whole, path, value, own), event)
}

function valueAt(of: unknown, path: Site['path']): unknown {
  return path.reduce<unknown>((at, key) => (typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined), of)
}

/** What is not ours is copied once, and changed in place after that: an event may bring a thousand entries of a list, each with values of its own. */
function withValue(of: unknown, path: Site['path'], value: unknown, own: Set<object>, at = 0): unknown {
  const key = path[at]
  if (key === undefined) return value
  if (typeof of !== 'object' || of === null || !Object.hasOwn(of, key)) return of
  const ours = (own.has(of) ? of : Array.isArray(of) ? [...of] : { ...of }) as Record<string | number, unknown>
  own.add(ours)
  ours[key] = withValue(ours[key], path, value, own, at + 1)
  return ours
}
