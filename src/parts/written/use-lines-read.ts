'use client'
// The lines of a thread that are in front of the reader, and how to turn to others a page at a time.
import { useState } from 'react'
import type { Line } from '@/core/threads'
import type { ThreadView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'
import { linesBefore } from './earlier-lines'
import { shownOf, withEarlier, withLater } from './stretch'

/** Lines that are asked for at once on the way down. */
const PAGE = 100

/** A page that has come, to be shown; null when it did not come. */
type Turned = Promise<(() => void) | null>

interface LinesRead {
  readonly shown: readonly Line[]
  /** How many lines are above what is shown, and below it. */
  readonly before: number
  readonly after: number
  readonly earlier: () => Turned
  readonly later: () => Turned
  readonly toEnd: () => void
}

/** Of one thread: another one is shown by another list. */
export function useLinesRead({ id, lines, lineCount }: ThreadView): LinesRead {
  const floor = useFloor()
  const [read, setRead] = useState<readonly Line[] | null>(null)
  const shown = shownOf(read, lines)
  const first = shown[0]?.no ?? lineCount + 1
  const last = shown.at(-1)?.no ?? lineCount
  return {
    shown,
    before: first - 1,
    after: lineCount - last,
    earlier: async () => {
      const page = await linesBefore(floor, id, first)
      return page === null ? null : () => setRead(withEarlier(shown, page))
    },
    later: async () => {
      const page: Line[] = []
      // Long lines come a few at a time, the last of them first.
      for (let before = Math.min(lineCount, last + PAGE) + 1; before > last + 1; before = page[0]?.no ?? 0) {
        const got = await linesBefore(floor, id, before)
        if (got === null || got.length === 0) return null
        page.unshift(...got.filter((l) => l.no > last))
        if (got.some((l) => l.no <= last + 1)) break
      }
      return () => setRead(withLater(shown, page))
    },
    toEnd: () => setRead(null),
  }
}
