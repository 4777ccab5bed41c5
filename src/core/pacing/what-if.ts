// Tomorrow's shift as it would go: a shift played with many seeds in a world that is like what a campaign has met, and what came of it as intervals.
import { quantileSorted } from 'd3-array'
import { createPacer } from './pacer'
import { playPreviewShift } from './preview-shift'
import { createProgressive } from './progressive'
import { type CampaignWorld, type FiniteList, playShift, type Shown, type Spread } from './simulate'
import { USUAL } from './worlds'

export interface WhatIf {
  readonly manner: 'preview' | 'progressive' | 'predictive'
  readonly agents: number
  readonly lines: number
  readonly abandonCap: number
  readonly list: FiniteList
  readonly world: CampaignWorld
}

const TICK_MS = 500

/** The same as it is asked: in plain data, which crosses to another thread. */
export interface WhatIfAsked extends Omit<WhatIf, 'world'> {
  readonly met: Met
  readonly shift: ShiftAsked
}

export const whatIfOf = ({ met, shift, ...asked }: WhatIfAsked): WhatIf => ({ ...asked, world: worldLike(met, shift) })

/** One shift of it. The same seed gives the same shift. */
export function playWhatIf({ manner, agents, lines, abandonCap, list, world }: WhatIf, seed: number): Shown {
  const { ringLimitMs, connectLimitMs } = world
  if (manner === 'preview') return playPreviewShift({ world, agents, seed, list })
  const pacer = manner === 'predictive' ? createPacer({ agents, lines, abandonCap, tickMs: TICK_MS, ringLimitMs, connectLimitMs, seed }) : createProgressive()
  return playShift(pacer, { world, agents, lines, abandonCap, seed, tickMs: TICK_MS, list })
}

/** Half of the shifts are below the median, one in twenty below `low` and one in twenty above `high`. */
export interface Interval {
  readonly low: number
  readonly median: number
  readonly high: number
}

export interface Foreseen {
  readonly utilisation: Interval
  readonly connected: Interval
  readonly perAgentHour: Interval
  readonly attempts: Interval
  readonly abandonedShare: Interval
  /** Of the shifts, how many end with nobody left to call; and when those do, from the beginning, ms. */
  readonly listEndsShare: number
  readonly listEndsMs: Interval | null
  readonly left: Interval
}

export function foresee({ agents, world }: Pick<WhatIf, 'agents' | 'world'>, shifts: readonly Shown[]): Foreseen {
  const of = (value: (s: Shown) => number) => intervalOf(shifts.map(value))
  const ends = shifts.flatMap((s) => (s.listEndsMs === null ? [] : [s.listEndsMs]))
  return {
    utilisation: of((s) => s.utilisation),
    connected: of((s) => s.connected),
    perAgentHour: of((s) => s.connected / (agents * world.hours)),
    attempts: of((s) => s.attempts),
    abandonedShare: of((s) => s.abandonedShare),
    listEndsShare: ends.length / Math.max(1, shifts.length),
    listEndsMs: ends.length === 0 ? null : intervalOf(ends),
    left: of((s) => s.left ?? 0),
  }
}

function intervalOf(values: readonly number[]): Interval {
  const sorted = values.toSorted((a, b) => a - b)
  const at = (q: number) => quantileSorted(sorted, q) ?? 0
  return { low: at(0.05), median: at(0.5), high: at(0.95) }
}

/** What a campaign has met. Counts are of attempts; rates are smoothed with the usual world's, which weighs as much as a few dozen of them. */
export interface Met {
  /** By hour of the day, as the clock stands at the called person's place: ended, and how many a person answered. */
  readonly byHour: readonly { readonly hour: number; readonly ended: number; readonly live: number }[]
  readonly machines: number
  readonly busy: number
  readonly invalid: number
  /** Neither a person nor any of those. */
  readonly inVain: number
  readonly connected: number
  readonly rightParty: number
  /** Until somebody picked up, of each attempt that was answered, ms. */
  readonly rings: readonly number[]
  readonly talks: { readonly right: readonly number[]; readonly other: readonly number[] }
  readonly wraps: readonly number[]
}

const WEIGHS = 40
/** Of fewer the usual spread says more. */
const ENOUGH = 15

export interface ShiftAsked {
  readonly fromHour: number
  readonly hours: number
  readonly detector: boolean
  /** The share of people it takes for machines. */
  readonly detectorDrops: number
  readonly ringLimitMs: number
  readonly connectLimitMs: number
}

/** A world like what was met, for a shift of those hours. */
export function worldLike(met: Met, { fromHour, hours, detector, detectorDrops, ringLimitMs, connectLimitMs }: ShiftAsked): CampaignWorld {
  const [ended, live] = met.byHour.reduce(([e, l], h) => [e + h.ended, l + h.live], [0, 0])
  // What the detector dropped had answered as well.
  const seen = detector ? 1 - detectorDrops : 1
  const usual = (live / seen + WEIGHS * 0.3) / (ended + WEIGHS)
  const rates = Array.from({ length: 24 }, (_, hour) => {
    const of = met.byHour.find((h) => h.hour === hour)
    return ((of?.live ?? 0) / seen + WEIGHS * usual) / ((of?.ended ?? 0) + WEIGHS)
  })
  const barren = met.machines + met.busy + met.invalid + met.inVain
  const share = (count: number, otherwise: number) => (count + WEIGHS * otherwise) / (barren + WEIGHS)
  return {
    ...USUAL,
    hours,
    answers: (shareOfShift) => {
      // Between the middles of two hours, what lies between their rates.
      const at = fromHour + shareOfShift * hours - 0.5
      const [before, part] = [Math.floor(at), at - Math.floor(at)]
      return (rates[(before + 24) % 24] as number) * (1 - part) + (rates[(before + 25) % 24] as number) * part
    },
    machine: share(met.machines, USUAL.machine),
    busy: share(met.busy, USUAL.busy),
    invalid: share(met.invalid, USUAL.invalid),
    ringMs: spreadOf(met.rings, USUAL.ringMs),
    detector: detector && USUAL.detector !== null ? { ...USUAL.detector, drops: detectorDrops } : null,
    rightParty: (met.rightParty + WEIGHS * USUAL.rightParty) / (met.connected + WEIGHS),
    talkMs: { right: spreadOf(met.talks.right, USUAL.talkMs.right), other: spreadOf(met.talks.other, USUAL.talkMs.other) },
    wrapMs: spreadOf(met.wraps, USUAL.wrapMs),
    ringLimitMs,
    connectLimitMs,
  }
}

function spreadOf(values: readonly number[], usual: Spread): Spread {
  if (values.length < ENOUGH) return usual
  const mean = values.reduce((a, b) => a + b, 0) / values.length
  const sd = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / (values.length - 1))
  return { mean, sd }
}
