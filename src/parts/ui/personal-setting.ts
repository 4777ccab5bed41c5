'use client'
// A small choice of the agent's own that outlives the call: kept in this browser, forgotten with it. Every part of the page that
// uses the same setting sees a change at once.
import { useCallback, useSyncExternalStore } from 'react'
import { readComfort, writeComfort } from './comfort'

const listeners = new Set<() => void>()

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  window.addEventListener('storage', listener)
  return () => {
    listeners.delete(listener)
    window.removeEventListener('storage', listener)
  }
}

/** The same for whoever keeps it elsewhere as well. */
export const SETTINGS = {
  subscribe,
  read: (name: string): string | null => readComfort(`setting ${name}`),
  write: (name: string, text: string): void => {
    writeComfort(`setting ${name}`, text)
    for (const listener of listeners) listener()
  },
}

export function usePersonalSetting<T extends string>(name: string, initial: T): readonly [T, (value: T) => void] {
  const key = `setting ${name}`
  const value = useSyncExternalStore(
    subscribe,
    () => (readComfort(key) as T | null) ?? initial,
    () => initial,
  )
  const set = useCallback(
    (next: T) => {
      writeComfort(key, next)
      for (const listener of listeners) listener()
    },
    [key],
  )
  return [value, set]
}

/** The same for a number from 0 to 1. */
export function usePersonalNumber(name: string, initial: number): readonly [number, (value: number) => void] {
  const [text, setText] = usePersonalSetting<string>(name, String(initial))
  const value = Number(text)
  const set = useCallback((next: number) => setText(String(next)), [setText])
  return [value >= 0 && value <= 1 ? value : initial, set]
}
