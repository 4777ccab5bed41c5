'use client'
// While a page is added above or below, what was read last stays where it is read.
import { type RefObject, useLayoutEffect, useRef } from 'react'

/** Says which line is to stay, before the page is shown; lines carry their number as `data-no`. */
export function useStays(box: RefObject<HTMLElement | null>): (no: number | undefined, block: 'start' | 'end') => void {
  const stays = useRef<{ readonly no: number; readonly block: 'start' | 'end' } | null>(null)
  useLayoutEffect(() => {
    if (stays.current === null) return
    box.current?.querySelector(`[data-no="${stays.current.no}"]`)?.scrollIntoView({ block: stays.current.block })
    stays.current = null
  })
  return (no, block) => {
    stays.current = no === undefined ? null : { no, block }
  }
}
