'use client'
// What is found by its name: whatever has an address, and calls of the last days with somebody of the name.
import { format } from 'date-fns'
import { useCallback } from 'react'
import { DAY } from '@/core/time'
import { floorNow } from '@/services/exchange/floor-time'
import { useAllSeen } from '@/services/exchange/react'
import { type CallsPage, LATEST_CALLS } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { type Found, findable } from './findable'
import { seesEverybody } from './rights'

interface Sought {
  readonly found: readonly Found[]
  /** So many have the name as well and are not among them. */
  readonly more: number
}

const NOTHING: Sought = { found: [], more: 0 }
const NO_CALLS: Pick<CallsPage, 'rows' | 'found'> = { rows: [], found: 0 }
/** Calls come after them. */
const SHOWN = 8
const CALLS = 4
const CALLS_OF_MS = 31 * DAY

export function useFound(typed: string): Sought {
  const search = typed.trim()
  // Who is there changes all day: it is looked at while somebody is sought, and not otherwise.
  const known = useAllSeen(({ account, centre, seats }) => (search === '' ? { account } : { account, centre, seats }))
  const only = known === null || seesEverybody(known.account) ? null : known.account.id
  const { latest } = useHistory(
    useCallback(
      async (api) => {
        if (search.length < 3) return NO_CALLS
        const nowMs = floorNow()
        return api.calls({ ...LATEST_CALLS, search, span: { fromMs: nowMs - CALLS_OF_MS, toMs: nowMs + DAY }, nowMs, only, atMost: CALLS })
      },
      [search, only],
    ),
  )
  if (known?.centre === undefined) return NOTHING
  const { account, centre, seats } = known
  const { rows, found: callCount } = latest ?? NO_CALLS
  const calls = rows.map(
    ({ callId, customer, number, offeredAtMs, queue }): Found => ({
      key: callId,
      name: `${customer ?? number ?? 'Withheld number'}, ${format(offeredAtMs, 'd MMM HH:mm')}`,
      kind: queue === null ? 'Call' : `Call for ${queue}`,
      href: `/results/call/${callId}`,
    }),
  )
  const found = findable(search, { account, centre, seats })
  return { found: [...found.slice(0, SHOWN), ...calls], more: Math.max(0, found.length - SHOWN) + callCount - calls.length }
}
