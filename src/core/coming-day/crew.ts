// Who is on duty on a day that is played.
import type { AgentId, QueueId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { QUARTER_MS } from './callers'

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
  const left = setUp.agents.filter((a) => !a.retired && a.role === 'agent' && a.queueIds.length > 0)
  const order: AgentId[] = []
  const has = new Map<QueueId, number>()
  const serves = (agent: (typeof left)[number]) =>
    setUp.queues.filter((q) => agent.queueIds.includes(q.id) && q.needs.every((n) => agent.skills.some((s) => s.skillId === n.skillId && s.level >= n.level)))
  while (left.length > 0) {
    const thinnest = setUp.queues
      .filter((q) => callsOf(q.id) > 0 && left.some((a) => serves(a).includes(q)))
      .toSorted((a, b) => (has.get(a.id) ?? 0) / callsOf(a.id) - (has.get(b.id) ?? 0) / callsOf(b.id))[0]
    // Of those who can, whoever serves most: they help elsewhere too.
    const able = thinnest === undefined ? left : left.filter((a) => serves(a).includes(thinnest))
    const next = able.toSorted((a, b) => serves(b).length - serves(a).length)[0] as (typeof left)[number]
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
