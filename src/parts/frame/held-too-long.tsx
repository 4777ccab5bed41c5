'use client'
import { HELD_TOO_LONG } from '@/parts/sound'
import { useNowMs } from '@/parts/ui'
import { isMine } from '@/parts/words'
// A soft sign, every ten seconds, while somebody is held past the limit.
import type { CallView, CentreView, MeView } from '@/services/exchange/protocol'
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
