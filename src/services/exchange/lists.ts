// Lists as a tab keeps them: rows that did not change stay the very same values, so that what is drawn of them need not be drawn again.
import type { ListChanges, ListName, SharedLists } from './protocol'

const KEYS: { readonly [L in ListName]: (row: SharedLists[L][number]) => string } = {
  seats: (seat) => seat.id,
  queues: (queue) => queue.id,
  parked: (parked) => parked.callId,
  callbacks: (callback) => callback.id,
  tasks: (task) => task.taskId,
  campaigns: (campaign) => campaign.id,
}

export const NO_LISTS: SharedLists = { seats: [], queues: [], parked: [], callbacks: [], tasks: [], campaigns: [] }

/** The lists with what has changed of them. */
export function withChanges(lists: SharedLists, changes: ListChanges): SharedLists {
  const next = { ...lists }
  for (const name of Object.keys(changes) as ListName[]) Object.assign(next, { [name]: applied(name, lists, changes) })
  return next
}

function applied<L extends ListName>(name: L, lists: SharedLists, changes: ListChanges): SharedLists[L] {
  type Row = SharedLists[L][number]
  const change = changes[name]
  const former: readonly Row[] = lists[name]
  if (change === undefined) return lists[name]
  const keyOf = KEYS[name] as (row: Row) => string
  const fresh = new Map((change.rows as readonly Row[]).map((row) => [keyOf(row), row]))
  if (change.order === null) return former.map((row) => fresh.get(keyOf(row)) ?? row) as unknown as SharedLists[L]
  const rows = new Map([...former.map((row) => [keyOf(row), row] as const), ...fresh])
  return change.order.flatMap((key) => rows.get(key) ?? []) as unknown as SharedLists[L]
}
