// The share of callers who are answered within a time, where some give up (Erlang A): the wait a caller with endless patience would have is distributed as
// F. Baccelli and G. Hebuterne found for M/M/n+G ("On queues with impatient customers", Performance 81), here with exponential patience; as used by
// S. Zeltyn and A. Mandelbaum, "Call centers with impatient customers: many-server asymptotics of the M/M/n+G queue" (2005).
import { QUARTER_MS } from '@/core/time'
import { erlangA, type Staffing } from './erlang'

export interface Impatient extends Staffing {
  /** One over the mean patience, positive. */
  readonly patienceRate: number
}

/** Steps of the integration on each side of the limit; the error is far below a thousandth. */
const STEPS = 500
/** An exponent so far below its greatest adds nothing. */
const NEGLIGIBLE = 45

/** Answered within `within` ÷ all who call, 0 to 1. Refuses as `erlangA` does; `within` is in the unit of the rates, at least 0. */
export function serviceLevelA(queue: Impatient, within: number): number {
  // Says so where something is not positive.
  const { shareWaiting } = erlangA(queue)
  if (!(within >= 0)) throw new RangeError(`within is ${within}, but must not be negative`)
  const { arrivalRate, serviceRate, agents, patienceRate } = queue
  /** Exponent of the density of the wait, up to a constant. */
  const exponent = (x: number) => (arrivalRate * (1 - Math.exp(-patienceRate * x))) / patienceRate - agents * serviceRate * x
  // It grows for as long as callers come faster than they can be served, thinned by those who have given up.
  const peakAt = Math.max(0, Math.log(arrivalRate / (agents * serviceRate)) / patienceRate)
  const peak = exponent(peakAt)
  let end = Math.max(peakAt, 1 / (agents * serviceRate))
  while (exponent(end) > peak - NEGLIGIBLE) end *= 1.25
  const density = (x: number) => Math.exp(exponent(x) - peak)
  /** The density is narrow where much is asked of many: it is taken in pieces, finer about its greatest. */
  const width = 8 / Math.sqrt(Math.max(1e-12, arrivalRate * patienceRate))
  const cuts = [peakAt - width, peakAt, peakAt + width]
  const all = integral(density, end, cuts)
  // Of those who wait: the wait is short enough, and they are still there.
  const answered = integral((x) => density(x) * Math.exp(-patienceRate * x), Math.min(within, end), cuts)
  return Math.min(1, 1 - shareWaiting + (shareWaiting * answered) / all)
}

/** From 0 to `to`, piece by piece between the cuts. */
function integral(of: (x: number) => number, to: number, cuts: readonly number[]): number {
  const points = [0, ...cuts.filter((c) => c > 0 && c < to), to]
  return points.slice(1).reduce((sum, point, i) => sum + simpson(of, points[i] as number, point), 0)
}

function simpson(of: (x: number) => number, from: number, to: number): number {
  if (to <= from) return 0
  const h = (to - from) / STEPS
  let sum = of(from) + of(to)
  for (let i = 1; i < STEPS; i++) sum += (i % 2 === 1 ? 4 : 2) * of(from + i * h)
  return (sum * h) / 3
}

export interface Aim {
  /** Share to be answered within the time, above 0 and below 1. */
  readonly share: number
  readonly withinMs: number
}

export interface Load {
  /** Calls in the quarter of an hour. */
  readonly offered: number
  readonly handleMs: number
  readonly patienceMs: number
}

/** Nobody sets more people on one queue. */
const MOST_AGENTS = 500

/** The fewest agents that meet the aim in a quarter of an hour that goes on as it is; 0 where nobody is expected to call. */
export function agentsNeeded({ offered, handleMs, patienceMs }: Load, { share, withinMs }: Aim): number {
  if (offered <= 0 || handleMs <= 0) return 0
  const rates = { arrivalRate: offered / QUARTER_MS, serviceRate: 1 / handleMs, patienceRate: 1 / patienceMs }
  const meets = (agents: number) => serviceLevelA({ ...rates, agents }, withinMs) >= share
  // More agents never make it worse: the first that meets it is found by doubling and halving.
  let [low, high] = [0, 1]
  while (high < MOST_AGENTS && !meets(high)) [low, high] = [high, high * 2]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (meets(middle)) high = middle
    else low = middle
  }
  return Math.min(high, MOST_AGENTS)
}
