'use client'
// A tone that goes on for as long as something lasts.
import { useEffect } from 'react'
import { type Cadence, play } from '@/parts/sound'

/** Plays while `on`; a browser that plays nothing yet stays silent, which the sound control says. */
export function useCadence(cadence: Cadence, on: boolean, loudness: number): void {
  useEffect(() => {
    if (!on) return
    let stop: (() => void) | null = null
    let over = false
    void play(cadence, loudness).then((started) => {
      if (!started.ok) return
      if (over) started.stop()
      else stop = started.stop
    })
    return () => {
      over = true
      stop?.()
    }
  }, [cadence, on, loudness])
}
