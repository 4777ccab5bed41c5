// How many agents a day needs, quarter of an hour by quarter of an hour: each queue with agents of its own, and all queues together as if everybody could take
// every call. What really is needed lies between the two: agents who serve several queues are shared, but not by all.
import { QUARTERS } from './forecast'
import { type Aim, agentsNeeded } from './service-level'

export interface QueueLoad {
  readonly offered: readonly number[]
  readonly handleMs: number
  readonly patienceMs: number
  readonly aim: Aim
}

export interface Need {
  /** Of each queue, in the order given. */
  readonly queues: readonly (readonly number[])[]
  /** The sum of those: nobody is shared. */
  readonly apart: readonly number[]
  /** Everybody takes everything: handle time and patience are the calls' mean, the aim is the strictest. */
  readonly together: readonly number[]
}

/** Refuses what `agentsNeeded` does. */
export function staffDay(loads: readonly QueueLoad[]): Need {
  const queues = loads.map(({ offered, handleMs, patienceMs, aim }) => offered.map((calls) => agentsNeeded({ offered: calls, handleMs, patienceMs }, aim)))
  const length = Math.max(QUARTERS, ...loads.map((l) => l.offered.length))
  const at = (values: readonly number[], q: number) => values[q] ?? 0
  return {
    queues,
    apart: Array.from({ length }, (_, q) => queues.reduce((sum, need) => sum + at(need, q), 0)),
    together: Array.from({ length }, (_, q) => {
      const calls = loads.reduce((sum, l) => sum + at(l.offered, q), 0)
      if (calls <= 0) return 0
      const mean = (of: (l: QueueLoad) => number) => loads.reduce((sum, l) => sum + of(l) * at(l.offered, q), 0) / calls
      const aim = { share: Math.max(...loads.map((l) => l.aim.share)), withinMs: Math.min(...loads.map((l) => l.aim.withinMs)) }
      return agentsNeeded({ offered: calls, handleMs: mean((l) => l.handleMs), patienceMs: mean((l) => l.patienceMs) }, aim)
    }),
  }
}
