'use client'
// F6 goes to the next part of the screen, Shift+F6 to the one before: to the first thing in it that can be pressed, or to the part itself.
import { useEffect } from 'react'

const PARTS = 'nav[aria-label], section[aria-label], aside, form[aria-label], footer, [role="region"][aria-label], [role="toolbar"][aria-label], main'
const PRESSED = 'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex="0"]'

const isSeen = (element: Element): boolean => element.checkVisibility({ visibilityProperty: true }) && element.getClientRects().length > 0

/** What can be pressed in a part, and not in a part of it. */
const ownOf = (part: Element, all: readonly Element[]): HTMLElement[] =>
  [...part.querySelectorAll<HTMLElement>(PRESSED)].filter(
    (e) => isSeen(e) && e.tabIndex >= 0 && !all.some((p) => p !== part && part.contains(p) && p.contains(e)),
  )

interface Part {
  readonly part: HTMLElement
  readonly first: HTMLElement | undefined
}

/** Those in which something can be pressed that stands in no part of them, and a page's main part where nothing can; in the order of the page. */
export function partsOf(root: ParentNode): Part[] {
  const all = [...root.querySelectorAll<HTMLElement>(PARTS)].filter(isSeen)
  return all.map((part) => ({ part, first: ownOf(part, all)[0] })).filter(({ part, first }) => first !== undefined || part.tagName === 'MAIN')
}

export function useRegionKeys(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'F6' || event.altKey || event.ctrlKey || event.metaKey || event.defaultPrevented) return
      if (document.querySelector('[data-modal]') !== null) return
      event.preventDefault()
      const parts = partsOf(document)
      const now = document.activeElement
      // The innermost one somebody is in: a part comes before what is in it.
      const at = parts.findLastIndex(({ part }) => part.contains(now))
      const follows = ({ part }: Part) => now !== null && (now.compareDocumentPosition(part) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0
      const next = at >= 0 ? at + 1 : parts.findIndex(follows)
      const to = event.shiftKey ? (at >= 0 ? at : next < 0 ? parts.length : next) - 1 : next
      const going = parts[(to + parts.length) % parts.length]
      if (going === undefined) return
      const { part, first } = going
      if (first === undefined) part.tabIndex = -1
      ;(first ?? part).focus()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
