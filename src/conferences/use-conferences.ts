'use client'
// Conferences the account has to do with, asked for anew whenever one changes anywhere.
import { useEffect, useRef, useState } from 'react'
import type { ConferencesPage } from '@/exchange/protocol'
import { useFloor, useSeen } from '@/exchange/react'

/** null until the floor has answered. */
export function useConferences(): ConferencesPage | null {
  const floor = useFloor()
  const revision = useSeen((view) => view.conferences.revision)
  const [page, setPage] = useState<ConferencesPage | null>(null)
  const latest = useRef(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision is another answer to the same question
  useEffect(() => {
    const mine = ++latest.current
    void floor?.ask({ kind: 'conferences' }).then((reply) => {
      if (mine === latest.current && reply.ok && reply.text !== null) setPage(JSON.parse(reply.text) as ConferencesPage)
    })
  }, [floor, revision])
  return page
}
