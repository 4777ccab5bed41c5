'use client'
// The mailboxes this account may open, asked for anew whenever a message or a greeting changes anywhere.
import { useEffect, useRef, useState } from 'react'
import type { MessagesPage } from '@/exchange/protocol'
import { useFloor, useSeen } from '@/exchange/react'

/** null until the floor has answered. */
export function useMessages(): MessagesPage | null {
  const floor = useFloor()
  const revision = useSeen((view) => view.voicemail.revision)
  const [page, setPage] = useState<MessagesPage | null>(null)
  const latest = useRef(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision is another answer to the same question
  useEffect(() => {
    const mine = ++latest.current
    void floor?.ask({ kind: 'messages' }).then((reply) => {
      if (mine === latest.current && reply.ok && reply.text !== null) setPage(JSON.parse(reply.text) as MessagesPage)
    })
  }, [floor, revision])
  return page
}
