// How many agents a day needs by the rules themselves: the day is played, and where the aim is missed or met with room to spare the quarter of an hour gets one more
// or one fewer, until nothing changes that is not chance. After the iterative staffing algorithm of Z. Feldman, A. Mandelbaum, W. A. Massey and W. Whitt, "Staffing of
// time-varying queues to achieve time-stable performance" (Management Science 54, 2008), with the rules of the floor in the place of one queue.
import type { QueueId } from '@/core/ids'
import { drawCallers } from './callers'
import { changed, type DayBasis, NO_CHANGE } from './change'
import type { PlayedDay } from './figures'
import { playDay } from './play'

export interface NeededAsked {
  readonly basis: DayBasis
  /** Agents by quarter of an hour to begin with. */
  readonly from: readonly number[]
  /** No more than so many. */
  readonly agents: number
  /** Share to be answered within each queue's time, all queues together. */
  readonly share: number
  readonly rounds: number
  readonly seeds: number
}

export interface NeededFound {
  readonly agents: readonly number[]
  /** Answered in time with them, by quarter of an hour; null where nobody calls. */
  readonly inTime: readonly (number | null)[]
  /** Quarters of an hour in which everybody there is would be too few. */
  readonly short: readonly number[]
  /** The same by queue over the day. */
  readonly byQueue: readonly { readonly queueId: QueueId; readonly inTime: number | null }[]
}

/** One round at a time: whoever walks it may pause, or stop with the last one that came. */
export function* neededByPlay({ basis, from, agents, share, rounds, seeds }: NeededAsked): Generator<NeededFound, NeededFound> {
  let atWork = from.map((n) => Math.min(n, agents))
  let found = look(basis, atWork, share, agents, seeds)
  for (let round = 1; round < rounds; round++) {
    yield found
    const next = atWork.map((n, q) => {
      const calls = basis.traffic.reduce((sum, t) => sum + (t.offered[q] ?? 0), 0)
      const is = found.inTime[q] ?? null
      if (calls <= 0 || is === null) return n
      if (is < share) return Math.min(agents, n + 1)
      // Whoever is sent away must not be missed: only where one in so many fewer would still do, as far as this round tells.
      return n > 1 && 1 - (1 - is) * (1 + 2 / n) ** 2 > share && round <= rounds / 2 ? n - 1 : n
    })
    if (next.every((n, q) => n === atWork[q])) break
    atWork = next
    found = look(basis, atWork, share, agents, seeds)
  }
  return found
}

function look(basis: DayBasis, atWork: readonly number[], share: number, most: number, seeds: number): NeededFound {
  const { day, traffic } = changed({ ...basis, atWork, crew: null, came: null }, NO_CHANGE)
  const played = Array.from({ length: seeds }, (_, i) => playDay(day, drawCallers(traffic, i + 1), i + 1))
  const inTime = atWork.map((_, q) => shareOf(played, (queue) => [queue.inTime[q] ?? 0, (queue.offered[q] ?? 0) - (queue.shortAbandons[q] ?? 0)]))
  return {
    agents: atWork,
    inTime,
    short: atWork.flatMap((n, q) => (n >= most && (inTime[q] ?? 1) < share ? [q] : [])),
    byQueue: basis.traffic.map(({ queueId }) => ({
      queueId,
      inTime: shareOf(played, (queue) => (queue.queueId === queueId ? [sum(queue.inTime), sum(queue.offered) - sum(queue.shortAbandons)] : [0, 0])),
    })),
  }
}

function shareOf(played: readonly PlayedDay[], of: (queue: PlayedDay['queues'][number]) => readonly [number, number]): number | null {
  let [part, whole] = [0, 0]
  for (const { queues } of played)
    for (const queue of queues) {
      const [a, b] = of(queue)
      part += a
      whole += b
    }
  return whole > 0 ? part / whole : null
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0)
