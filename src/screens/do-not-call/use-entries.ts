'use client'
// What the floor finds on the list, asked again whenever the list or the search changes.
import { useCallback, useEffect, useState } from 'react'
import type { DoNotCallPage } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

const STEP = 50

export function useEntries(search: string, revision: number): { readonly page: DoNotCallPage | null; readonly more: () => void } {
  const floor = useFloor()
  const [page, setPage] = useState<DoNotCallPage | null>(null)
  const [atMost, setAtMost] = useState(STEP)
  const read = useCallback(
    async (_revision: number, isCurrent: () => boolean) => {
      const reply = await floor?.ask({ kind: 'doNotCall', search, atMost })
      if (reply?.ok && reply.text !== null && isCurrent()) setPage(JSON.parse(reply.text) as DoNotCallPage)
    },
    [floor, search, atMost],
  )
  useEffect(() => {
    let current = true
    void read(revision, () => current)
    return () => {
      current = false
    }
  }, [read, revision])
  return { page, more: () => setAtMost((n) => n + STEP) }
}
