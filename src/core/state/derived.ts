// What is derived from the tables and kept beside them, because it is asked all the time: who is ready, when time next changes something, and what has
// changed since somebody last looked. It is made from the tables when first asked for, so that a floor read back from storage needs none of it.
import TinyQueue from 'tinyqueue'
import type { Agent } from '@/core/agents'
import type { AgentId, QueueId } from '@/core/ids'
import { fitFor, type RoutingRules, routingRules } from '@/core/queues'
import type { EpochMs } from '@/core/time'
import { type FloorState, TABLES, type TableName } from './floor-state'
import { isFreeForCall } from './hands'

interface Timer {
  readonly key: string
  readonly atMs: EpochMs
}

/** How many are on shift for a queue, and how many of them are ready. */
export interface Served {
  readonly serving: number
  readonly ready: number
}

/** The keys changed since they were last taken, by table; null while everything is new. */
type Changed = Map<TableName, Set<string>> | null
interface Watcher {
  changed: Changed
}

/** By queue, for the set-up and storm whose rules these are. */
interface Staff {
  rules: RoutingRules | null
  readonly served: Map<QueueId, Served>
}

interface Derived {
  readonly ready: Set<AgentId>
  /** By whose loads it is known who is ready. */
  readyBy: FloorState['setUp']
  /** The earliest first. A timer that no longer stands in `due` as it is here is skipped when its turn comes. */
  readonly timers: TinyQueue<Timer>
  readonly staff: Staff
  readonly revisions: Record<TableName, number>
  readonly watchers: Watcher[]
}

const kept = new WeakMap<FloorState, Derived>()

function derivedOf(state: FloorState): Derived {
  const known = kept.get(state)
  if (known !== undefined) return known
  const ready = new Set<AgentId>()
  for (const agent of state.agents.values()) if (isFreeForCall(state, agent)) ready.add(agent.id)
  const timers = new TinyQueue<Timer>(
    [...state.due].map(([key, { atMs }]) => ({ key, atMs })),
    (a, b) => a.atMs - b.atMs,
  )
  const revisions = Object.fromEntries(TABLES.map((table) => [table, 0])) as Record<TableName, number>
  const derived: Derived = { ready, readyBy: state.setUp, timers, staff: { rules: null, served: new Map() }, revisions, watchers: [] }
  kept.set(state, derived)
  return derived
}

/** To be called after every change of a table. */
export function noteChange(state: FloorState, table: TableName, key: string, before: unknown): void {
  const derived = kept.get(state)
  if (derived === undefined) return
  derived.revisions[table]++
  for (const { changed } of derived.watchers) {
    const keys = changed?.get(table)
    if (keys === undefined) changed?.set(table, new Set([key]))
    else keys.add(key)
  }
  if (table === 'agents') {
    const agent = state.agents.get(key)
    if (agent !== undefined && isFreeForCall(state, agent)) derived.ready.add(agent.id)
    else derived.ready.delete(key as AgentId)
    recount(derived.staff, before as Agent | undefined, agent)
  } else if (table === 'due') {
    const due = state.due.get(key)
    if (due !== undefined) derived.timers.push({ key, atMs: due.atMs })
  }
}

function recount({ rules, served }: Staff, before: Agent | undefined, after: Agent | undefined): void {
  if (rules === null) return
  const wasReady = before?.state.name === 'ready'
  const isReady = after?.state.name === 'ready'
  if (before?.shift?.queueIds === after?.shift?.queueIds && before?.shift?.levels === after?.shift?.levels && wasReady === isReady) return
  if (before !== undefined) countIn(served, rules, before, -1)
  if (after !== undefined) countIn(served, rules, after, 1)
}

function countIn(served: Staff['served'], rules: RoutingRules, agent: Agent, by: 1 | -1): void {
  for (const queueId of agent.shift?.queueIds ?? []) {
    if (fitFor({ queueId, anyLevel: false }, agent, rules) === null) continue
    const { serving, ready } = served.get(queueId) ?? NOBODY
    served.set(queueId, { serving: serving + by, ready: ready + (agent.state.name === 'ready' ? by : 0) })
  }
}

const NOBODY: Served = { serving: 0, ready: 0 }

/** Who serves a queue, at the levels it asks for. */
export function servedBy(state: FloorState, queueId: QueueId): Served {
  const { staff } = derivedOf(state)
  const rules = routingRules(state.setUp, state.storm)
  if (staff.rules !== rules) {
    staff.rules = rules
    staff.served.clear()
    for (const agent of state.agents.values()) countIn(staff.served, rules, agent, 1)
  }
  return staff.served.get(queueId) ?? NOBODY
}

/** Agents a waiting call may be offered to. */
export function readyAgents(state: FloorState): ReadonlySet<AgentId> {
  const derived = derivedOf(state)
  if (derived.readyBy !== state.setUp) {
    derived.readyBy = state.setUp
    derived.ready.clear()
    for (const agent of state.agents.values()) if (isFreeForCall(state, agent)) derived.ready.add(agent.id)
  }
  return derived.ready
}

/** Rises with every change of the table: whoever keeps something made of it makes it anew when this differs. */
export const revisionOf = (state: FloorState, table: TableName): number => derivedOf(state).revisions[table]

/** When time next changes something; null when nothing is due at any time. */
export function nextDueAtMs(state: FloorState): EpochMs | null {
  const { timers } = derivedOf(state)
  for (let next = timers.peek(); next !== undefined; next = timers.peek()) {
    if (state.due.get(next.key)?.atMs === next.atMs) return next.atMs
    timers.pop()
  }
  return null
}

/** Gives, each time it is asked, the keys that have changed since it was last asked, by table. The first time everything is new, said by null. */
export function watch(state: FloorState): () => ReadonlyMap<TableName, ReadonlySet<string>> | null {
  const watcher: Watcher = { changed: null }
  derivedOf(state).watchers.push(watcher)
  return () => {
    const { changed } = watcher
    watcher.changed = new Map()
    return changed
  }
}
