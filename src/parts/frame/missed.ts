'use client'
// Missed calls that have not been looked at: counted until the log is opened, for each account in this browser.
import { useCallback } from 'react'
import { DAY } from '@/core/time'
import { usePersonalSetting } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import { useHistory } from '@/services/history/react'

/** When an account last looked at what it missed; before it ever did, from when its shift began. */
export function useSeen(accountId: string, beganAtMs: number): readonly [number, () => void] {
  const [seen, setSeen] = usePersonalSetting<string>(`missed seen ${accountId}`, '')
  const see = useCallback(() => setSeen(String(floorNow())), [setSeen])
  return [seen === '' ? beganAtMs : Number(seen), see]
}

export function useMissedCount(accountId: string, beganAtMs: number): number {
  const [seenMs] = useSeen(accountId, beganAtMs)
  const { value } = useHistory(
    useCallback(
      (api) =>
        api.log({
          // A call may ring in vain long after it was offered, but not a day.
          only: accountId as never,
          way: 'missed',
          search: '',
          sinceMs: seenMs - DAY,
          from: 0,
          atMost: 1,
          seenMs,
          nowMs: floorNow(),
          timeZone: 'UTC',
          outcomes: {},
        }),
      [accountId, seenMs],
    ),
  )
  return value?.unseen ?? 0
}
