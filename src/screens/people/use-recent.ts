'use client'
// Ids of colleagues and numbers of whom this account has spoken with lately.
import { useCallback } from 'react'
import { floorNow } from '@/services/exchange/floor-time'
import { useSeen } from '@/services/exchange/react'
import { LATEST_CALLS } from '@/services/history/client'
import { useHistory } from '@/services/history/react'

const LATELY_MS = 14 * 24 * 3_600_000
const AT_MOST = 60

export function useRecent(): string[] {
  const id = useSeen((view) => view.account.id)
  const { value } = useHistory(
    useCallback(
      async (api) => {
        if (id === null) return []
        const nowMs = floorNow()
        const { rows } = await api.calls({ span: { fromMs: nowMs - LATELY_MS, toMs: nowMs + 1 }, nowMs, only: id, ...LATEST_CALLS, atMost: AT_MOST })
        return [...new Set(rows.flatMap((r) => r.number ?? []))]
      },
      [id],
    ),
  )
  return value ?? NONE
}

const NONE: string[] = []
