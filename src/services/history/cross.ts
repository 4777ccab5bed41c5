// Any figure by any two of what calls differ in: one pass over the columns, with the same reading of a call as every other figure. A call counts in each
// row and column it belongs to (whoever handled it, their teams), and once in the totals.
import type { AgentId, QueueId } from '@/core/ids'
import type { CallRecord } from '@/core/ledger'
import type { Measures } from '@/core/reports'
import type { SetUp } from '@/core/set-up'
import { type CallsBlock, listWords, placeAt, recordAt, valueAt } from './columns'
import { add, agentsOf, createReadCall, createTally, internalIn, measuresOf, openBlock, type Rules, readCall, rowsIn, type Tally } from './tally'

export const DIMENSIONS = ['queue', 'campaign', 'agent', 'team', 'hour', 'weekday', 'day', 'outcome', 'result', 'path', 'direction'] as const
/** `answer …`: by the answer to a question of the script, of this field. */
export type Dimension = (typeof DIMENSIONS)[number] | `answer ${string}`

export interface CrossAsked {
  readonly span: { readonly fromMs: number; readonly toMs: number }
  readonly rows: Dimension
  /** null: figures of the rows alone. */
  readonly columns: Dimension | null
}

/** Calls that belong to none of a dimension: no queue, no outcome, nothing chosen. */
export const NONE = ''

export interface Cell {
  readonly row: string
  readonly column: string
  readonly measures: Measures
}

export interface CrossTable {
  /** Keys in the order they were met. */
  readonly rows: readonly { readonly key: string; readonly measures: Measures }[]
  readonly columns: readonly { readonly key: string; readonly measures: Measures }[]
  readonly cells: readonly Cell[]
  readonly all: Measures
}

/** How an instant is read: hour 0 to 23, weekday 0 (Sunday) to 6, and the day as `2026-11-24`, in whatever zone asks. */
export interface Clock {
  readonly hour: (atMs: number) => number
  readonly weekday: (atMs: number) => number
  readonly day: (atMs: number) => string
}

/** Reads keys of a dimension, row by row of one block. More than one for agents and teams; never none. */
type KeysOf = (row: number) => readonly string[]

export function keysOf(block: CallsBlock, dimension: Dimension, clock: Clock, teamOf: ReadonlyMap<string, string>): KeysOf {
  const open = openBlock(block)
  const word = (words: CallsBlock['queueId'] | undefined): KeysOf => {
    if (words === undefined) return () => [NONE]
    const list = listWords(words)
    return (row) => {
      const place = placeAt(words, row)
      return [place === null ? NONE : (list[place] as string)]
    }
  }
  const at = (row: number) => valueAt(block.offeredAtMs, row)
  const agents = (row: number) => agentsOf(block, open, row)
  if (dimension.startsWith('answer ')) {
    const field = dimension.slice('answer '.length)
    return (row) => {
      const value = open.answersOf(row)[field]
      return Array.isArray(value) && value.length > 0 ? value.map(String) : [value === undefined || Array.isArray(value) ? NONE : String(value)]
    }
  }
  switch (dimension as (typeof DIMENSIONS)[number]) {
    case 'queue':
      return word(block.queueId)
    case 'campaign':
      return word(block.campaignId)
    case 'outcome':
      return word(block.outcome)
    case 'result':
      return word(block.result)
    case 'direction':
      return word(block.direction)
    case 'path':
      return word(block.path)
    case 'hour':
      return (row) => [String(clock.hour(at(row)))]
    case 'weekday':
      return (row) => [String(clock.weekday(at(row)))]
    case 'day':
      return (row) => [clock.day(at(row))]
    case 'agent':
      return (row) => orNone(agents(row))
    case 'team':
      return (row) => orNone([...new Set(agents(row).map((id) => teamOf.get(id) ?? NONE))])
  }
}

const orNone = (keys: readonly string[]): readonly string[] => (keys.length === 0 ? [NONE] : keys)

interface Sums {
  readonly all: Tally
  readonly rows: Map<string, Tally>
  readonly columns: Map<string, Tally>
  readonly cells: Map<string, { readonly row: string; readonly column: string; readonly tally: Tally }>
}

/** Of all blocks together. `teams`: the team of each agent by id. */
export function crossOf(
  blocks: readonly CallsBlock[],
  asked: CrossAsked,
  rules: Rules,
  clock: Clock,
  teams: ReadonlyMap<AgentId, string>,
  nowMs: number,
): CrossTable {
  const sums: Sums = { all: createTally(), rows: new Map(), columns: new Map(), cells: new Map() }
  const membersOf = membersBy(teams)
  for (const block of blocks) crossBlock(block, asked, rules, clock, teams, membersOf, sums)
  const measured = (tally: Tally) => measuresOf([tally], nowMs)
  const byKey = (tallies: ReadonlyMap<string, Tally>) => [...tallies].map(([key, tally]) => ({ key, measures: measured(tally) }))
  return {
    rows: byKey(sums.rows),
    columns: byKey(sums.columns),
    cells: [...sums.cells.values()].map(({ row, column, tally }) => ({ row, column, measures: measured(tally) })),
    all: measured(sums.all),
  }
}

function crossBlock(
  block: CallsBlock,
  { span, rows, columns }: CrossAsked,
  rules: Rules,
  clock: Clock,
  teamOf: ReadonlyMap<string, string>,
  membersOf: ReturnType<typeof membersBy>,
  sums: Sums,
): void {
  const open = openBlock(block)
  const rowKeys = keysOf(block, rows, clock, teamOf)
  const columnKeys = columns === null ? null : keysOf(block, columns, clock, teamOf)
  const ownOf = (dimension: Dimension | null, key: string) => (dimension === 'agent' ? key : dimension === 'team' ? (membersOf.get(key) ?? NOBODY) : null)
  const limits = open.queues.map((id) => rules.serviceLevelMs(id as QueueId))
  const limitOutside = rules.serviceLevelMs(null)
  const internal = internalIn(block)
  const call = createReadCall()
  const [from, to] = rowsIn(block, span)
  for (let row = from; row < to; row++) {
    if (internal?.(row)) continue
    const place = placeAt(block.queueId, row)
    readCall(call, block, open, row, place === null ? limitOutside : (limits[place] as number), rules)
    add(sums.all, call, null)
    const [across, down] = [rowKeys(row), columnKeys?.(row) ?? []]
    for (const key of across) add(tallyOf(sums.rows, key), call, ownOf(rows, key))
    for (const key of down) add(tallyOf(sums.columns, key), call, ownOf(columns, key))
    for (const key of across)
      for (const column of down) {
        // Of an agent in a team the agent's own part; of two different agents nothing would be both theirs.
        const own = rows === 'agent' || columns !== 'agent' ? ownOf(rows, key) : ownOf(columns, column)
        add(cellOf(sums.cells, key, column).tally, call, own ?? ownOf(columns, column))
      }
  }
}

const NOBODY: ReadonlySet<string> = new Set()

function membersBy(teamOf: ReadonlyMap<string, string>): ReadonlyMap<string, ReadonlySet<string>> {
  const members = new Map<string, Set<string>>()
  for (const [id, team] of teamOf) members.set(team, (members.get(team) ?? new Set()).add(id))
  return members
}

const tallyOf = (tallies: Map<string, Tally>, key: string): Tally => madeOnce(tallies, key, createTally)
const cellOf = (cells: Sums['cells'], row: string, column: string) => madeOnce(cells, `${row}\u0001${column}`, () => ({ row, column, tally: createTally() }))

function madeOnce<T>(map: Map<string, T>, key: string, make: () => T): T {
  const known = map.get(key)
  if (known !== undefined) return known
  const made = make()
  map.set(key, made)
  return made
}

export interface CrossCallsAsked extends CrossAsked {
  /** Of which row and column; null for all of them. */
  readonly row: string | null
  readonly column: string | null
  readonly atMost: number
}

/** The latest calls of a cell, a row, a column or all. */
export function callsOfCell(blocks: readonly CallsBlock[], asked: CrossCallsAsked, clock: Clock, teams: ReadonlyMap<AgentId, string>): readonly CallRecord[] {
  const found: CallRecord[] = []
  for (const block of blocks.toReversed()) {
    const [rowKeys, columnKeys] = [asked.rows, asked.columns].map((d) => (d === null ? null : keysOf(block, d, clock, teams)))
    const internal = internalIn(block)
    const [from, to] = rowsIn(block, asked.span)
    for (let row = to - 1; row >= from && found.length < asked.atMost; row--) {
      if (internal?.(row)) continue
      if (asked.row !== null && !rowKeys?.(row).includes(asked.row)) continue
      if (asked.column !== null && !columnKeys?.(row).includes(asked.column)) continue
      found.push(recordAt(block, row))
    }
  }
  return found.toSorted((a, b) => b.offeredAtMs - a.offeredAtMs)
}

/** The team of each agent as it is now; of those that are gone, as it was. */
export const teamsOf = (setUps: readonly SetUp[]): ReadonlyMap<AgentId, string> =>
  new Map(setUps.toReversed().flatMap((s) => s.agents.map((a) => [a.id, a.team] as const)))
