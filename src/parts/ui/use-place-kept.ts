'use client'
// Whoever comes back to a list finds it scrolled where they left it, for as long as the tab is open.
import { type RefCallback, type RefObject, useCallback } from 'react'

const places = new Map<string, number>()
/** What is fetched when one comes may be shorter at first than what was left. */
const WAITS_MS = 3_000
const HANDS = ['wheel', 'keydown', 'pointerdown'] as const

/** The ref of what scrolls; its place is kept under the name, and `scroller` says which element it is. */
export function usePlaceKept<E extends HTMLElement>(name: string, scroller?: RefObject<E | null>): RefCallback<E> {
  return useCallback(
    (box: E | null) => {
      if (scroller !== undefined) scroller.current = box
      if (box === null) return
      return keptPlace(box, name)
    },
    [name, scroller],
  )
}

function keptPlace(box: HTMLElement, name: string): () => void {
  const wanted = places.get(name) ?? 0
  let isThere = false
  const goBack = () => {
    if (isThere) return
    box.scrollTop = wanted
    isThere = Math.abs(box.scrollTop - wanted) < 2
  }
  goBack()
  // As it grows, until it is long enough; a hand on it has the last word.
  const grows = new MutationObserver(goBack)
  grows.observe(box, { childList: true, subtree: true, attributes: true, attributeFilter: ['style'] })
  const stop = () => {
    isThere = true
    grows.disconnect()
  }
  const waits = setTimeout(stop, WAITS_MS)
  const moved = () => {
    if (isThere) places.set(name, box.scrollTop)
  }
  box.addEventListener('scroll', moved, { passive: true })
  for (const kind of HANDS) box.addEventListener(kind, stop, { passive: true })
  return () => {
    clearTimeout(waits)
    grows.disconnect()
    box.removeEventListener('scroll', moved)
    for (const kind of HANDS) box.removeEventListener(kind, stop)
  }
}
