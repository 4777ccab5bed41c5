// Stretches in which the floor was closed or its computer slept: nobody talked, was ready or had a break in them.
import type { EpochMs } from '@/core/time'
import type { FloorEvent } from './entry'

/** A page that is loaded anew closes nothing. */
const SHORTEST_MS = 10_000

export interface ClosedStretch {
  readonly fromMs: EpochMs
  readonly toMs: EpochMs
}

/** From when to when nobody was there, where the event tells of such a stretch; it ends with the event. */
export function closedStretch(event: FloorEvent, atMs: EpochMs): ClosedStretch | null {
  const lastedMs = event.kind === 'floorResumed' ? event.gapMs : event.kind === 'clockMoved' ? event.byMs : 0
  return lastedMs < SHORTEST_MS ? null : { fromMs: atMs - lastedMs, toMs: atMs }
}
