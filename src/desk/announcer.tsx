'use client'
// Tells screen readers what changed on the board, in the board's own words; silent about clocks.
import type { CallView, MeView } from '@/exchange/protocol'
import { describeBoard, type Names } from './board/describe'

interface Props {
  readonly me: MeView
  readonly calls: readonly CallView[]
  readonly names: Names
  readonly said: string
}

export function Announcer({ me, calls, names, said }: Props) {
  // The clock is read once per change of the calls: an announcement a second would drown the caller.
  const words = describeBoard(me, calls, names, Date.now())
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
