'use client'
// A changed set-up that is not in use yet outlives its tab: the floor keeps it for whoever made it, and it is there when they come back.
import { useEffect, useRef } from 'react'
import * as z from 'zod'
import { SetUpSchema } from '@/core/set-up'
import { useFloor } from '@/services/exchange/react'
import { askKept, keep } from '@/services/exchange/use-kept'
import { type HeldDraft, holdDraft, useHeldDraft } from './draft-store'

const NAME = 'set-up draft'
/** A draft of an earlier version that this one cannot read is none. */
const DraftSchema = z.object({ setUp: SetUpSchema, base: SetUpSchema, basedOn: z.number() })

export function useKeptDraft(): void {
  const floor = useFloor()
  const held = useHeldDraft()
  /** What the floor has; undefined until it has said. */
  const kept = useRef<HeldDraft | null | undefined>(undefined)
  useEffect(() => {
    if (floor === null || kept.current !== undefined) return
    let isThere = true
    void askKept(floor, 'own', NAME).then((answer) => {
      if (!isThere || answer === null) return
      const draft = answer.text === null ? null : (DraftSchema.safeParse(JSON.parse(answer.text)).data ?? null)
      kept.current = draft
      // What this tab has begun is newer.
      if (held === null && draft !== null) holdDraft(draft)
      else if (held !== null) keep(floor, 'own', NAME, JSON.stringify(held))
    })
    return () => {
      isThere = false
    }
  }, [floor, held])
  useEffect(() => {
    if (kept.current === undefined || kept.current === held) return
    kept.current = held
    keep(floor, 'own', NAME, held === null ? null : JSON.stringify(held))
  }, [floor, held])
}
