'use client'
// Where menus, dialogs and other floating parts are put: the page, or the window the part that opens them stands in.
import { createContext, useContext } from 'react'

export const PortalHome = createContext<HTMLElement | null>(null)

/** A part of the page of its own: who goes from part to part finds what is open. */
export const ABOVE_THE_PAGE = 'above-the-page'

/** For the `Portal` of a Radix primitive. */
export function usePortal(): { readonly container?: HTMLElement } {
  const home = useContext(PortalHome) ?? (typeof document === 'undefined' ? null : document.getElementById(ABOVE_THE_PAGE))
  return home === null ? {} : { container: home }
}
