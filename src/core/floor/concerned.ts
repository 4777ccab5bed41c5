// Whom changes to a floor concern: the rows that were touched, and those which have to agree with one of them, as it is and as it was.
import type { Agent } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import type { Call } from '@/core/calls'
import type { Attempt, Preview } from '@/core/campaigns'
import type { QueueSetUp } from '@/core/set-up'
import type { FloorState, Journal, Row, TableName } from '@/core/state'
import { get, type Table } from '@/core/table'
import type { Thread } from '@/core/threads'
import type { Work } from '@/core/work'

export interface Rows {
  readonly agents: Iterable<Agent>
  readonly calls: Iterable<Call>
  readonly threads: Iterable<Thread>
  readonly work: Iterable<Work>
  readonly callbacks: Iterable<Callback>
  readonly attempts: Iterable<Attempt>
  readonly previews: Iterable<Preview>
  readonly queues: Iterable<QueueSetUp>
}

export function concerned(s: FloorState, { changes }: Journal): Rows {
  const ids = { agents: new Set<string>(), calls: new Set<string>(), callbacks: new Set<string>(), attempts: new Set<string>(), previews: new Set<string>() }
  /** Attempts, and whoever may take them, go by each other. */
  let campaignsTouched = false
  /** What waits and who has room go by each other. */
  let roomTouched = false
  const threads = new Set<string>()
  const look: { readonly [T in TableName]?: (row: Row<T>) => void } = {
    agents: (agent: Agent) => {
      roomTouched = true
      for (const { threadId } of agent.threads) threads.add(threadId)
      ids.agents.add(agent.id)
      ids.previews.add(agent.id)
      // Who waits for an agent waits for any of the campaign.
      if (agent.shift?.campaignId != null) campaignsTouched = true
      for (const { callId } of [...agent.engagements, ...agent.wrapUps, ...agent.owed]) ids.calls.add(callId)
    },
    threads: (thread: Thread) => {
      threads.add(thread.id)
      ids.calls.add(thread.id)
      if (thread.agentId !== null) ids.agents.add(thread.agentId)
    },
    calls: (call: Call) => {
      ids.calls.add(call.id)
      for (const { party } of call.connections) if (party.kind === 'agent') ids.agents.add(party.agentId)
    },
    attempts: (attempt: Attempt) => {
      campaignsTouched = true
      if (attempt.callId !== null) ids.calls.add(attempt.callId)
    },
    previews: (preview: Preview) => {
      ids.previews.add(preview.agentId)
      ids.agents.add(preview.agentId)
      campaignsTouched = true
    },
    campaigns: () => {
      campaignsTouched = true
    },
    work: (work: Work) => {
      threads.add(work.id)
      ids.calls.add(work.id)
      for (const id of work.owedBy) ids.agents.add(id)
    },
    callbacks: (callback: Callback) => {
      ids.callbacks.add(callback.id)
      for (const preview of s.previews.values()) if (preview.callbackId === callback.id) ids.previews.add(preview.agentId)
      // Another one that is dialled by the same call.
      for (const other of s.callbacks.values()) if (callback.dialled !== null && other.dialled?.callId === callback.dialled.callId) ids.callbacks.add(other.id)
    },
    due: (due) => {
      if (due.kind === 'thread') threads.add(due.threadId)
      if (due.kind === 'wrapUp') ids.agents.add(due.agentId)
      if (due.kind === 'callback') ids.callbacks.add(due.callbackId)
      if (due.kind === 'attempt') ids.attempts.add(due.attemptId)
      if (due.kind === 'preview') ids.previews.add(due.agentId)
    },
  }
  let queues: Rows['queues'] = []
  for (const change of changes) {
    if ('fact' in change) {
      if (change.fact === 'waiting' || change.fact === 'setUp') queues = s.setUp.queues
      // Who is listed where is asked of the calls that came into a line or left one.
      if (change.fact === 'waiting' || change.fact === 'messagesWaiting')
        for (const id of moved(change.before as FloorState['waiting'], s[change.fact])) ids.calls.add(id)
      if (change.fact === 'threadsWaiting') for (const id of moved(change.before as FloorState['waiting'], s.threadsWaiting)) threads.add(id)
      if (change.fact === 'setUp' || change.fact === 'storm') roomTouched = true
      if (change.fact === 'setUp') for (const id of s.agents.keys()) ids.agents.add(id)
      continue
    }
    const at = look[change.table] as ((row: unknown) => void) | undefined
    for (const row of [change.before, get<unknown>(s[change.table] as Table<unknown>, change.key)]) if (row !== undefined) at?.(row)
  }
  if (campaignsTouched) {
    for (const id of s.attempts.keys()) ids.attempts.add(id)
    for (const id of s.previews.keys()) ids.previews.add(id)
    for (const agent of s.agents.values()) if (agent.shift?.campaignId != null) ids.agents.add(agent.id)
  }
  if (roomTouched) for (const line of Object.values(s.threadsWaiting)) for (const id of line) threads.add(id)
  return {
    threads: rows(s.threads, threads),
    attempts: rows(s.attempts, ids.attempts),
    previews: rows(s.previews, ids.previews),
    agents: rows(s.agents, ids.agents),
    calls: rows(s.calls, ids.calls),
    work: rows(s.work, ids.calls),
    callbacks: rows(s.callbacks, ids.callbacks),
    queues,
  }
}

const rows = <T>(table: Table<T>, ids: ReadonlySet<string>): readonly T[] => [...ids].flatMap((id) => get(table, id) ?? [])

function moved(before: FloorState['waiting'], now: FloorState['waiting']): ReadonlySet<string> {
  const ids = new Set<string>()
  const lines: Readonly<Record<string, readonly string[]>>[] = [before, now]
  for (const key of new Set(lines.flatMap((line) => Object.keys(line)))) {
    const [was = [], is = []] = lines.map((line) => line[key])
    if (was === is) continue
    for (const id of [...was, ...is]) ids.add(id)
  }
  return ids
}
