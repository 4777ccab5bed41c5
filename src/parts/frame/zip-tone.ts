'use client'
// The short tone before a call that is answered by itself: the agent, who was waiting a moment ago, hears that somebody is there.
import { useEffect, useRef } from 'react'
import { play, ZIP } from '@/parts/sound'
import type { CallView, MeView } from '@/services/exchange/protocol'

const ZIP_LOUDNESS = 0.3
const ZIP_LASTS_MS = 400

/** From ready straight to a call, without ringing in between, is a call that was put through. */
export function useZipTone(me: MeView, calls: readonly CallView[], volume: number): void {
  const before = useRef(me.state)
  useEffect(() => {
    const wasReady = before.current === 'ready'
    before.current = me.state
    const putThrough =
      wasReady &&
      me.state === 'onCall' &&
      calls.some((v) => v.call.direction === 'inbound' || (v.call.direction === 'campaign' && v.call.answeredAtMs !== null))
    if (!putThrough || me.soundPath === 'none') return
    void play(ZIP, ZIP_LOUDNESS * volume).then((started) => {
      if (started.ok) setTimeout(started.stop, ZIP_LASTS_MS)
    })
  }, [me.state, me.soundPath, calls, volume])
}
