// The floor's time, at a tab. The computer's clock may be set while a call is on: every clock on a desk goes by the floor's, which only ever passes.

let aheadMs: number | null = null

/** What two clocks of one machine differ by for being asked one after the other. */
const NOISE_MS = 250

/** `atMs` is what the floor's clock said when it sent the message that has just come. */
export function setFloorClock(atMs: number): void {
  const next = atMs - performance.now()
  // A message takes a moment to come, never less than none: the latest clock is the truest, unless the floor is another one now.
  if (aheadMs === null || next > aheadMs || aheadMs - next > NOISE_MS) aheadMs = next
}

/** Epoch milliseconds of the floor's clock; the computer's before the floor has spoken. */
export const floorNow = (): number => (aheadMs === null ? Date.now() : Math.round(performance.now() + aheadMs))
