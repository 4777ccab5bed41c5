'use client'
// Backups by schedule are made by whichever page is open; what makes them is loaded once the page has long been there.
import { useEffect } from 'react'
import { useFloor } from '@/services/exchange/react'

const AFTER_MS = 20_000

export function BacksUp() {
  const floor = useFloor()
  useEffect(() => {
    if (floor === null) return
    let stop: (() => void) | null = null
    let isThere = true
    const timer = setTimeout(async () => {
      const { beginBackingUp } = await import('./back-up')
      if (isThere) stop = beginBackingUp(floor)
    }, AFTER_MS)
    return () => {
      isThere = false
      clearTimeout(timer)
      stop?.()
    }
  }, [floor])
  return null
}
