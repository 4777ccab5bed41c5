'use client'
// The calling lists for components: one connection a tab, opened when somebody works a campaign, or looks at one.
import { useEffect, useMemo } from 'react'
import { type Asked, useAsked } from '@/services/exchange/asked'
import type { FloorClient } from '@/services/exchange/client'
import { useFloor, useLocked, useSeen } from '@/services/exchange/react'
import { type ListsApi, openLists } from './client'

const opened = new WeakMap<FloorClient, { readonly api: ListsApi | null }>()
const changes = new Set<() => void>()

function apiOf(floor: FloorClient): ListsApi | null {
  const known = opened.get(floor)
  if (known !== undefined) return known.api
  const api = openLists(floor, () => {
    for (const tell of changes) tell()
  })
  opened.set(floor, { api })
  return api
}

/** null while there is no floor, and where workers cannot be shared. */
export function useLists(): ListsApi | null {
  const floor = useFloor()
  return useMemo(() => (floor === null ? null : apiOf(floor)), [floor])
}

/** Asks the lists, and again whenever something of them has changed. `ask` must be stable (useCallback): another one is another question. */
export function useAskedLists<T>(ask: (api: ListsApi) => Promise<T>): Asked<T> {
  const api = useLists()
  const [asked, take] = useAsked<T>(ask)
  const locked = useLocked()
  useEffect(() => {
    if (api === null || locked) return
    let alive = true
    let isAsking = false
    let again = false
    const run = async () => {
      if (isAsking) {
        again = true
        return
      }
      isAsking = true
      again = false
      const outcome = await ask(api).then(
        (value) => ({ value }),
        (error: unknown) => ({ error }),
      )
      if (alive) take(ask, outcome)
      isAsking = false
      if (again && alive) void run()
    }
    void run()
    changes.add(run)
    return () => {
      alive = false
      changes.delete(run)
    }
  }, [api, locked, ask, take])
  return asked
}

/** Somebody works a campaign: the lists are needed at whatever tab there is. */
export function ListsAtWork() {
  const floor = useFloor()
  const worked = useSeen(({ campaigns }) => campaigns.some((c) => c.state === 'running' && c.onShift > 0)) === true
  useEffect(() => {
    if (floor !== null && worked) apiOf(floor)
  }, [floor, worked])
  return null
}
