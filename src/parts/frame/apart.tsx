'use client'
// A part of the frame that may fail by itself: a window of which the program could not be fetched takes neither the page nor the call with it.
import type { ReactNode } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { Button } from '@/parts/ui'

/** `what` begins the sentence that is said instead. `onAgain` closes what was open, where there is something to close. */
export function Apart({ what, onAgain, children }: { what: string; onAgain?: () => void; children: ReactNode }) {
  return (
    <ErrorBoundary
      onReset={() => onAgain?.()}
      onError={(error) => console.error(`${what} has failed:`, error)}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <div role="alert" className="flex items-center gap-3 border-red border-t bg-red-wash px-4 py-2 text-ink print:hidden">
          <span>
            <strong className="text-red">{what} has failed.</strong> Calls go on.{' '}
            <span className="text-soft">({error instanceof Error ? error.message : String(error)})</span>
          </span>
          <Button onClick={resetErrorBoundary}>{onAgain === undefined ? 'Try again' : 'Close it'}</Button>
        </div>
      )}
    >
      {children}
    </ErrorBoundary>
  )
}
