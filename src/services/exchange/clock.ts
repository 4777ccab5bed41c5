// The floor's clock. It follows the time that has passed and not what the computer's clock says: set back, nothing of the floor goes back
// and no limit comes later; set ahead, or woken from sleep, the time in between has passed. Either way it is said.

export interface FloorClock {
  /** Epoch milliseconds that never go back. */
  now(): number
  /** How far the computer's clock was set since this was last asked: ahead is positive, back negative; 0 when it was left alone. */
  takeJump(): number
}

export interface Clocks {
  /** The computer's clock: it may be set. */
  readonly wall: () => number
  /** Milliseconds that only ever pass, from whenever. */
  readonly elapsed: () => number
}

/** What the two drift apart by themselves, or a busy machine makes of it. */
const UNNOTICED_MS = 2_000

/** `notBeforeMs` is the last instant the ledger knows: a computer set back while the floor was closed does not take it back. */
export function createFloorClock({ wall, elapsed }: Clocks, notBeforeMs: number): FloorClock {
  let ahead = wall() - elapsed()
  let seen = ahead
  let offset = Math.max(ahead, notBeforeMs - elapsed())
  let jump = 0
  const look = () => {
    ahead = wall() - elapsed()
    if (Math.abs(ahead - seen) <= UNNOTICED_MS) return
    jump += Math.round(ahead - seen)
    seen = ahead
    offset = Math.max(offset, ahead)
  }
  return {
    now() {
      look()
      return Math.round(elapsed() + offset)
    },
    takeJump() {
      look()
      const taken = jump
      jump = 0
      return taken
    },
  }
}
