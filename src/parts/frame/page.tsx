'use client'
// A page inside the frame: its title, its heading for who comes by keyboard, and a plain word for whoever may not enter.
import { usePathname } from 'next/navigation'
import { type ReactNode, useEffect, useRef } from 'react'
import type { FloorView } from '@/services/exchange/protocol'
import { useFloorView, useSeen } from '@/services/exchange/react'
import { useTitleOf } from './frame'
import { mayEnter, type Place } from './rights'

interface Props {
  readonly title: string
  readonly place: Place
  /** The page is as high as the window leaves it, and its parts scroll by themselves. */
  readonly fills?: boolean
  /** A page that shows most of the floor is given the whole of it. */
  readonly children: ReactNode | ((view: FloorView) => ReactNode)
}

export function Page({ title, place, fills = false, children }: Props) {
  const account = useSeen((view) => view.account)
  useTitleOf(title)
  const page = useRef<HTMLDivElement>(null)
  useFocusOnHeading(page)
  if (account === null) return null
  return (
    <div ref={page} className={fills ? 'flex min-h-0 flex-1 flex-col' : ''}>
      {!mayEnter(account, place) ? <NotAllowed title={title} /> : typeof children === 'function' ? <WholeFloor>{children}</WholeFloor> : children}
    </div>
  )
}

function WholeFloor({ children }: { children: (view: FloorView) => ReactNode }) {
  const view = useFloorView()
  return view === null ? null : children(view)
}

/** Whoever came here by a link goes on from the heading; whoever came by an address, or is typing, is left alone. */
function useFocusOnHeading(page: { readonly current: HTMLElement | null }): void {
  const path = usePathname()
  useEffect(() => {
    const from = lastPath
    if (!cameByLink(path)) return
    let stop = () => {}
    const frame = requestAnimationFrame(() => {
      const heading = page.current?.querySelector('h1')
      if (heading == null) return
      heading.tabIndex = -1
      heading.focus({ preventScroll: true })
      // Back from one of a list, at that one: as soon as it is there, and nothing else has been gone to.
      if (from !== null && page.current !== null) stop = goBackTo(from, heading, page.current)
    })
    return () => {
      cancelAnimationFrame(frame)
      stop()
    }
  }, [path, page])
}

const WAITS_MS = 3_000

function goBackTo(path: string, heading: HTMLElement, page: HTMLElement): () => void {
  const look = () => {
    if (document.activeElement !== heading) return stop()
    const one = [...page.querySelectorAll<HTMLElement>('main a[href], main [data-href]')].find((e) => (e.dataset.href ?? e.getAttribute('href')) === path)
    if (one === undefined) return
    stop()
    one.focus()
  }
  const comes = new MutationObserver(look)
  const waits = setTimeout(() => stop(), WAITS_MS)
  const stop = () => {
    comes.disconnect()
    clearTimeout(waits)
  }
  comes.observe(page, { childList: true, subtree: true })
  look()
  return stop
}

let lastPath: string | null = null
function cameByLink(path: string): boolean {
  const came = lastPath !== null && lastPath !== path
  lastPath = path
  return came
}

function NotAllowed({ title }: { title: string }) {
  const owners = useSeen(({ centre }) => centre.owners) ?? []
  return (
    <main className="px-6 py-10">
      <h1 className="font-semibold text-2xl">{title}</h1>
      <p className="mt-2">
        Your account may not enter this page. {owners.length === 0 ? 'Nobody here can enable it.' : `${owners.join(' or ')} can enable it in Set-up.`}
      </p>
    </main>
  )
}
