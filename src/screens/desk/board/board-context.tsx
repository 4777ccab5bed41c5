'use client'
// What every part of the board needs: who I am, the names, a way to give commands, and the preview that is shown.
import { createContext, useCallback, useContext, useRef, useState } from 'react'
import type { Ask, Preview } from '@/core/floor'
import type { CallView, CentreView, MeView, SeatView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

export interface Shown {
  readonly views: readonly CallView[]
}

export interface BoardTools {
  readonly me: MeView
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly give: (command: Ask) => Promise<boolean>
  /** Draws the cords as they would be after the command, until `endPreview`. */
  readonly startPreview: (command: Ask) => void
  readonly endPreview: () => void
}

const BoardContext = createContext<BoardTools | null>(null)
export const BoardProvider = BoardContext.Provider

export function useBoard(): BoardTools {
  const tools = useContext(BoardContext)
  if (tools === null) throw new Error('useBoard outside the board')
  return tools
}

/** The preview that is asked for last wins; one that arrives after it was let go is dropped. */
export function usePreview(): Pick<BoardTools, 'startPreview' | 'endPreview'> & { readonly shown: Shown | null } {
  const floor = useFloor()
  const [shown, setShown] = useState<Shown | null>(null)
  const asked = useRef(0)
  const startPreview = useCallback(
    (command: Ask) => {
      const mine = ++asked.current
      void floor?.ask({ kind: 'preview', command }).then((reply) => {
        if (mine !== asked.current || !reply.ok || reply.text === null) return
        const preview = JSON.parse(reply.text) as Preview
        setShown(preview.ok ? { views: preview.calls } : null)
      })
    },
    [floor],
  )
  const endPreview = useCallback(() => {
    asked.current++
    setShown(null)
  }, [])
  return { shown, startPreview, endPreview }
}

/** Pointer and keyboard alike: what is pointed at or focused is previewed. */
export function usePreviewOf(command: Ask | null) {
  const { startPreview, endPreview } = useBoard()
  if (command === null) return {}
  return {
    onPointerEnter: () => startPreview(command),
    onPointerLeave: endPreview,
    onFocus: () => startPreview(command),
    onBlur: endPreview,
  }
}
