'use client'
// Keeps the keyboard somewhere. When what had the focus leaves the page (a dialog that closes, a button that has done its work, a page that is left), the
// browser drops it to the document, and the next Tab begins at the top. Here it goes to the nearest part that still stands, and says so to screen readers by
// that part's name. Nothing is ever taken from a field that has it.
import { useEffect } from 'react'

/** Parts that take the focus when something inside them has lost it. */
const HOMES = '[data-focus-home], main, dialog, [role=dialog]'

export function useFocusKeeper(): void {
  useEffect(() => {
    let last: Element | null = null
    let homes: readonly Element[] = []
    const remember = (event: FocusEvent) => {
      if (!(event.target instanceof Element) || event.target === document.body) return
      last = event.target
      const found: Element[] = []
      for (let at = last.parentElement?.closest(HOMES) ?? null; at !== null; at = at.parentElement?.closest(HOMES) ?? null) found.push(at)
      homes = found
    }
    const look = () => {
      if (last === null || (document.activeElement !== document.body && document.activeElement !== null)) return
      const gone = !last.isConnected || (last instanceof HTMLButtonElement && last.disabled)
      if (!gone) return
      const home = homes.find((h) => h.isConnected) ?? document.querySelector('main')
      if (!(home instanceof HTMLElement)) return
      const heading = home.matches('main') ? home.querySelector('h1') : null
      const target = heading ?? home
      if (!target.hasAttribute('tabindex')) target.tabIndex = -1
      target.focus({ preventScroll: true })
    }
    // After everything that happens with the change has happened: somebody may give the focus a place of their own.
    let waits = 0
    const observer = new MutationObserver(() => {
      cancelAnimationFrame(waits)
      waits = requestAnimationFrame(look)
    })
    document.addEventListener('focusin', remember)
    observer.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] })
    return () => {
      document.removeEventListener('focusin', remember)
      observer.disconnect()
      cancelAnimationFrame(waits)
    }
  }, [])
}
