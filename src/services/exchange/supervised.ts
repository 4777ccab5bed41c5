// A part of what those who answer for the floor see: made anew when something it is made of has changed, and null for everybody else.
import type { AgentId } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { type FloorState, revisionOf, type TableName } from '@/core/state'

export function createSupervised<T>(state: FloorState, tables: readonly TableName[], make: (state: FloorState) => T): (accountId: AgentId) => T | null {
  let made: { readonly revision: string; readonly part: T } | null = null
  return (accountId) => {
    if (unentitled(state, accountId, 'supervision') !== null) return null
    const revision = tables.map((table) => revisionOf(state, table)).join(' ')
    if (made?.revision !== revision) made = { revision, part: make(state) }
    return made.part
  }
}
