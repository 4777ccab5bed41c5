// A pacer that may fail without the campaign failing with it: what throws, or answers what is no number of attempts, is replaced by one attempt per idle
// agent for the rest of the shift, and said.
import type { Observation, Pacer, PacingEvent } from './interface'
import { createProgressive } from './progressive'

export interface GuardedPacer extends Pacer {
  /** Why progressive has taken over; null while it has not. */
  fault(): string | null
}

export function guarded(pacer: Pacer, onFault: (why: string) => void = () => {}): GuardedPacer {
  let acting = pacer
  let fault: string | null = null
  const fails = (why: string) => {
    fault = why
    acting = createProgressive()
    onFault(why)
  }
  return {
    decide(o: Observation) {
      if (fault !== null) return acting.decide(o)
      try {
        const count = acting.decide(o)
        if (Number.isInteger(count) && count >= 0 && count <= o.linesFree) return count
        fails(`it wanted ${String(count)} attempts with ${o.linesFree} lines free`)
      } catch (error) {
        fails(error instanceof Error ? error.message : String(error))
      }
      return acting.decide(o)
    },
    observe(event: PacingEvent) {
      if (fault !== null) return
      try {
        acting.observe?.(event)
      } catch (error) {
        fails(error instanceof Error ? error.message : String(error))
      }
    },
    reasons: () => acting.reasons?.() ?? NOTHING,
    fault: () => fault,
  }
}

const NOTHING = { risk: 0, lastTaken: null, firstLeft: null, credit: 0, liveRate: 0, medianLandingMs: 0, ahead: [] }
