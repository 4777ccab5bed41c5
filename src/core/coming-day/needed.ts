// How many agents a day needs by the rules themselves: the day is played, and where the aim is missed or met with room to spare the quarter of an hour gets one more
// or one fewer, until nothing changes that is not chance. After the iterative staffing algorithm of Z. Feldman, A. Mandelbaum, W. A. Massey and W. Whitt, "Staffing of
// time-varying queues to achieve time-stable performance" (Management Science 54, 2008), with the rules of the floor in the place of one queue.
import type { QueueId } from '@/core/ids'
import { changed, type DayBasis, NO_CHANGE } from './change'
import { inTimeOf, playChanged } from './compare'
import { daySaid, type PlayedDay } from './figures'

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
  const expected = from.map((_, q) => basis.traffic.reduce((sum, t) => sum + (t.offered[q] ?? 0), 0))
  let atWork = from.map((n) => Math.min(n, agents))
  let found = look(basis, atWork, share, agents, seeds)
  for (let round = 1; round < rounds; round++) {
    yield found
    const next = atWork.map((n, q) => {
      const is = smoothed(found.inTime, expected, q)
      if ((expected[q] ?? 0) <= 0 || is === null) return n
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
  const day = changed({ ...basis, atWork, crew: null, came: null }, NO_CHANGE)
  const played = Array.from({ length: seeds }, (_, i) => playChanged(day, i + 1))
  const inTime = inTimeOf(played)
  return {
    agents: atWork,
    inTime: atWork.map((_, q) => inTime[q] ?? null),
    short: atWork.flatMap((n, q) => (n >= most && (inTime[q] ?? 1) < share ? [q] : [])),
    byQueue: basis.traffic.map(({ queueId }) => ({ queueId, inTime: overDay(played, queueId) })),
  }
}

function overDay(played: readonly PlayedDay[], queueId: QueueId): number | null {
  const said = played.map((day) => daySaid(day, { queueId })).filter((d) => d.serviceLevel !== null)
  const offered = said.reduce((sum, d) => sum + d.offered, 0)
  return offered > 0 ? said.reduce((sum, d) => sum + (d.serviceLevel ?? 0) * d.offered, 0) / offered : null
}

/** A quarter of an hour and half of each beside it, each as its calls weigh: of one alone too few calls are played to tell. */
function smoothed(inTime: readonly (number | null)[], expected: readonly number[], q: number): number | null {
  let [sum, weights] = [0, 0]
  for (const [at, part] of [
    [q - 1, 0.5],
    [q, 1],
    [q + 1, 0.5],
  ] as const) {
    const is = inTime[at] ?? null
    if (is === null) continue
    sum += is * part * (expected[at] ?? 0)
    weights += part * (expected[at] ?? 0)
  }
  return weights > 0 ? sum / weights : null
}
