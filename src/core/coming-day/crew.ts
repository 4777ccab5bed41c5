// Who is on duty on a day that is played.

import type { AgentId, QueueId } from '@/core/ids'
import type { Session, Spell } from '@/core/sessions'
import { type AgentSetUp, type SetUp, takesCallsOf } from '@/core/set-up'
import { MINUTE, QUARTER_MS } from '@/core/time'
import { callsIn } from './callers'

export interface OnDuty {
  readonly agentId: AgentId
  /** From the start of the day, milliseconds. */
  readonly fromMs: number
  readonly toMs: number
  readonly breaks: readonly { readonly fromMs: number; readonly toMs: number }[]
}

/**
 * Agents in the order they are called in: whoever begins a day with n of them has queues covered as evenly as n can. Each time the next is one who can serve the
 * queue that has the fewest so far for the calls it expects.
 */
export function callingOrder(setUp: Pick<SetUp, 'agents' | 'queues'>, callsOf: (queueId: QueueId) => number): readonly AgentId[] {
  const left = [...takers(setUp)]
  const order: AgentId[] = []
  const has = new Map<QueueId, number>()
  const serves = (agent: AgentSetUp) => servedBy(setUp, agent)
  while (left.length > 0) {
    const thinnest = setUp.queues
      .filter((q) => callsOf(q.id) > 0 && left.some((a) => serves(a).includes(q)))
      .toSorted((a, b) => (has.get(a.id) ?? 0) / callsOf(a.id) - (has.get(b.id) ?? 0) / callsOf(b.id))[0]
    // Of those who can, whoever serves most: they help elsewhere too.
    const able = thinnest === undefined ? left : left.filter((a) => serves(a).includes(thinnest))
    const next = able.toSorted((a, b) => serves(b).length - serves(a).length)[0] as AgentSetUp
    left.splice(left.indexOf(next), 1)
    order.push(next.id)
    for (const queue of serves(next)) has.set(queue.id, (has.get(queue.id) ?? 0) + 1)
  }
  return order
}

/** So many of them in each quarter of an hour: the first n of the order. Refuses nothing: where more are asked for than there are, all are on. */
export function crewFor(order: readonly AgentId[], atWork: readonly number[]): readonly OnDuty[] {
  return order.flatMap((agentId, nth) => {
    const on: OnDuty[] = []
    let from: number | null = null
    for (let q = 0; q <= atWork.length; q++) {
      const isOn = (atWork[q] ?? 0) > nth
      if (isOn && from === null) from = q
      if (!isOn && from !== null) {
        on.push({ agentId, fromMs: from * QUARTER_MS, toMs: q * QUARTER_MS, breaks: [] })
        from = null
      }
    }
    return on
  })
}

/** Less is a breath between two calls. */
const A_BREAK_MS = MINUTE

/** An agent's day as it was worked: their sessions, and in them as breaks when they were not ready. `startMs`: from which times of the day count. */
export function dutiesOf(
  agentId: AgentId,
  sessions: readonly Pick<Session, 'fromMs' | 'toMs'>[],
  spells: readonly Spell[],
  startMs: number,
): readonly OnDuty[] {
  const ofDay = ({ fromMs, toMs }: Pick<Session, 'fromMs' | 'toMs'>) => ({ fromMs: fromMs - startMs, toMs: toMs - startMs })
  return sessions.map((s) => ({
    agentId,
    ...ofDay(s),
    breaks: spells.filter((p) => p.state === 'notReady' && p.fromMs > s.fromMs && p.toMs < s.toMs && p.toMs - p.fromMs >= A_BREAK_MS).map(ofDay),
  }))
}

/** Quarters of an hour of the day; `to` is the first one after it. */
export interface ShiftSpan {
  readonly from: number
  readonly to: number
}

/**
 * Whose each shift is: nobody's twice at once, and each is given to somebody for the queue that has the fewest agents so far for the calls it expects meanwhile. Shifts
 * that have somebody keep them; null where nobody is left.
 */
export function giveOut(
  setUp: Pick<SetUp, 'agents' | 'queues'>,
  shifts: readonly (ShiftSpan & { readonly agentId: AgentId | null })[],
  traffic: readonly { readonly queueId: QueueId; readonly offered: readonly number[] }[],
): readonly (AgentId | null)[] {
  const given = shifts.map((s) => s.agentId)
  const agents = takers(setUp)
  const isFree = (id: AgentId, { from, to }: ShiftSpan) => shifts.every((s, i) => given[i] !== id || s.to <= from || s.from >= to)
  for (const [i, shift] of shifts.entries()) {
    if (given[i] !== null) continue
    const free = agents.filter((a) => isFree(a.id, shift))
    const thin = (queueId: QueueId): number => {
      const calls = callsIn(traffic, shift.from, shift.to)(queueId)
      const there = shifts.reduce((sum, s, n) => {
        const agent = agents.find((a) => a.id === given[n])
        const isThere = agent !== undefined && servedBy(setUp, agent).some((q) => q.id === queueId)
        return sum + (isThere ? Math.max(0, Math.min(s.to, shift.to) - Math.max(s.from, shift.from)) : 0)
      }, 0)
      return calls > 0 ? there / calls : Infinity
    }
    const load = (id: AgentId) => shifts.reduce((sum, s, n) => sum + (given[n] === id ? s.to - s.from : 0), 0)
    const queues = setUp.queues.map((q) => ({ id: q.id, thin: thin(q.id) })).toSorted((a, b) => a.thin - b.thin)
    const able = queues.map((q) => free.filter((a) => servedBy(setUp, a).some((s) => s.id === q.id))).find((those) => those.length > 0) ?? free
    // Whoever has the least so far, and of those who serves most.
    const next = able.toSorted((a, b) => load(a.id) - load(b.id) || servedBy(setUp, b).length - servedBy(setUp, a).length)[0]
    given[i] = next?.id ?? null
  }
  return given
}

const takers = ({ agents }: Pick<SetUp, 'agents'>): readonly AgentSetUp[] => agents.filter((a) => !a.retired && a.role === 'agent' && a.queueIds.length > 0)

const servedBy = ({ queues }: Pick<SetUp, 'queues'>, agent: AgentSetUp) => queues.filter((q) => takesCallsOf(agent, q))
