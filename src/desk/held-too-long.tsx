'use client'
// A soft sign, every ten seconds, while somebody is held past the limit.
import { useEffect } from 'react'
import type { CallView, CentreView, MeView } from '@/exchange/protocol'
import { HELD_TOO_LONG, play } from '@/sound'
import { useNowMs } from '@/ui'
import { isMine } from './board/describe'

export function HeldTooLong({ me, centre, calls }: { me: MeView; centre: CentreView; calls: readonly CallView[] }) {
  const now = useNowMs()
  const late = calls.some(({ call }) => call.connections.some((c) => isMine(c, me.id) && c.state === 'held' && now - c.sinceMs > centre.holdLimitMs))
  useEffect(() => {
    if (!late) return
    let stop: (() => void) | null = null
    let over = false
    void play(HELD_TOO_LONG, 0.06).then((started) => {
      if (!started.ok) return
      if (over) started.stop()
      else stop = started.stop
    })
    return () => {
      over = true
      stop?.()
    }
  }, [late])
  return null
}
