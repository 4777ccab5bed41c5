// Who of a list is called next. Records whose next number lies in the same zones wait together: where no hour is allowed now, all of them are passed over at
// once, and nobody is ever looked for one by one.
import TinyQueue from 'tinyqueue'
import type { EpochMs } from '@/core/time'

/** Places of records in their list. */
export type Place = number

interface Waiter {
  readonly place: Place
  readonly rank: number
  readonly atMs: EpochMs
  /** Counts on with every change of the record: what was noted before counts no more. */
  readonly turn: number
}

interface Zone {
  /** Fresh ones in their order, and how far it has been taken from. */
  fresh: Uint32Array
  taken: number
  readonly due: TinyQueue<Waiter>
  readonly later: TinyQueue<Waiter>
}

export interface DueIndex {
  /** May be called from `atMs` on in these zones; the smallest rank goes first. */
  set(place: Place, zone: string, rank: number, atMs: EpochMs): void
  remove(place: Place): void
  /** Takes out whoever is next; undefined when nobody may be called now. `best` puts one zone before another. */
  take(atMs: EpochMs, isOpen: (zone: string) => boolean, best?: (a: string, b: string) => number): Place | undefined
  /** When the next one will be due in zones that are open; null when nobody waits. */
  nextAtMs(isOpen: (zone: string) => boolean): EpochMs | null
  /** All of a list that nobody has touched, in ranks' order: cheaper than one by one. */
  fill(zone: string, inOrder: Uint32Array): void
  /** How many wait, due or later. */
  size(): number
}

/** `rankOf` of those that were filled in. */
export function createDueIndex(capacity: number, rankOf: (place: Place) => number): DueIndex {
  const zones = new Map<string, Zone>()
  /** 0: does not wait; otherwise its turn. Turn 1 is that of who was filled in. */
  let turns = new Uint32Array(capacity)
  let waits = new Uint8Array(capacity)
  let count = 0

  const zoneOf = (name: string): Zone => {
    const found = zones.get(name)
    if (found !== undefined) return found
    const byRank = (a: Waiter, b: Waiter) => a.rank - b.rank || a.place - b.place
    const byTime = (a: Waiter, b: Waiter) => a.atMs - b.atMs || byRank(a, b)
    const zone: Zone = { fresh: new Uint32Array(0), taken: 0, due: new TinyQueue<Waiter>([], byRank), later: new TinyQueue<Waiter>([], byTime) }
    zones.set(name, zone)
    return zone
  }
  const grow = (place: Place) => {
    if (place < turns.length) return
    const size = Math.max(place + 1, turns.length * 2, 1_024)
    const [more, waiting] = [new Uint32Array(size), new Uint8Array(size)]
    more.set(turns)
    waiting.set(waits)
    turns = more
    waits = waiting
  }
  const stands = ({ place, turn }: Waiter): boolean => waits[place] === 1 && turns[place] === turn
  /** The first that still stands as it was noted. */
  const drop = (queue: TinyQueue<Waiter>): Waiter | undefined => {
    for (let first = queue.peek(); first !== undefined && !stands(first); first = queue.peek()) queue.pop()
    return queue.peek()
  }
  const nextFresh = (zone: Zone): Place | undefined => {
    while (zone.taken < zone.fresh.length) {
      const place = zone.fresh[zone.taken] as number
      if (waits[place] === 1 && turns[place] === 1) return place
      zone.taken++
    }
    return undefined
  }
  const moveDue = (zone: Zone, atMs: EpochMs) => {
    for (let first = drop(zone.later); first !== undefined && first.atMs <= atMs; first = drop(zone.later)) {
      zone.later.pop()
      zone.due.push(first)
    }
  }
  const clear = (place: Place) => {
    if (waits[place] === 1) count--
    waits[place] = 0
  }

  return {
    set(place, name, rank, atMs) {
      grow(place)
      clear(place)
      const turn = Math.max(2, (turns[place] as number) + 1)
      turns[place] = turn
      waits[place] = 1
      count++
      zoneOf(name).later.push({ place, rank, atMs, turn })
    },
    remove(place) {
      if (place < waits.length) clear(place)
    },
    take(atMs, isOpen, best) {
      let found: { readonly name: string; readonly zone: Zone; readonly rank: number; readonly fresh: boolean; readonly place: Place } | null = null
      for (const [name, zone] of zones) {
        if (!isOpen(name)) continue
        moveDue(zone, atMs)
        const [fresh, due] = [nextFresh(zone), drop(zone.due)]
        const freshRank = fresh === undefined ? Infinity : rankOf(fresh)
        const isFresh = fresh !== undefined && (due === undefined || freshRank < due.rank || (freshRank === due.rank && fresh < due.place))
        const place = isFresh ? fresh : due?.place
        if (place === undefined) continue
        const rank = isFresh ? freshRank : (due as Waiter).rank
        const better = found === null || (best?.(name, found.name) || rank - found.rank || place - found.place) < 0
        if (better) found = { name, zone, rank, fresh: isFresh, place }
      }
      if (found === null) return undefined
      if (found.fresh) found.zone.taken++
      else found.zone.due.pop()
      clear(found.place)
      return found.place
    },
    nextAtMs(isOpen) {
      let next: EpochMs | null = null
      for (const [name, zone] of zones) {
        if (!isOpen(name)) continue
        if (nextFresh(zone) !== undefined || drop(zone.due) !== undefined) return 0
        const later = drop(zone.later)
        if (later !== undefined && (next === null || later.atMs < next)) next = later.atMs
      }
      return next
    },
    fill(name, inOrder) {
      const zone = zoneOf(name)
      for (const place of inOrder) {
        grow(place)
        if (waits[place] === 0) count++
        turns[place] = 1
        waits[place] = 1
      }
      const rest = zone.fresh.subarray(zone.taken)
      const all = new Uint32Array(rest.length + inOrder.length)
      all.set(rest)
      all.set(inOrder, rest.length)
      zone.fresh = rest.length === 0 ? all : all.sort((a, b) => rankOf(a) - rankOf(b) || a - b)
      zone.taken = 0
    },
    size: () => count,
  }
}
