'use client'
// The one ticking clock of a tab: every duration on screen reads it, so that they all step together.
import { useSyncExternalStore } from 'react'
import { formatClock } from '@/core/time'

const TICK_MS = 250
const listeners = new Set<() => void>()
let timer: ReturnType<typeof setInterval> | undefined
let nowMs = 0
/** Where the time comes from: the floor's clock once it is known. */
let source: () => number = Date.now

export function setClockSource(next: () => number): void {
  source = next
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  if (timer === undefined) {
    nowMs = source()
    timer = setInterval(() => {
      nowMs = source()
      for (const tell of listeners) tell()
    }, TICK_MS)
  }
  return () => {
    listeners.delete(listener)
    if (listeners.size > 0) return
    clearInterval(timer)
    timer = undefined
  }
}

const read = () => (nowMs === 0 ? source() : nowMs)

/** The present to a quarter of a second, epoch milliseconds. */
export const useNowMs = (): number => useSyncExternalStore(subscribe, read, () => 0)

/** Time since an instant, counting; `untilMs` stops it. */
export function Clock({ sinceMs, untilMs = null, className = '' }: { sinceMs: number; untilMs?: number | null; className?: string }) {
  const now = useNowMs()
  return <span className={`tabular ${className}`}>{formatClock((untilMs ?? now) - sinceMs)}</span>
}
