'use client'
// The ringing tone while a call rings at this desk and is not silenced.
import { useEffect } from 'react'
import { play, RINGING } from '@/sound'

const FULL_LOUDNESS = 0.16

export function useRingSound(ringing: boolean, volume: number): void {
  useEffect(() => {
    if (!ringing) return
    let stop: (() => void) | null = null
    let over = false
    void play(RINGING, FULL_LOUDNESS * volume).then((started) => {
      if (!started.ok) return
      if (over) started.stop()
      else stop = started.stop
    })
    return () => {
      over = true
      stop?.()
    }
  }, [ringing, volume])
}
