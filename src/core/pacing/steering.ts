// How much risk the next attempt may carry. What the cap still allows is a credit that every person taken live adds to and every one abandoned draws on;
// risk grows with it, so that what is not used comes to be, and in debt hardly any is taken until it is paid back.
import type { Observation } from './interface'

/** The aim lies a little below the cap. */
const AIM = 0.985
const IN_DEBT = 0.002

export interface Tuning {
  /** Abandons kept back: this much and this much for each root of an agent. */
  readonly reserve: number
  readonly reserveByRoot: number
  /** Risk per abandon of credit, for one agent; it falls with their number. */
  readonly gain: number
  readonly gainFalls: number
  readonly most: number
  readonly mostByRoot: number
  /** What a shift begins with, in abandons. */
  readonly advance: number
}

export const TUNED: Tuning = { reserve: 0.2, reserveByRoot: 0.1, gain: 0.12, gainFalls: 0.6, most: 0.06, mostByRoot: 0.35, advance: 0.6 }

export const creditOf = ({ totals, abandonCap }: Observation): number => abandonCap * AIM * totals.liveAnswers - totals.abandons

export function riskFor(o: Observation, t: Tuning): number {
  const { agentsLoggedOn, totals, recentHour, abandonCap } = o
  const agents = Math.max(1, agentsLoggedOn)
  const root = Math.sqrt(agents)
  const credit = creditOf(o) - t.reserve - t.reserveByRoot * root + t.advance * Math.exp(-totals.liveAnswers / (20 + agents))
  if (credit <= 0) return IN_DEBT
  const most = t.most + t.mostByRoot / root
  const risk = Math.min(most, (t.gain / agents ** t.gainFalls) * credit)
  // No rolling hour may look much worse than the day, for all the credit there is.
  const hourly = abandonCap * recentHour.liveAnswers + HOUR_ROOM * Math.sqrt(abandonCap * recentHour.liveAnswers + 0.5) - recentHour.abandons
  return Math.max(IN_DEBT, hourly <= 0 ? IN_DEBT : risk * Math.min(1, hourly))
}
const HOUR_ROOM = 1.6
