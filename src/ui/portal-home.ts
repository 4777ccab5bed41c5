'use client'
// Where menus, dialogs and other floating parts are put: the page, or the window the part that opens them stands in.
import { createContext, useContext } from 'react'

export const PortalHome = createContext<HTMLElement | null>(null)

/** For the `Portal` of a Radix primitive. */
export function usePortal(): { readonly container?: HTMLElement } {
  const home = useContext(PortalHome)
  return home === null ? {} : { container: home }
}
