'use client'
// Something of one's own, or of the centre, that lasts as long as the ledger: shown at once from this browser's memory, kept by the floor.
import { useCallback, useEffect, useRef, useSyncExternalStore } from 'react'
import type { FloorClient } from './client'
import type { KeptOf } from './kept-things'
import { useFloor, useSeen } from './react'

/** Where it stands at once: changes are seen by every part of the page, and by other tabs. */
export interface AtHand {
  readonly subscribe: (listener: () => void) => () => void
  readonly read: (name: string) => string | null
  readonly write: (name: string, text: string) => void
}

export const askKept = async (floor: FloorClient, of: KeptOf, name: string): Promise<{ readonly text: string | null } | null> => {
  const reply = await floor.ask({ kind: 'keptThing', of, name })
  return reply.ok ? { text: reply.text } : null
}
export const keep = (floor: FloorClient | null, of: KeptOf, name: string, text: string | null): void => void floor?.ask({ kind: 'keepThing', of, name, text })

/** `before`: under which name this browser kept it before the floor did. */
export function useKept(atHand: AtHand, of: KeptOf, name: string, initial: string, before = name): readonly [string, (text: string) => void] {
  const floor = useFloor()
  const accountId = useSeen((view) => view.account.id)
  const here = of === 'centre' ? name : `${name} of ${accountId}`
  const touched = useRef('')
  const text = useSyncExternalStore(
    atHand.subscribe,
    () => atHand.read(here) ?? initial,
    () => initial,
  )
  useEffect(() => {
    if (floor === null || accountId === null) return
    let isThere = true
    void askKept(floor, of, name).then((kept) => {
      // Whoever has changed it meanwhile means what they did.
      if (!isThere || kept === null || touched.current === here) return
      const held = atHand.read(here) ?? atHand.read(before)
      if (kept.text !== null) atHand.write(here, kept.text)
      else if (held !== null && held !== initial) {
        atHand.write(here, held)
        keep(floor, of, name, held)
      }
    })
    return () => {
      isThere = false
    }
  }, [floor, accountId, atHand, of, name, here, before, initial])
  const set = useCallback(
    (next: string) => {
      touched.current = here
      atHand.write(here, next)
      keep(floor, of, name, next === initial ? null : next)
    },
    [floor, atHand, of, name, here, initial],
  )
  return [text, set]
}
