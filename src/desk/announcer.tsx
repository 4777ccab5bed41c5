'use client'
// Tells screen readers what changed on the board, in the board's own words; silent about clocks.
import type { CallView, MeView } from '@/exchange/protocol'
import { describeBoard } from './board/describe'

export function Announcer({ me, calls, said }: { me: MeView; calls: readonly CallView[]; said: string }) {
  // The clock is read once per change of the calls: an announcement a second would drown the caller.
  const words = describeBoard(me, calls, Date.now())
  return (
    <div className="sr-only">
      <p role="status" aria-label="Board in words" aria-live="assertive">
        {words}
      </p>
      <p role="status" aria-label="Saved">
        {said}
      </p>
    </div>
  )
}
