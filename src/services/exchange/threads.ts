// What an agent is shown of what is written: what is theirs, offered to them or parked by them, and what they were asked in to.
import type { AgentId } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { isOverThread, type Line, type Thread, waitsForUsSinceMs } from '@/core/threads'
import type { ThreadView } from './protocol'

/** Lines a tab holds of a thread; it asks for those before them. */
const HELD = 60
/** And no more characters than that, but one line whatever its length. */
const CHARACTERS = 300_000
const PAGE = 200

export function selectThreads(state: FloorState, agentId: AgentId | null): readonly ThreadView[] {
  if (agentId === null || state.threads.size === 0) return NOTHING
  return values(state.threads)
    .filter((thread) => (isOverThread(thread) ? (get(state.work, thread.id)?.owedBy.includes(agentId) ?? false) : isTheirs(thread, agentId)))
    .toSorted((a, b) => a.beganAtMs - b.beganAtMs || (a.id < b.id ? -1 : 1))
    .map(viewOf)
}
const NOTHING: readonly ThreadView[] = []

const isTheirs = ({ agentId, askedIn }: Thread, id: AgentId): boolean => agentId === id || askedIn.includes(id)

const viewed = new WeakMap<Thread, ThreadView>()

/** A thread never changes: another one takes its place. */
function viewOf(thread: Thread): ThreadView {
  const known = viewed.get(thread)
  if (known !== undefined) return known
  const {
    id,
    channel,
    queueId,
    address,
    number,
    customer,
    subject,
    follows,
    beganAtMs,
    state,
    sinceMs,
    withSinceMs,
    askedIn,
    parkedUntilMs,
    typing,
    lineCount,
    keptFor,
  } = thread
  const view = {
    id,
    channel,
    queueId,
    address,
    number,
    customer,
    subject,
    follows,
    beganAtMs,
    state,
    sinceMs,
    withSinceMs,
    askedIn,
    parkedUntilMs,
    typing,
    lineCount,
    keptFor,
    agentId: thread.agentId,
    lines: lastOf(thread.lines, HELD),
    waitsSinceMs: waitsForUsSinceMs(thread),
  }
  viewed.set(thread, view)
  return view
}

function lastOf(lines: readonly Line[], atMost: number): readonly Line[] {
  let characters = 0
  let from = lines.length
  while (from > 0 && lines.length - from < atMost) {
    characters += lines[from - 1]?.text.length ?? 0
    if (characters > CHARACTERS && from < lines.length) break
    from--
  }
  return lines.slice(from)
}

/** Lines before one of them, a page of the last; none for whoever has nothing to do with the thread and does not answer for the floor. */
export function linesBefore(state: FloorState, agentId: AgentId | null, threadId: string, beforeNo: number): readonly Line[] {
  const thread = get(state.threads, threadId)
  if (thread === undefined || agentId === null) return []
  if (!isTheirs(thread, agentId) && unentitled(state, agentId, 'supervision') !== null) return []
  return lastOf(
    thread.lines.filter((line) => line.no < beforeNo),
    PAGE,
  )
}
