'use client'
// The frame of every page but the desk itself: name, places, notices, and a word while the floor opens.
import type { ReactNode } from 'react'
import type { FloorView } from '@/exchange/protocol'
import { useFloorView } from '@/exchange/react'
import { Navigation, type Place } from './navigation'
import { Notices } from './notices'

export function PageFrame({ here, children }: { here: Place; children: (view: FloorView) => ReactNode }) {
  const view = useFloorView()
  return (
    <div className="min-h-screen">
      <header className="flex h-11 items-center gap-4 border-line-strong border-b bg-raised px-4">
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
