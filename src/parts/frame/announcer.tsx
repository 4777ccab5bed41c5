'use client'
// Tells screen readers what changed on the board, in the board's own words; silent about clocks.
import { useMemo } from 'react'
import { useNowMs } from '@/parts/ui'
import { describeBoard } from '@/parts/words'
import type { CallView, CentreView, MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'

interface Props {
  readonly me: MeView
  readonly calls: readonly CallView[]
  readonly centre: CentreView
  readonly said: string
}

export function Announcer({ me, calls, centre, said }: Props) {
  const seats = useSeen((view) => view.seats) ?? NOBODY
  const names = useMemo(() => ({ me, seats, centre }), [me, seats, centre])
  // What is announced has no clocks: a sentence that changed every second would drown the caller.
  const words = describeBoard(me, calls, names, null)
  const nowMs = useNowMs()
  return (
    <div className="sr-only">
      <p role="status" aria-label="Board in words" aria-live="assertive">
        {words}
      </p>
      <p role="status" aria-label="Saved">
        {said}
      </p>
      {/* With clocks, for whoever goes and reads it. */}
      <section aria-label="Call in words">
        <p>{describeBoard(me, calls, names, nowMs)}</p>
      </section>
    </div>
  )
}

const NOBODY = [] as const
