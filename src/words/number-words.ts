'use client'
// Telephone numbers as their country writes them. What knows that is large: it is fetched once a page has come to rest, and until
// then a number stands as it is kept.
import { useSyncExternalStore } from 'react'

type Write = (e164: string) => string

let write: Write | null = null
let isLoading = false
const listeners = new Set<() => void>()

/** For sentences that are put together outside a component; who shows them follows `useNumberWords`. */
export const numberWords: Write = (e164) => write?.(e164) ?? e164

export function useNumberWords(): Write {
  return useSyncExternalStore(subscribe, () => write ?? asKept, asKeptOnServer)
}

const asKept: Write = (e164) => e164
const asKeptOnServer = () => asKept

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  if (!isLoading) {
    isLoading = true
    void import('@/core/directory').then((m) => {
      write = m.writeNumber
      for (const tell of listeners) tell()
    })
  }
  return () => listeners.delete(listener)
}

/** Who somebody is: by name, by number, or in these words. */
export const callerWords = (name: string | null | undefined, number: string | null | undefined, otherwise: string): string =>
  name ?? (number == null ? otherwise : numberWords(number))
