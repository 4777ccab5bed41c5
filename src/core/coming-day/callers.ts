// Who calls on a day that is played: expected by quarter of an hour and drawn, or as they came on a day that is over.
import { createChance, seedFor } from '@/core/chance'
import type { QueueId } from '@/core/ids'
import { QUARTER_MS } from '@/core/time'

/** How long something takes: what was measured, in order, milliseconds. Drawn from by its distribution function, straight between two of them. */
export type Durations = readonly number[]

/** What is known of a queue's calls. */
export interface Traffic {
  readonly queueId: QueueId
  /** Calls expected, by quarter of an hour of the day. */
  readonly offered: readonly number[]
  /** From the answer to the end of the call, holds included. */
  readonly talkMs: Durations
  readonly wrapUpMs: Durations
  /** Mean of an exponential patience. */
  readonly patienceMs: number
}

/** How many calls of a queue are expected in some quarters of the day, all of them where none are named. */
export const callsIn =
  (traffic: readonly Pick<Traffic, 'queueId' | 'offered'>[], from = 0, to = Number.POSITIVE_INFINITY) =>
  (queueId: QueueId): number =>
    traffic
      .find((t) => t.queueId === queueId)
      ?.offered.slice(from, to)
      .reduce((a, b) => a + b, 0) ?? 0

/** A call that came: what is not known of it is drawn from its queue's traffic. */
export interface CameAt {
  readonly queueId: QueueId
  /** From the start of the day. */
  readonly atMs: number
  readonly talkMs: number | null
  readonly wrapUpMs: number | null
  /** How long they waited, and whether they then gave up or were answered; neither of who waits still. Who was answered would have waited longer. */
  readonly waitedMs: number
  readonly gaveUp: boolean
  readonly answered: boolean
}

export interface Caller {
  readonly queueId: QueueId
  readonly atMs: number
  readonly talkMs: number
  readonly wrapUpMs: number
  readonly patienceMs: number
}

/**
 * A day of callers, in the order they call: a Poisson process whose rate is the same throughout a quarter of an hour. Each queue draws from a seed of its own and
 * each caller from theirs, so that a day with another staff, other rules or another queue has the same callers.
 */
export function drawCallers(traffic: readonly Traffic[], seed: number): readonly Caller[] {
  const callers = traffic.flatMap((of) => {
    const chance = createChance(seedFor(seed, `callers of ${of.queueId}`))
    const drawn: Caller[] = []
    // Unit-rate arrivals, put where so many calls are expected up to there.
    let [quarter, before, at] = [0, 0, chance.exponential(1)]
    while (quarter < of.offered.length) {
      const here = of.offered[quarter] ?? 0
      if (at >= before + here) {
        before += here
        quarter++
        continue
      }
      const atMs = Math.floor((quarter + (at - before) / here) * QUARTER_MS)
      drawn.push({ queueId: of.queueId, atMs, ...manner(of, seed, drawn.length) })
      at += chance.exponential(1)
    }
    return drawn
  })
  return inOrder(callers)
}

/** The callers of a day that is over, as they came: what they bear and need is theirs as far as it is known. */
export function sameCallers(came: readonly CameAt[], traffic: readonly Traffic[], seed: number): readonly Caller[] {
  const nth = new Map<QueueId, number>()
  const callers = came.flatMap((call) => {
    const of = traffic.find((t) => t.queueId === call.queueId)
    if (of === undefined) return []
    const n = nth.get(call.queueId) ?? 0
    nth.set(call.queueId, n + 1)
    const drawn = manner(of, seed, n)
    return [
      {
        queueId: call.queueId,
        atMs: call.atMs,
        talkMs: call.talkMs ?? drawn.talkMs,
        wrapUpMs: call.wrapUpMs ?? drawn.wrapUpMs,
        // An exponential patience that has lasted so long lasts as long again as at first.
        patienceMs: call.gaveUp ? call.waitedMs : call.waitedMs + drawn.patienceMs,
      },
    ]
  })
  return inOrder(callers)
}

function manner({ queueId, talkMs, wrapUpMs, patienceMs }: Traffic, seed: number, n: number): Pick<Caller, 'talkMs' | 'wrapUpMs' | 'patienceMs'> {
  const chance = createChance(seedFor(seed, `${queueId} ${n}`))
  return { talkMs: quantileAt(talkMs, chance.next()), wrapUpMs: quantileAt(wrapUpMs, chance.next()), patienceMs: Math.round(chance.exponential(patienceMs)) }
}

const POINTS = 60

/** What was measured as evenly spaced quantiles, from the shortest to the longest; none of nothing. */
export function quantilesOf(values: readonly number[]): Durations {
  const sorted = values.toSorted((a, b) => a - b)
  return values.length === 0 ? [] : Array.from({ length: POINTS + 1 }, (_, i) => quantileAt(sorted, i / POINTS))
}

/** Refuses an empty list. */
export function quantileAt(sorted: Durations, share: number): number {
  const last = sorted.length - 1
  if (last < 0) throw new RangeError('no duration was measured, so none can be drawn')
  const at = share * last
  const low = sorted[Math.floor(at)] as number
  return Math.round(low + (at - Math.floor(at)) * ((sorted[Math.ceil(at)] as number) - low))
}

const inOrder = (callers: readonly Caller[]): readonly Caller[] =>
  callers.toSorted((a, b) => a.atMs - b.atMs || (a.queueId < b.queueId ? -1 : a.queueId > b.queueId ? 1 : 0))
