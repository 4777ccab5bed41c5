'use client'
// Shortcuts are shown on their controls while Alt is held for a moment, and out of the way otherwise.
import { useSyncExternalStore } from 'react'

/** Whoever knows the key has pressed it by then, and nothing flashes under their eyes. */
const SHOWN_AFTER_MS = 250

let held = false
let timer: ReturnType<typeof setTimeout> | undefined
const listeners = new Set<() => void>()
const show = (next: boolean) => {
  if (held === next) return
  held = next
  for (const listener of listeners) listener()
}
const set = (alt: boolean) => {
  if (!alt) {
    clearTimeout(timer)
    timer = undefined
    show(false)
  } else timer ??= setTimeout(() => show(true), SHOWN_AFTER_MS)
}

if (typeof window !== 'undefined') {
  window.addEventListener('keydown', (event) => set(event.altKey))
  window.addEventListener('keyup', (event) => set(event.altKey && event.key !== 'Alt'))
  window.addEventListener('blur', () => set(false))
}

const useAltHeld = () =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => held,
    () => false,
  )

/** Floats over the corner of its (relative) parent; not part of the parent's name. */
export function ShortcutHint({ keys }: { keys: string }) {
  if (!useAltHeld()) return null
  return (
    <span aria-hidden className="tabular pointer-events-none absolute -top-2.5 right-1 z-10 rounded-sm border border-ink bg-ink px-1 text-xs text-on-fill">
      {keys.replace('Alt+', '')}
    </span>
  )
}
