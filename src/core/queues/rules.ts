// A set-up's routing rules made ready to be asked: per queue its head start and the steps of its overflow, per agent the
// skill levels. Worked out once per set-up and storm switch, because every routing decision asks.
import type { Offer } from '@/core/calls'
import type { AgentId, QueueId, SkillId } from '@/core/ids'
import type { Overflow, QueueSetUp, SetUp } from '@/core/set-up'

/** An offer that is made once a call has stood in its queue for so long. */
export interface OverflowStep extends Offer {
  readonly afterMs: number
}

export interface QueueRules {
  readonly headStartMs: number
  readonly needs: QueueSetUp['needs']
  readonly steps: readonly OverflowStep[]
}

export interface RoutingRules {
  /** Queues in use. */
  readonly queues: ReadonlyMap<QueueId, QueueRules>
  readonly levels: ReadonlyMap<AgentId, ReadonlyMap<SkillId, number>>
}

const remembered = new WeakMap<SetUp, Map<string, RoutingRules>>()

/** `storm` are the queues that are switched to storm. The same set-up and storm give the same object. */
export function routingRules(setUp: SetUp, storm: readonly QueueId[]): RoutingRules {
  const known = remembered.get(setUp) ?? new Map<string, RoutingRules>()
  remembered.set(setUp, known)
  const key = storm.join(' ')
  const rules = known.get(key) ?? makeRules(setUp, storm)
  known.set(key, rules)
  return rules
}

function makeRules(setUp: SetUp, storm: readonly QueueId[]): RoutingRules {
  const overflowOf = (queue: QueueSetUp): readonly Overflow[] => [...queue.overflow, ...(storm.includes(queue.id) ? queue.storm.overflow : [])]
  const byId = new Map(setUp.queues.map((q) => [q.id, q]))
  return {
    queues: new Map(
      setUp.queues
        .filter((q) => !q.retired)
        .map((q) => [
          q.id,
          { headStartMs: q.headStartMs + (storm.includes(q.id) ? q.storm.headStartMs : 0), needs: q.needs, steps: stepsFrom(q, byId, overflowOf) },
        ]),
    ),
    levels: new Map(setUp.agents.map((a) => [a.id, new Map(a.skills.map((s) => [s.skillId, s.level]))])),
  }
}

/**
 * Where a call of the queue overflows to and when, the onward overflow of those queues included, each at the earliest time it
 * can be reached (Dijkstra's algorithm over waiting times), so that a circle ends by itself.
 */
function stepsFrom(from: QueueSetUp, byId: ReadonlyMap<QueueId, QueueSetUp>, overflowOf: (queue: QueueSetUp) => readonly Overflow[]): OverflowStep[] {
  const steps = new Map<string, OverflowStep>()
  const open: OverflowStep[] = [{ queueId: from.id, anyLevel: false, afterMs: 0 }]
  for (;;) {
    open.sort((a, b) => b.afterMs - a.afterMs)
    const step = open.pop()
    if (step === undefined) break
    const key = `${step.queueId} ${step.anyLevel}`
    if (steps.has(key)) continue
    steps.set(key, step)
    const queue = byId.get(step.queueId)
    if (queue === undefined || step.anyLevel) continue
    for (const { afterMs, to } of overflowOf(queue))
      open.push({ queueId: to === 'anyLevel' ? queue.id : to, anyLevel: to === 'anyLevel', afterMs: step.afterMs + afterMs })
  }
  return [...steps.values()].filter((s) => s.queueId !== from.id || s.anyLevel)
}

/** The step a call takes next, given those it has taken; undefined when there is none left. */
export const nextStep = ({ steps }: QueueRules, taken: readonly Offer[]): OverflowStep | undefined =>
  steps.find((s) => !taken.some((t) => t.queueId === s.queueId && t.anyLevel === s.anyLevel))
