'use client'
// The frame of the supervisor's pages: name, places, notices, and a word while the floor opens.
import type { ReactNode } from 'react'
import { Navigation, Notices } from '@/desk'
import type { FloorView } from '@/exchange/protocol'
import { useFloorView } from '@/exchange/react'

export function ResultsFrame({ children }: { children: (view: FloorView) => ReactNode }) {
  const view = useFloorView()
  return (
    <div className="min-h-screen">
      <header className="flex h-11 items-center gap-4 border-line-strong border-b bg-raised px-6">
        <span className="font-semibold text-green">Loyal Switchboard</span>
        <span className="text-soft">{view?.centre.name}</span>
        <div className="ml-auto">
          <Navigation here="results" />
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
