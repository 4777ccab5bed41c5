// A ledger gone through to and fro: the floor as it was after any of its entries. What was folded once is kept every so many entries, so that going to an instant
// folds few of them, from wherever one comes.
import type { FloorEvent, LedgerEntry } from '@/core/ledger'
import { copyOf, evolve, type FloorState, floorOf } from '@/core/state'

export interface Replay {
  readonly entries: readonly LedgerEntry[]
  /** How many entries had happened at an instant, itself included. */
  upTo(atMs: number): number
  /** The floor after the first so many entries, at least 1. It is changed by the next question: what is to last must be copied. */
  after(count: number): FloorState
}

const EVERY = 500

/** Refuses a ledger that does not begin with the opening of a floor. */
export function createReplay(entries: readonly LedgerEntry[]): Replay {
  const [first] = entries
  if (first?.event.kind !== 'floorOpened') throw new RangeError('a ledger begins with the opening of its floor')
  const kept = new Map<number, FloorState>()
  let state = floorOf(first)
  let at = 1
  kept.set(1, copyOf(state))

  return {
    entries,
    upTo(atMs) {
      let [low, high] = [0, entries.length]
      while (low < high) {
        const middle = (low + high) >> 1
        if ((entries[middle] as LedgerEntry).atMs <= atMs) low = middle + 1
        else high = middle
      }
      return low
    },
    after(count) {
      const target = Math.min(entries.length, Math.max(1, Math.floor(count)))
      const nearest = nearestKept(kept, target)
      if (at > target || nearest > at) {
        state = copyOf(kept.get(nearest) as FloorState)
        at = nearest
      }
      while (at < target) {
        const { event, atMs } = entries[at] as LedgerEntry
        evolve(state, event, atMs)
        at++
        if (at % EVERY === 0 && !kept.has(at)) kept.set(at, copyOf(state))
      }
      return state
    },
  }
}

function nearestKept(kept: ReadonlyMap<number, FloorState>, target: number): number {
  for (let at = target - (target % EVERY); at > 1; at -= EVERY) if (kept.has(at)) return at
  return 1
}

const MARKS: readonly FloorEvent['kind'][] = ['stormSwitched', 'queueDoorSet', 'setUpChanged', 'campaignStateChanged', 'workAssigned', 'helpAsked']

/** What is marked on a day: what somebody did about the floor, and whoever asked for help. */
export const isMark = ({ event }: LedgerEntry): boolean => MARKS.includes(event.kind)
