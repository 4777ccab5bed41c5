'use client'
// Whether the messages with colleagues are open, and with whom: anything on the page may open them.
import { useSyncExternalStore } from 'react'
import type { CircleOf } from '@/core/circles'

export interface MessagesOpen {
  /** null: the list of them. */
  readonly circle: CircleOf | null
}

let open: MessagesOpen | null = null
const listeners = new Set<() => void>()

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export function openMessages(next: MessagesOpen | null): void {
  open = next
  for (const listener of listeners) listener()
}

export const useMessagesOpen = (): MessagesOpen | null =>
  useSyncExternalStore(
    subscribe,
    () => open,
    () => null,
  )
