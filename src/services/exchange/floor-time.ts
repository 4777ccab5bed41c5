// The floor's time, at a tab. The computer's clock may be set while a call is on: every clock on a desk goes by the floor's, which only ever passes.

let aheadMs: number | null = null

/** `atMs` is what the floor's clock said when it sent the message that has just come. */
export function setFloorClock(atMs: number): void {
  const next = atMs - performance.now()
  // A message takes a moment to come, longer on a busy page, never less than none: the one that came fastest told the time best.
  if (aheadMs === null || next > aheadMs) aheadMs = next
}

/** Epoch milliseconds of the floor's clock; the computer's before the floor has spoken. */
export const floorNow = (): number => (aheadMs === null ? Date.now() : Math.round(performance.now() + aheadMs))
