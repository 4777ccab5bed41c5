'use client'
// A soft sign, every ten seconds, while somebody is held past the limit.
import type { CallView, CentreView, MeView } from '@/exchange/protocol'
import { HELD_TOO_LONG } from '@/sound'
import { useNowMs } from '@/ui'
import { isMine } from '@/words'
import { useCadence } from './cadence'
import { useReminderVolume } from './volumes'

const LOUDEST = 0.12

export function HeldTooLong({ me, centre, calls }: { me: MeView; centre: CentreView; calls: readonly CallView[] }) {
  const now = useNowMs()
  const late = calls.some(({ call }) => call.connections.some((c) => isMine(c, me.id) && c.state === 'held' && now - c.sinceMs > centre.holdLimitMs))
  const [volume] = useReminderVolume()
  useCadence(HELD_TOO_LONG, late, LOUDEST * volume)
  return null
}
