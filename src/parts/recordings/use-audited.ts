'use client'
// What is done with a sound stands in the audit, once for each time it is opened.
import { useCallback, useRef } from 'react'
import { useFloor } from '@/services/exchange/react'

export function useAudited(recordingId: string): (what: 'recordingPlayed' | 'exported') => void {
  const floor = useFloor()
  const told = useRef(new Set<string>())
  return useCallback(
    (what) => {
      if (told.current.has(`${what} ${recordingId}`)) return
      told.current.add(`${what} ${recordingId}`)
      void floor?.ask({ kind: 'did', what, about: recordingId })
    },
    [floor, recordingId],
  )
}
