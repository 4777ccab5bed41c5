// Entry of the worker in which days to come are played: one for each question, ended when it is answered or called off.
import * as Comlink from 'comlink'
import {
  type Compared,
  changed,
  compared,
  type DayBasis,
  type DayChange,
  daySaid,
  type NeededAsked,
  type NeededFound,
  NO_CHANGE,
  neededByPlay,
  type PlayedDay,
  playChanged,
  type Spread,
  spreadOf,
} from '@/core/coming-day'

/** What would be if one of the rules were not: how often in time, all queues together. */
export interface Reasons {
  readonly asItIs: Spread | null
  readonly allTakeAll: Spread | null
  readonly withoutOverflow: Spread | null
  readonly withoutRinging: Spread | null
}

export interface DayAheadWorker {
  /** `soFar` at every tenth of the days. */
  compare(
    basis: DayBasis,
    changes: readonly [DayChange, DayChange],
    days: number,
    onProgress: (done: number, soFar: Compared | null) => void,
  ): Promise<Compared>
  need(asked: NeededAsked, onProgress: (round: number, soFar: NeededFound) => void): Promise<NeededFound>
  reasons(basis: DayBasis, days: number): Promise<Reasons>
}

const worker: DayAheadWorker = {
  async compare(basis, [a, b], days, onProgress) {
    const [first, second] = [changed(basis, a), changed(basis, b)]
    const [played, other]: [PlayedDay[], PlayedDay[]] = [[], []]
    const every = Math.max(1, Math.round(days / 10))
    for (let seed = 1; seed <= days; seed++) {
      played.push(playChanged(first, seed))
      other.push(playChanged(second, seed))
      onProgress(seed, seed % every === 0 && seed < days ? compared(played, other) : null)
    }
    return compared(played, other)
  },
  async need(asked, onProgress) {
    const walk = neededByPlay(asked)
    for (let round = 1; ; round++) {
      const step = walk.next()
      if (step.done) return step.value
      onProgress(round, step.value)
    }
  },
  async reasons(basis, days) {
    const level = (change: Partial<DayChange>) => {
      const day = changed(basis, { ...NO_CHANGE, ...change })
      return spreadOf(Array.from({ length: days }, (_, i) => daySaid(playChanged(day, i + 1)).serviceLevel))
    }
    return {
      asItIs: level({}),
      allTakeAll: level({ allTakeAll: true }),
      withoutOverflow: level({ overflow: 'never' }),
      withoutRinging: level({ putThrough: true }),
    }
  },
}

Comlink.expose(worker)
