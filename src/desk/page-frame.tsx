'use client'
// The frame of every page but the desk itself: name, places, notices, and a word while the floor opens.
import type { ReactNode } from 'react'
import type { FloorView } from '@/exchange/protocol'
import { useFloorView } from '@/exchange/react'
import { Navigation, type Place } from './navigation'
import { Notices } from './notices'

interface Props {
  readonly here: Place
  /** The page is as high as the window, and its parts scroll by themselves. */
  readonly fills?: boolean
  readonly children: (view: FloorView) => ReactNode
}

export function PageFrame({ here, fills = false, children }: Props) {
  const view = useFloorView()
  return (
    <div className={fills ? 'flex h-screen flex-col' : 'min-h-screen'}>
      <header className="flex h-11 shrink-0 items-center gap-4 border-line-strong border-b bg-raised px-4">
        <span className="font-semibold text-green">Loyal Switchboard</span>
        <span className="text-soft">{view?.centre.name}</span>
        <div className="ml-auto">
          <Navigation here={here} />
        </div>
      </header>
      {view !== null && <Notices floor={view.floor} />}
      {view === null ? (
        <p role="status" className="px-6 py-10 text-soft">
          Opening the floor…
        </p>
      ) : (
        children(view)
      )}
    </div>
  )
}
