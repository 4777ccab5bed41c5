// What came of a day that was played, by queue and quarter of an hour. The counts are those of MEASURES.md, taken while the day goes on: to fold a hundred days
// into records would take longer than to play them.
import type { QueueId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { agentOfDevice, type FloorState } from '@/core/state'
import { get } from '@/core/table'
import { QUARTER_MS, SECOND } from '@/core/time'

/** Whoever gives up this soon is no abandon (MEASURES.md). */
const SHORT_MS = 5 * SECOND

/** By quarter of an hour of the day; a call counts in the quarter it came in. */
export interface QueueDay {
  readonly queueId: QueueId
  readonly offered: readonly number[]
  readonly answered: readonly number[]
  readonly inTime: readonly number[]
  /** Without short ones. */
  readonly abandoned: readonly number[]
  readonly shortAbandons: readonly number[]
  readonly turnedAway: readonly number[]
  /** Of those who were answered. */
  readonly waitMs: readonly number[]
}

export interface PlayedDay {
  readonly queues: readonly QueueDay[]
  /** Time of all agents by quarter of an hour: on calls and wrapping up, ready for one, and neither of both while on shift. */
  readonly handleMs: readonly number[]
  readonly readyMs: readonly number[]
  readonly otherMs: readonly number[]
  /** People of a campaign who were talked with. */
  readonly connected: readonly number[]
}

interface Waits {
  readonly queueId: QueueId
  readonly quarter: number
  readonly atMs: number
}

export interface Tally {
  take(entries: readonly LedgerEntry[], state: FloorState): void
  gaveUp(callId: string, atMs: number): void
  /** An agent's state from here on; null for off shift. */
  agentIs(agentId: string, state: string | null, atMs: number): void
  close(atMs: number): PlayedDay
}

export function createTally(queues: readonly { readonly id: QueueId; readonly serviceLevelMs: number }[], startMs: number, quarters: number): Tally {
  const none = () => Array.from({ length: quarters }, () => 0)
  const of = new Map(
    queues.map(({ id, serviceLevelMs }) => [
      id,
      {
        queueId: id,
        serviceLevelMs,
        offered: none(),
        answered: none(),
        inTime: none(),
        abandoned: none(),
        shortAbandons: none(),
        turnedAway: none(),
        waitMs: none(),
      },
    ]),
  )
  const time = { handleMs: none(), readyMs: none(), otherMs: none(), connected: none() }
  const waiting = new Map<string, Waits>()
  const agents = new Map<string, { readonly state: string; readonly sinceMs: number }>()
  const quarterOf = (atMs: number) => Math.min(quarters - 1, Math.max(0, Math.floor((atMs - startMs) / QUARTER_MS)))
  const add = (values: number[], quarter: number, n = 1) => {
    values[quarter] = (values[quarter] ?? 0) + n
  }
  const spend = (state: string, fromMs: number, toMs: number) => {
    const into = state === 'onCall' || state === 'wrapUp' ? time.handleMs : state === 'ready' ? time.readyMs : time.otherMs
    for (let at = fromMs; at < toMs; ) {
      const quarter = quarterOf(at)
      const until = quarter === quarters - 1 ? toMs : Math.min(toMs, startMs + (quarter + 1) * QUARTER_MS)
      add(into, quarter, until - at)
      at = until
    }
  }
  return {
    take(entries, state) {
      for (const { event, atMs } of entries) {
        if (event.kind === 'callQueued') {
          const quarter = quarterOf(atMs)
          waiting.set(event.callId, { queueId: event.queueId, quarter, atMs })
          add(of.get(event.queueId)?.offered ?? [], quarter)
        } else if (event.kind === 'callPutThrough') add(time.connected, quarterOf(atMs))
        else if (event.kind === 'callTurnedAway') add(of.get(event.queueId)?.turnedAway ?? [], quarterOf(atMs))
        else if (event.kind === 'connectionEstablished' && agentOfDevice(event.deviceId) !== null && get(state.work, event.callId)?.direction === 'inbound') {
          const waits = waiting.get(event.callId)
          const queue = waits && of.get(waits.queueId)
          if (waits === undefined || queue === undefined) continue
          waiting.delete(event.callId)
          add(queue.answered, waits.quarter)
          add(queue.waitMs, waits.quarter, atMs - waits.atMs)
          if (atMs - waits.atMs <= queue.serviceLevelMs) add(queue.inTime, waits.quarter)
        }
      }
    },
    gaveUp(callId, atMs) {
      const waits = waiting.get(callId)
      const queue = waits && of.get(waits.queueId)
      if (waits === undefined || queue === undefined) return
      waiting.delete(callId)
      add(atMs - waits.atMs <= SHORT_MS ? queue.shortAbandons : queue.abandoned, waits.quarter)
    },
    agentIs(agentId, state, atMs) {
      const was = agents.get(agentId)
      if (was?.state === state) return
      if (was !== undefined) spend(was.state, was.sinceMs, atMs)
      if (state === null) agents.delete(agentId)
      else agents.set(agentId, { state, sinceMs: atMs })
    },
    close(atMs) {
      for (const { state, sinceMs } of agents.values()) spend(state, sinceMs, atMs)
      agents.clear()
      return { queues: [...of.values()].map(({ serviceLevelMs: _, ...queue }) => queue), ...time }
    },
  }
}

/** What is said of a day, or of some of its quarters. */
export interface DaySaid {
  readonly offered: number
  readonly answered: number
  readonly turnedAway: number
  /** null where nobody called. */
  readonly serviceLevel: number | null
  readonly abandoned: number | null
  readonly meanWaitMs: number | null
  readonly occupancy: number | null
  /** Of all queues together: people of a campaign who were talked with. */
  readonly connected: number
}

/** Of all queues or of one, over all quarters or some: `from` to `to`, `to` excluded. */
export function daySaid(day: PlayedDay, { queueId = null as QueueId | null, from = 0, to = Infinity } = {}): DaySaid {
  const queues = queueId === null ? day.queues : day.queues.filter((q) => q.queueId === queueId)
  const sum = (of: (q: QueueDay) => readonly number[]) => queues.reduce((all, q) => all + total(of(q), from, to), 0)
  const [offered, answered, short] = [sum((q) => q.offered), sum((q) => q.answered), sum((q) => q.shortAbandons)]
  const [handle, ready] = [total(day.handleMs, from, to), total(day.readyMs, from, to)]
  const share = (part: number, of: number) => (of > 0 ? part / of : null)
  return {
    offered,
    answered,
    turnedAway: sum((q) => q.turnedAway),
    serviceLevel: share(
      sum((q) => q.inTime),
      offered - short,
    ),
    abandoned: share(
      sum((q) => q.abandoned),
      offered - short,
    ),
    meanWaitMs: share(
      sum((q) => q.waitMs),
      answered,
    ),
    occupancy: share(handle, handle + ready),
    connected: queueId === null ? total(day.connected, from, to) : 0,
  }
}

const total = (values: readonly number[], from: number, to: number): number => {
  let sum = 0
  for (let q = from; q < Math.min(to, values.length); q++) sum += values[q] ?? 0
  return sum
}
