'use client'
// What is being written in a piece, and for whom: one draft, kept by the floor. It is here at once when its piece comes to the front again, comes back after
// the tab was closed, and is on its way to the floor while the page goes.
import { useCallback, useEffect, useRef, useState } from 'react'
import type { WorkId } from '@/core/ids'
import type { FloorClient } from '@/services/exchange/client'
import type { Draft } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

export interface WrittenDraft {
  readonly text: string
  /** For colleagues only. */
  readonly aside: boolean
}

const NOTHING: WrittenDraft = { text: '', aside: false }
const KEPT_AFTER_MS = 400
/** Long ones are sent less often: a floor that reads a hundred thousand characters does nothing else meanwhile. */
const MS_PER_CHARACTER = 0.02

/** Of this tab: what its pieces hold, and what of it the floor has not been told yet. */
const here = new Map<WorkId, WrittenDraft>()
const unsaid = new Map<WorkId, ReturnType<typeof setTimeout>>()

function tell(floor: FloorClient, threadId: WorkId): Promise<unknown> {
  clearTimeout(unsaid.get(threadId))
  unsaid.delete(threadId)
  return floor.ask({ kind: 'keepDraft', threadId, ...(here.get(threadId) ?? NOTHING) })
}

/** Before a piece goes on to somebody else: what was typed last goes along. */
export async function tellDraft(floor: FloorClient | null, threadId: WorkId): Promise<void> {
  if (floor !== null && unsaid.has(threadId)) await tell(floor, threadId)
}

export interface Writing {
  readonly draft: WrittenDraft
  readonly change: (next: Partial<WrittenDraft>) => void
  /** What was sent is no draft any more; nothing is forgotten that was typed since. */
  readonly sent: (text: string) => void
  /** What those had begun who have the piece no more. */
  readonly left: readonly Draft[]
  readonly drop: (of: Draft) => void
}

export function useWrittenDraft(threadId: WorkId, me: string): Writing {
  const floor = useFloor()
  const [draft, setDraft] = useState(() => here.get(threadId) ?? NOTHING)
  const [left, setLeft] = useState<readonly Draft[]>([])
  const asked = useRef(false)

  const keep = useCallback(
    (next: WrittenDraft) => {
      here.set(threadId, next)
      setDraft(next)
      if (floor === null) return
      clearTimeout(unsaid.get(threadId))
      unsaid.set(
        threadId,
        setTimeout(() => void tell(floor, threadId), KEPT_AFTER_MS + next.text.length * MS_PER_CHARACTER),
      )
    },
    [floor, threadId],
  )

  useEffect(() => {
    if (floor === null || asked.current) return
    asked.current = true
    void floor.ask({ kind: 'drafts', threadId }).then((reply) => {
      const drafts: readonly Draft[] = reply.ok && reply.text !== null ? JSON.parse(reply.text) : []
      setLeft(drafts.filter((d) => d.agentId !== me))
      const mine = drafts.find((d) => d.agentId === me)
      // What this tab holds is newer: it was typed here, or sent from here.
      if (mine === undefined || here.has(threadId)) return
      here.set(threadId, { text: mine.text, aside: mine.aside })
      setDraft({ text: mine.text, aside: mine.aside })
    })
  }, [floor, threadId, me])

  useEffect(() => {
    const going = () => void (floor !== null && unsaid.has(threadId) && tell(floor, threadId))
    addEventListener('pagehide', going)
    return () => {
      removeEventListener('pagehide', going)
      going()
    }
  }, [floor, threadId])

  return {
    draft,
    left,
    change: (next) => keep({ ...(here.get(threadId) ?? draft), ...next }),
    sent: (text) => {
      const now = here.get(threadId) ?? NOTHING
      // For whom the next words are stays as it is until somebody changes it.
      if (now.text === text) keep({ ...now, text: '' })
    },
    drop: (of) => {
      setLeft((all) => all.filter((d) => d !== of))
      void floor?.ask({ kind: 'dropDraft', threadId, ofAgentId: of.agentId })
    },
  }
}
