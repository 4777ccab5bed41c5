'use client'
// One question about a shift to come and its answer, while it is worked out and afterwards.
import { useEffect, useRef, useState } from 'react'
import type { Foreseen, WhatIfAsked } from '@/core/pacing'
import { askWhatIf } from '@/screens/campaigns/what-if/client'

export interface Working {
  /** Shifts played; null while nothing is worked out. */
  readonly done: number | null
  readonly of: number
  /** Of the shifts played so far. */
  readonly foreseen: Foreseen | null
  readonly problem: string | null
}

const NOTHING: Working = { done: null, of: 0, foreseen: null, problem: null }

export function useForeseen() {
  const [working, setWorking] = useState<Working>(NOTHING)
  const cancel = useRef<(() => void) | null>(null)
  useEffect(() => () => cancel.current?.(), [])
  const ask = (asked: WhatIfAsked, shifts: number): void => {
    cancel.current?.()
    setWorking({ ...NOTHING, done: 0, of: shifts })
    let mine = true
    const asking = askWhatIf(asked, shifts, (done, foreseen) => mine && setWorking({ done, of: shifts, foreseen, problem: null }))
    cancel.current = () => {
      mine = false
      asking.cancel()
    }
    void asking.answer.then(
      (foreseen) => mine && setWorking((w) => ({ ...w, done: null, foreseen: foreseen ?? w.foreseen })),
      (error: unknown) => mine && setWorking((w) => ({ ...w, done: null, problem: error instanceof Error ? error.message : String(error) })),
    )
  }
  return {
    working,
    ask,
    /** What is there so far stays. */
    cancel: () => {
      cancel.current?.()
      cancel.current = null
      setWorking((w) => ({ ...w, done: null }))
    },
  }
}
