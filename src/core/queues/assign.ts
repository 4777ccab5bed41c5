// Which agent each waiting call goes to. Calls go in the order of their urgency number, the place of the call less the head
// start of its queue: a priority that is a head start in waiting time, so that nobody can be overtaken for ever (J. R. Jackson,
// "Some problems in queueing with dynamic priorities", Naval Research Logistics Quarterly 7, 1960). Among the agents a
// call is offered to, those go first for whom nobody of a campaign is on the way, then the best skill, then the longest ready.
import type { Agent } from '@/core/agents'
import type { Call, Offer } from '@/core/calls'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import type { RoutingRules } from './rules'
import type { Waiting } from './waiting'

export type WaitingCall = Pick<Call, 'place' | 'passedBy' | 'alsoFor'>
export type ReadyAgent = Pick<Agent, 'id' | 'shift' | 'state'>

export interface Assignment {
  readonly callId: CallId
  readonly agentId: AgentId
  /** The offer it was found by: the call's own queue, or where it had overflowed to. */
  readonly offer: Offer
}

/**
 * Offers waiting calls to ready agents until one of the two runs out. Equal urgency goes by queue id, equal readiness by agent id. `awaited`: agents somebody is
 * on the way to, who take a call when nobody else can.
 */
export function assign(
  waiting: Waiting,
  callOf: (id: CallId) => WaitingCall,
  ready: readonly ReadyAgent[],
  rules: RoutingRules,
  awaited: ReadonlySet<AgentId> = new Set(),
): readonly Assignment[] {
  const assignments: Assignment[] = []
  if (ready.length === 0) return assignments
  const pools = createPools(ready, rules, awaited)
  const lines = linesOf(waiting, rules)
  while (pools.anybodyLeft()) {
    const line = mostUrgent(lines, callOf)
    if (line === undefined) break
    const callId = line.calls[line.at++] as CallId
    const call = callOf(callId)
    const found = pools.take({ queueId: line.queueId, anyLevel: false }, call) ?? firstOf(call.alsoFor, (offer) => pools.take(offer, call))
    if (found !== undefined) assignments.push({ callId, ...found })
  }
  return assignments
}

interface Line {
  readonly queueId: QueueId
  readonly headStartMs: number
  readonly calls: readonly CallId[]
  at: number
}

function linesOf(waiting: Waiting, rules: RoutingRules): Line[] {
  const lines: Line[] = []
  for (const [queueId, { headStartMs }] of rules.queues) {
    const calls = waiting[queueId]
    if (calls !== undefined && calls.length > 0) lines.push({ queueId, headStartMs, calls, at: 0 })
  }
  return lines.sort((a, b) => (a.queueId < b.queueId ? -1 : 1))
}

function mostUrgent(lines: readonly Line[], callOf: (id: CallId) => WaitingCall): Line | undefined {
  let best: Line | undefined
  let bestUrgency = Infinity
  for (const line of lines) {
    const callId = line.calls[line.at]
    if (callId === undefined) continue
    const urgency = callOf(callId).place - line.headStartMs
    if (urgency < bestUrgency) {
      best = line
      bestUrgency = urgency
    }
  }
  return best
}

interface Candidate {
  readonly agent: ReadyAgent
  readonly fit: number
  readonly isAwaited: boolean
}

/** Ready agents by offer, best first, worked out when an offer is first asked for. */
function createPools(ready: readonly ReadyAgent[], rules: RoutingRules, awaited: ReadonlySet<AgentId>) {
  const pools = new Map<string, readonly Candidate[]>()
  const taken = new Set<AgentId>()
  const poolOf = (offer: Offer): readonly Candidate[] => {
    const key = offer.anyLevel ? `${offer.queueId} any` : offer.queueId
    const known = pools.get(key)
    if (known !== undefined) return known
    const pool: Candidate[] = []
    for (const agent of ready) {
      const fit = fitFor(offer, agent, rules)
      if (fit !== null) pool.push({ agent, fit, isAwaited: awaited.has(agent.id) })
    }
    pool.sort(goesBefore)
    pools.set(key, pool)
    return pool
  }
  return {
    anybodyLeft: () => taken.size < ready.length,
    take(offer: Offer, call: WaitingCall): Omit<Assignment, 'callId'> | undefined {
      for (const { agent } of poolOf(offer)) {
        if (taken.has(agent.id) || hasPassed(call, agent)) continue
        taken.add(agent.id)
        return { agentId: agent.id, offer }
      }
      return undefined
    },
  }
}

/** The sum of the agent's levels in the skills the queue needs; null when the call may not be offered to them so. */
export function fitFor({ queueId, anyLevel }: Offer, agent: Pick<ReadyAgent, 'id' | 'shift'>, rules: RoutingRules): number | null {
  if (!agent.shift?.queueIds.includes(queueId)) return null
  const own = agent.shift.levels
  const levels = own === null ? rules.levels.get(agent.id) : new Map(own.map((l) => [l.skillId, l.level]))
  let fit = 0
  for (const { skillId, level: least } of rules.queues.get(queueId)?.needs ?? []) {
    const level = levels?.get(skillId) ?? 0
    if (level < least && !anyLevel) return null
    fit += level
  }
  return fit
}

/** An agent the call rang at in vain is passed over until they have gone ready anew. */
const hasPassed = (call: WaitingCall, agent: ReadyAgent): boolean => call.passedBy.some((p) => p.agentId === agent.id && agent.state.sinceMs <= p.atMs)

const goesBefore = (a: Candidate, b: Candidate): number =>
  Number(a.isAwaited) - Number(b.isAwaited) || b.fit - a.fit || a.agent.state.sinceMs - b.agent.state.sinceMs || (a.agent.id < b.agent.id ? -1 : 1)

function firstOf<T, R>(items: readonly T[], ask: (item: T) => R | undefined): R | undefined {
  for (const item of items) {
    const answer = ask(item)
    if (answer !== undefined) return answer
  }
  return undefined
}
