// Who is on duty: everybody on a weekday, some at the weekend, so that each queue has people who can take its calls.
import { createChance, seedFor } from '@/core/chance'
import type { AgentId } from '@/core/ids'
import { type SetUp, takesCallsOf } from '@/core/set-up'
import type { Day } from './calendar'
import type { Habits } from './stage'

const EACH_QUEUE_HAS = 4

/** `seats` of those who may play, null for all of them. */
export function onDuty(seed: number, day: Day, setUp: SetUp, plays: readonly AgentId[], seats: number | null): readonly AgentId[] {
  if (seats === null || seats >= plays.length) return plays
  const order = (id: AgentId) => createChance(seedFor(seed, `duty ${id} ${day}`)).next()
  const able = plays.toSorted((a, b) => order(a) - order(b))
  const chosen = new Set<AgentId>()
  for (const queue of setUp.queues) {
    const canTake = (id: AgentId) => {
      const account = setUp.agents.find((a) => a.id === id)
      return account !== undefined && takesCallsOf(account, queue)
    }
    for (const id of able) if ([...chosen].filter(canTake).length < EACH_QUEUE_HAS && canTake(id)) chosen.add(id)
  }
  for (const id of able) if (chosen.size < seats) chosen.add(id)
  return plays.filter((id) => chosen.has(id))
}

/** Whether somebody leaves at the end of this shift without coding the last call, and without signing out. */
export const hurries = ({ hurriesOften }: Habits, seed: number, day: Day, id: AgentId): boolean =>
  createChance(seedFor(seed, `hurry ${id} ${day}`)).next() < hurriesOften(id)
