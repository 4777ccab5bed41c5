// Every change of a floor goes through here: the tables are changed in place, and the journal of a decision keeps which keys changed and what was
// there before. Rollback, what changed for tabs and for the snapshot, and what a floor was before a decision all come from it.

import { noteChange } from './derived'
import type { FloorState, FloorTables, Row, TableName } from './floor-state'

type Fact = Exclude<keyof FloorState, keyof FloorTables>

type Change =
  | { readonly table: TableName; readonly key: string /** undefined: it was not there. */; readonly before: unknown }
  | { readonly fact: Fact; readonly before: unknown }

export interface Journal {
  readonly changes: Change[]
}

export const createJournal = (): Journal => ({ changes: [] })

/** Where changes are made, and where they are noted; null when nobody will ask. */
export interface Place {
  readonly state: FloorState
  readonly journal: Journal | null
}

type Facts = { -readonly [F in Fact]: FloorState[F] }

export function put<T extends TableName>({ state, journal }: Place, table: T, key: string, row: Row<T>): void {
  const rows = rowsOf(state, table)
  const before = rows.get(key)
  if (before === row) return
  journal?.changes.push({ table, key, before })
  rows.set(key, row)
  noteChange(state, table, key, before)
}

export function remove({ state, journal }: Place, table: TableName, key: string): void {
  const rows = rowsOf(state, table)
  const before = rows.get(key)
  if (before === undefined) return
  journal?.changes.push({ table, key, before })
  rows.delete(key)
  noteChange(state, table, key, before)
}

export function setFact<F extends Fact>({ state, journal }: Place, fact: F, value: FloorState[F]): void {
  if (state[fact] === value) return
  journal?.changes.push({ fact, before: state[fact] })
  ;(state as Facts)[fact] = value
}

/** The floor as it was before everything the journal has noted. The journal is empty afterwards. */
export function rollBack(state: FloorState, { changes }: Journal): void {
  for (let change = changes.pop(); change !== undefined; change = changes.pop()) {
    if ('fact' in change) {
      ;(state as Record<Fact, unknown>)[change.fact] = change.before
      continue
    }
    const { table, key, before } = change
    const rows = rowsOf(state, table)
    const undone = rows.get(key)
    if (before === undefined) rows.delete(key)
    else rows.set(key, before)
    noteChange(state, table, key, undone)
  }
}

/** What stood there before the first of the changes; undefined when it was not there. */
export function rowBefore<T extends TableName>({ state, journal }: Place, table: T, key: string): Row<T> | undefined {
  const first = journal?.changes.find((c) => 'table' in c && c.table === table && c.key === key)
  return (first === undefined ? rowsOf(state, table).get(key) : first.before) as Row<T> | undefined
}

/** The keys of a table that were touched, each once. */
export function touched({ changes }: Journal, table: TableName): ReadonlySet<string> {
  const keys = new Set<string>()
  for (const change of changes) if ('table' in change && change.table === table) keys.add(change.key)
  return keys
}

const rowsOf = (state: FloorState, table: TableName) => state[table] as Map<string, unknown>
