// What everybody who is signed in sees of the floor, kept as rows by key and made anew only where something changed: the change of one seat costs one
// row for every tab, and nothing is computed that nobody is shown.
import type { CampaignId } from '@/core/ids'
import type { FloorState, TableName } from '@/core/state'
import { watch } from '@/core/state'
import { get } from '@/core/table'
import { isParked, parkedView } from './parked-view'
import type { ListChanges, ListName, RowChanges, SharedLists } from './protocol'
import { seatView } from './seat-view'
import { callbackView, campaignView, type Dialled, queueView } from './views'

type Row<L extends ListName> = SharedLists[L][number]
type Rows<L extends ListName> = ReadonlyMap<string, Row<L>>
type Changed = ReadonlyMap<TableName, ReadonlySet<string>>

export interface Refreshed {
  /** Of the lists, since they were last refreshed; null when nothing of them differs. */
  readonly lists: ListChanges | null
  /** Keys of the floor's tables that have changed since; null for everything. */
  readonly changed: Changed | null
}

export interface SharedView {
  refresh(): Refreshed
  /** For a tab that has nothing yet. */
  whole(): ListChanges
}

/** `dialled` says what the dialer and the lists know of a campaign. */
export function createSharedView(state: FloorState, dialled: (id: CampaignId) => Dialled): SharedView {
  const takeChanged = watch(state)
  const seats = createList<'seats'>()
  const queues = createList<'queues'>()
  const parked = createList<'parked'>()
  const callbacks = createList<'callbacks'>()
  const tasks = createList<'tasks'>()
  const campaigns = createList<'campaigns'>()
  let setUp = state.setUp

  const refreshSeats = (ids: ReadonlySet<string> | null) => {
    const accounts = state.setUp.agents.filter((a) => !a.retired)
    if (ids === null) return seats.replace(accounts.map((account) => [account.id, seatView(state, account)]))
    const changed = accounts.filter((account) => ids.has(account.id))
    return changed.length === 0 ? null : seats.update(changed.map((account) => [account.id, seatView(state, account)]))
  }
  const refreshParked = (ids: ReadonlySet<string> | null) => {
    if (ids !== null && ![...ids].some((id) => parked.has(id) || isParked(get(state.calls, id)))) return null
    const rows = [...state.calls.values()].flatMap((call) => parkedView(state, call) ?? [])
    return parked.replace(rows.sort((a, b) => a.slot - b.slot).map((row) => [row.callId, row]))
  }
  return {
    refresh() {
      let changed = takeChanged()
      if (state.setUp !== setUp) changed = null
      setUp = state.setUp
      const of = (table: TableName) => (changed === null ? null : (changed.get(table) ?? NONE))
      const touches = (table: TableName) => changed === null || changed.has(table)
      const lists: { [L in ListName]?: RowChanges<Row<L>> } = {}
      const note = <L extends ListName>(name: L, delta: RowChanges<Row<L>> | null) => {
        if (delta !== null) Object.assign(lists, { [name]: delta })
      }
      note('seats', refreshSeats(changed === null ? null : seatsConcerned(state, changed)))
      note('queues', queues.replace(state.setUp.queues.filter((q) => !q.retired).map((queue) => [queue.id, queueView(state, queue)])))
      note('parked', refreshParked(of('calls')))
      if (touches('callbacks')) note('callbacks', callbacks.replace(byDue([...state.callbacks.values()].map(callbackView)).map((c) => [c.id, c])))
      if (touches('tasks')) note('tasks', tasks.replace(byDue([...state.tasks.values()]).map((t) => [t.taskId, t])))
      note('campaigns', campaigns.replace(state.setUp.campaigns.filter((c) => !c.retired).map((c) => [c.id, campaignView(state, c, dialled(c.id))])))
      return { lists: Object.keys(lists).length === 0 ? null : lists, changed }
    },
    whole: () => ({
      seats: seats.whole(),
      queues: queues.whole(),
      parked: parked.whole(),
      callbacks: callbacks.whole(),
      tasks: tasks.whole(),
      campaigns: campaigns.whole(),
    }),
  }
}

const NONE: ReadonlySet<string> = new Set()

const byDue = <T extends { readonly dueAtMs: number }>(rows: T[]): T[] => rows.sort((a, b) => a.dueAtMs - b.dueAtMs)

/** Seats whose own state changed, and those a call that changed rings at. */
function seatsConcerned(state: FloorState, changed: Changed): ReadonlySet<string> {
  const ids = new Set(changed.get('agents'))
  for (const callId of changed.get('calls') ?? [])
    for (const { party, state: is } of get(state.calls, callId)?.connections ?? []) if (party.kind === 'agent' && is === 'alerting') ids.add(party.agentId)
  return ids
}

/** The rows of one list: what differs from the rows before, told by their content. */
function createList<L extends ListName>() {
  let rows: Rows<L> = new Map()
  const json = new Map<string, string>()
  /** Remembers the row; whether it is new or differs. */
  const differs = (key: string, row: Row<L>): boolean => {
    const text = JSON.stringify(row)
    if (json.get(key) === text) return false
    json.set(key, text)
    return true
  }
  return {
    has: (key: string) => rows.has(key),
    update(pairs: readonly (readonly [string, Row<L>])[]): RowChanges<Row<L>> | null {
      const changed = pairs.filter(([key, row]) => differs(key, row))
      if (changed.length === 0) return null
      const next = new Map(rows)
      for (const [key, row] of changed) next.set(key, row)
      rows = next
      return { rows: changed.map(([, row]) => row), order: null }
    },
    replace(pairs: readonly (readonly [string, Row<L>])[]): RowChanges<Row<L>> | null {
      const next = new Map(pairs)
      const changed = pairs.filter(([key, row]) => differs(key, row))
      const before = [...rows.keys()]
      for (const key of before) if (!next.has(key)) json.delete(key)
      const moved = before.length !== pairs.length || pairs.some(([key], i) => before[i] !== key)
      rows = next
      return changed.length === 0 && !moved ? null : { rows: changed.map(([, row]) => row), order: moved ? [...next.keys()] : null }
    },
    whole: (): RowChanges<Row<L>> => ({ rows: [...rows.values()], order: [...rows.keys()] }),
  }
}
