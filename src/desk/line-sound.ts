'use client'
// The agent's ear: a mixer that is told who hears whom whenever the calls change, and a soft sign when somebody has been
// held too long.
import { useEffect, useRef } from 'react'
import type { CallView, MeView } from '@/exchange/protocol'
import { audioContext, createMixer, type Mixer, SILENCE, sceneOf } from '@/sound'

export function useLineSound(me: MeView, calls: readonly CallView[]): void {
  const mixer = useRef<Mixer | null>(null)
  const { id } = me
  useEffect(() => {
    const context = audioContext()
    // Before the first gesture a browser plays nothing; the next change of the calls tries again.
    if (context === null || context.state !== 'running') return
    if (mixer.current === null) {
      mixer.current = createMixer(context)
      mixer.current.ear.connect(context.destination)
    }
    mixer.current.apply(calls.length === 0 ? SILENCE : sceneOf(calls, id))
  }, [calls, id])
  useEffect(() => () => mixer.current?.ear.disconnect(), [])
}
