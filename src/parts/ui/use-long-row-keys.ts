'use client'
// The keys of a list of which only the rows in view are drawn: one Tab stop, arrows, Page, Home and End through all of it, letters among the rows at
// hand. A row that is gone to is scrolled to first, and has the keyboard as soon as it is there.
import { type KeyboardEvent, type RefObject, useLayoutEffect, useRef, useState } from 'react'
import { beginningWith, isLetter, NOTHING_TYPED } from './type-ahead'

interface Asked {
  readonly scroller: RefObject<HTMLElement | null>
  readonly count: number
  /** Rows that go into the window. */
  readonly page: number
  /** Of the rows that are drawn, the first. */
  readonly firstDrawn: number
  readonly lastDrawn: number
  readonly scrollTo: (index: number) => void
  /** The rows at hand by what they are called, and the place of the first of them in the list; the others have to be searched for. */
  readonly names: readonly string[]
  readonly namesFrom: number
}

export function useLongRowKeys({ scroller, count, page, firstDrawn, lastDrawn, scrollTo, names, namesFrom }: Asked) {
  const [at, setAt] = useState(0)
  const typed = useRef(NOTHING_TYPED())
  const goesTo = useRef<number | null>(null)
  const stop = at >= firstDrawn && at <= lastDrawn ? at : firstDrawn
  useLayoutEffect(() => {
    if (goesTo.current === null) return
    const row = scroller.current?.querySelector<HTMLElement>(`[data-row="${goesTo.current}"]`)
    if (row == null) return
    goesTo.current = null
    row.focus({ preventScroll: true })
  })
  const named = (key: string, from: number): number | undefined => {
    const found = beginningWith(typed.current, key, Math.max(-1, Math.min(names.length - 1, from - namesFrom)), names.length, (i) => names[i] ?? '')
    return found < 0 ? undefined : namesFrom + found
  }
  return {
    /** What stands on the element of a row that can have the keyboard. */
    row: (index: number) => ({ 'data-row': index, tabIndex: index === stop ? 0 : -1, onFocus: () => setAt(index) }),
    onKeyDown: (event: KeyboardEvent) => {
      if (event.altKey || event.ctrlKey || event.metaKey) return
      const from = (event.target as Element).closest('[data-row]') === null ? -1 : at
      const to = isLetter(event.key)
        ? named(event.key, from)
        : { ArrowDown: from + 1, ArrowUp: from - 1, PageDown: from + page, PageUp: from - page, Home: 0, End: count - 1 }[event.key]
      if (to === undefined || count === 0) return
      event.preventDefault()
      const next = Math.max(0, Math.min(count - 1, to))
      goesTo.current = next
      setAt(next)
      scrollTo(next)
    },
  }
}
