'use client'
// The frame around the start of shift: name, places, and what the floor has to say before anybody has signed in.
import type { ReactNode } from 'react'
import { Navigation, Notices } from '@/desk'
import type { FloorView } from '@/exchange/protocol'

export function StartFrame({ view, children }: { view: FloorView | null; children: ReactNode }) {
  return (
    <div className="min-h-screen">
      <header className="flex h-11 items-center gap-4 border-line-strong border-b bg-raised px-4">
        <span className="font-semibold text-green">Loyal Switchboard</span>
        <span className="text-soft">{view?.centre.name}</span>
        <div className="ml-auto">
          <Navigation here="desk" />
        </div>
      </header>
      {view !== null && <Notices floor={view.floor} />}
      {view === null ? (
        <p role="status" className="px-6 py-10 text-soft">
          Opening the floor…
        </p>
      ) : (
        children
      )}
    </div>
  )
}
