'use client'
// Stands where a part of the page would be that has failed: what it means for whoever is in a call, and what to do.
import { useEffect } from 'react'
import { Button } from '@/parts/ui'

/** `onAgain`: null where nothing but loading the page anew is left. */
export function Failed({ error, onAgain }: { error: Error; onAgain: (() => void) | null }) {
  useEffect(() => console.error('A part of the page has failed:', error), [error])
  return (
    <main className="m-6 max-w-[45rem] border-red border-l-4 bg-red-wash px-4 py-3 text-ink">
      <h1 className="font-semibold text-red">This part of the page has failed</h1>
      <p className="mt-1">
        Calls go on, and nothing that was kept is lost. {onAgain === null ? 'Load the page anew.' : 'Try again; if it fails again, load the page anew.'}{' '}
        <span className="text-soft">({error.message})</span>
      </p>
      <div className="mt-3 flex gap-2">
        {onAgain !== null && (
          <Button tone="primary" onClick={onAgain}>
            Try again
          </Button>
        )}
        <Button onClick={() => location.reload()}>Load the page anew</Button>
      </div>
    </main>
  )
}
