// Queueing formulas for a queue with Poisson arrivals and exponential handling. Rates are per any one unit of time; waits come
// back in the same unit.
//
// Erlang C, callers wait as long as it takes: A. K. Erlang, "Solution of some problems in the theory of probabilities of
// significance in automatic telephone exchanges" (1917). Erlang A, callers give up after an exponential time: C. Palm,
// "Research on telephone traffic carried by full availability groups" (1957), as given by O. Garnett, A. Mandelbaum and
// M. Reiman, "Designing a call center with impatient customers" (2002).

export interface Staffing {
  /** Calls a unit of time, positive. */
  readonly arrivalRate: number
  /** Calls one agent finishes a unit of time, positive: one over the mean handle time. */
  readonly serviceRate: number
  /** A whole number, at least 1. */
  readonly agents: number
}

export interface WaitingFigures {
  /** Share of callers who do not find an agent free, 0 to 1. */
  readonly shareWaiting: number
  /** Mean wait of all callers, those answered at once and those who give up included. */
  readonly meanWait: number
  readonly shareAbandoned: number
  /** Share of the agents' time that is spent on calls. */
  readonly occupancy: number
}

/** Refuses, by throwing a RangeError, what is not positive, and a load that the agents could never work off (then the wait has no end). */
export function erlangC({ arrivalRate, serviceRate, agents }: Staffing): WaitingFigures {
  positive({ arrivalRate, serviceRate, agents })
  const load = arrivalRate / serviceRate
  const spareRate = agents * serviceRate - arrivalRate
  // So near the limit that the difference is lost in the rounding, the wait is as good as endless.
  if (load >= agents || spareRate <= 0)
    throw new RangeError(`${load.toFixed(2)} erlangs keep ${agents} agents busy for ever: without abandonment the wait has no end`)
  const blocked = erlangB(load, agents)
  // Rounding may carry it a hair over one.
  const shareWaiting = Math.min(1, blocked / (1 - (load / agents) * (1 - blocked)))
  return { shareWaiting, meanWait: shareWaiting / spareRate, shareAbandoned: 0, occupancy: load / agents }
}

/** `patienceRate` is one over the mean patience, positive; any load is allowed. Refuses as `erlangC` does. */
export function erlangA({ arrivalRate, serviceRate, agents, patienceRate }: Staffing & { readonly patienceRate: number }): WaitingFigures {
  positive({ arrivalRate, serviceRate, agents, patienceRate })
  // The birth and death process of calls in the system, weighed against the state in which every agent is just busy. Weights run over
  // hundreds of powers of ten: whenever they grow too large all of them are scaled down, which leaves the shares as they are.
  let below = 0
  let from = 1
  let waiting = 0
  let weight = 1
  const keepFinite = () => {
    if (weight < LARGE && below < LARGE && from < LARGE && waiting < LARGE) return
    weight /= LARGE
    below /= LARGE
    from /= LARGE
    waiting /= LARGE
  }
  for (let n = agents; n > 0; n--) {
    weight *= (n * serviceRate) / arrivalRate
    below += weight
    keepFinite()
  }
  weight = from
  for (let queued = 1; weight > TAIL * from; queued++) {
    weight *= arrivalRate / (agents * serviceRate + queued * patienceRate)
    from += weight
    waiting += queued * weight
    keepFinite()
  }
  const all = below + from
  const meanQueue = waiting / all
  const shareAbandoned = (patienceRate * meanQueue) / arrivalRate
  return {
    shareWaiting: from / all,
    // Little's law.
    meanWait: meanQueue / arrivalRate,
    shareAbandoned,
    occupancy: (arrivalRate * (1 - shareAbandoned)) / (agents * serviceRate),
  }
}

/** Where the sum over ever longer queues is cut off. */
const TAIL = 1e-14
/** Far enough below the largest number for one more step of any sum. */
const LARGE = 1e150

/** The share of calls lost when nobody can wait (Erlang B), by its recursion, which stays exact for many agents. */
function erlangB(load: number, agents: number): number {
  let blocked = 1
  for (let n = 1; n <= agents; n++) blocked = (load * blocked) / (n + load * blocked)
  return blocked
}

function positive(values: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(values))
    if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`${name} is ${value}, but must be positive`)
  if (!Number.isInteger(values.agents)) throw new RangeError(`agents is ${values.agents}, but must be a whole number`)
}
