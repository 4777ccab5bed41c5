// What somebody has made and keeps, which nothing happens to on the floor: plans of shifts, breakdowns, quick texts of one's own, a set-up that is not in use yet. In the
// floor's store, so that it lasts as long as the ledger does and goes with it into every backup.
import * as z from 'zod'
import type { AgentId } from '@/core/ids'
import type { KeyValue } from '@/services/storage'

/** `centre`: of all who answer for the floor; `own`: of one account. */
export const KEPT_OF = ['centre', 'own'] as const
export type KeptOf = (typeof KEPT_OF)[number]

/** Things of one account, or of the centre; whoever keeps more has one taken away first. */
export const MOST_KEPT = 1_000

export interface KeptThings {
  /** null where there is none. */
  get(of: KeptOf, accountId: AgentId, name: string): Promise<string | null>
  /** null takes it away. False where there are too many; rejects when storage refuses. */
  set(of: KeptOf, accountId: AgentId, name: string, text: string | null): Promise<boolean>
}

const PREFIX = 'kept/'

export function createKeptThings(store: KeyValue): KeptThings {
  const place = (of: KeptOf, accountId: AgentId) => `${PREFIX}${of === 'centre' ? 'centre' : accountId}/`
  return {
    async get(of, accountId, name) {
      const kept = z.string().safeParse(await store.get(place(of, accountId) + name))
      return kept.success ? kept.data : null
    },
    async set(of, accountId, name, text) {
      const [where, key] = [place(of, accountId), place(of, accountId) + name]
      if (text === null) {
        await store.remove(key)
        return true
      }
      const there = (await store.keys()).filter((k) => k.startsWith(where))
      if (!there.includes(key) && there.length >= MOST_KEPT) return false
      await store.set(key, text)
      return true
    },
  }
}
