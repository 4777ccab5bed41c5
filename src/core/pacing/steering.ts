// How much risk the next attempt may carry. What the cap still allows is a credit that every person taken live adds to and every one abandoned draws on; the
// risk grows with it, the more gently the more agents there are, so that it comes to stand where the credit is used up as it grows; in debt hardly any
// is taken until it is paid back.
import type { Observation } from './interface'

/** The aim lies a little below the cap. */
const AIM = 0.985
const IN_DEBT = 0.002

export interface Tuning {
  /** Risk for an abandon of credit, shared among the agents; never more than the other. */
  readonly gain: number
  readonly gainMost: number
  /** Credit that is kept, in abandons: so much, and so much for each root of an agent. */
  readonly keeps: number
  readonly keepsByRoot: number
  /** Never more risk than this, and this over the root of their number. */
  readonly most: number
  readonly mostByRoot: number
}

export const TUNED: Tuning = { gain: 0.1, gainMost: 0.022, keeps: 0.1, keepsByRoot: 0.05, most: 0.05, mostByRoot: 0.1 }

export const creditOf = ({ totals, abandonCap }: Observation): number => abandonCap * AIM * totals.liveAnswers - totals.abandons

/** The chance of being abandoned that the next person may be given, 0 to 1. */
export function riskFor(o: Observation, t: Tuning): number {
  const { agentsLoggedOn, recentHour, abandonCap } = o
  const agents = Math.max(1, agentsLoggedOn)
  const root = Math.sqrt(agents)
  const credit = creditOf(o) - t.keeps - t.keepsByRoot * root
  // No rolling hour may look much worse than the day, for all the credit there is.
  const hourly = abandonCap * recentHour.liveAnswers + roomOfHour(agents) * Math.sqrt(abandonCap * recentHour.liveAnswers + 0.5) - recentHour.abandons
  if (credit <= 0 || hourly <= 0) return IN_DEBT
  return Math.max(IN_DEBT, Math.min(t.most + t.mostByRoot / root, Math.min(t.gainMost, t.gain / agents) * credit) * Math.min(1, hourly))
}

/** In roots of what an hour may have: many people take an hour further than they can turn it back. */
const roomOfHour = (agents: number): number => 0.6 + Math.min(1, 20 / agents)
