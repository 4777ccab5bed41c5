'use client'
// The one ticking clock of a tab: every duration on screen reads it, so that they all step together.
import { createContext, useContext, useSyncExternalStore } from 'react'
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

/** Another time than the present, for what stands below; null for the present. */
export const TimeShown = createContext<number | null>(null)

const never = () => () => {}
const none = () => 0

/** The present to a quarter of a second, epoch milliseconds, or to whole `stepMs`; or the time that is shown instead. */
export function useNowMs(stepMs = 1): number {
  const shown = useContext(TimeShown)
  const stepped = () => Math.floor(read() / stepMs) * stepMs
  const now = useSyncExternalStore(shown === null ? subscribe : never, shown === null ? stepped : none, none)
  return shown ?? now
}

/** Time since an instant, counting; `untilMs` stops it. */
export function Clock({ sinceMs, untilMs = null, className = '' }: { sinceMs: number; untilMs?: number | null; className?: string }) {
  const shown = useContext(TimeShown)
  // What is read are the words: a clock is drawn when it says something else, and a hundred of them are not drawn four times a second.
  const says = () => formatClock((untilMs ?? shown ?? read()) - sinceMs)
  const words = useSyncExternalStore(shown === null && untilMs === null ? subscribe : never, says, says)
  return <span className={`tabular ${className}`}>{words}</span>
}
