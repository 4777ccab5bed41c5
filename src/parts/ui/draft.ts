'use client'
// What is being typed survives a reload: every keystroke is mirrored in this tab's session storage at once, because
// the worker that holds the floor may be gone before a message reaches it. Every part of the page that shows the same draft sees it at once.
import { useCallback, useSyncExternalStore } from 'react'
import { readTabComfort, writeTabComfort } from './comfort'

const listeners = new Set<() => void>()

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** State under a key; a change of key starts from that key's draft, or from `initial`. */
export function useDraft(key: string, initial: string): readonly [value: string, set: (value: string) => void, forget: () => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => read(key) ?? initial,
    () => initial,
  )
  const write = useCallback(
    (next: string | null) => {
      writeTabComfort(`draft ${key}`, next)
      for (const listener of listeners) listener()
    },
    [key],
  )
  return [value, write, useCallback(() => write(null), [write])]
}

const read = (key: string): string | null => (typeof sessionStorage === 'undefined' ? null : readTabComfort(`draft ${key}`))
