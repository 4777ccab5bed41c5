'use client'
// A value as it was until the frame that is due has been painted: what is more to draw follows one frame after what answers a press.
import { useEffect, useRef, useState } from 'react'

/** A tab that is not looked at paints no frames. */
const AT_LATEST_MS = 100

export function useAfterFrame<T>(value: T): T {
  const [shown, setShown] = useState(value)
  const latest = useRef(value)
  const waits = useRef(false)
  useEffect(() => {
    latest.current = value
    if (waits.current) return
    waits.current = true
    const show = () => {
      clearTimeout(late)
      if (!waits.current) return
      waits.current = false
      setShown(latest.current)
    }
    const late = setTimeout(show, AT_LATEST_MS)
    // Called before the frame is painted; the task it leaves runs once it has been.
    requestAnimationFrame(() => setTimeout(show))
  }, [value])
  return shown
}
