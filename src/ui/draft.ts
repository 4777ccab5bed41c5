'use client'
// What is being typed survives a reload: every keystroke is mirrored in this tab's session storage at once, because
// the worker that holds the floor may be gone before a message reaches it.
import { useCallback, useState } from 'react'
import { readTabComfort, writeTabComfort } from './comfort'

/** State under a key; a change of key starts from that key's draft, or from `initial`. */
export function useDraft(key: string, initial: string): readonly [value: string, set: (value: string) => void, forget: () => void] {
  const [held, setHeld] = useState(() => ({ key, value: read(key) ?? initial }))
  if (held.key !== key) setHeld({ key, value: read(key) ?? initial })
  const set = useCallback(
    (value: string) => {
      writeTabComfort(`draft ${key}`, value)
      setHeld({ key, value })
    },
    [key],
  )
  const forget = useCallback(() => writeTabComfort(`draft ${key}`, null), [key])
  return [held.key === key ? held.value : (read(key) ?? initial), set, forget]
}

const read = (key: string): string | null => (typeof sessionStorage === 'undefined' ? null : readTabComfort(`draft ${key}`))
