// An agent's day as the ledger has it: sessions from sign-in to sign-out, the time in each state, what of it is paid, and reasons that took longer than
// they were planned for.
import type { AgentInterval } from '@/core/ledger'
import type { Reason } from '@/core/set-up'
import type { EpochMs } from '@/core/time'

export type Spell = Pick<AgentInterval, 'state' | 'reason' | 'fromMs' | 'toMs'>

/** From the start of a shift to its end, without a gap. */
export interface Session {
  readonly fromMs: EpochMs
  readonly toMs: EpochMs
  readonly spells: readonly Spell[]
}

/** Spells of one agent, in any order, as sessions: whatever follows without a gap belongs together. Refuses nothing; spells never overlap. */
export function sessionsOf(spells: readonly Spell[]): readonly Session[] {
  const sessions: { fromMs: EpochMs; toMs: EpochMs; spells: Spell[] }[] = []
  for (const spell of spells.toSorted((a, b) => a.fromMs - b.fromMs)) {
    const last = sessions.at(-1)
    if (last?.toMs === spell.fromMs) {
      last.spells.push(spell)
      last.toMs = spell.toMs
    } else sessions.push({ fromMs: spell.fromMs, toMs: spell.toMs, spells: [spell] })
  }
  return sessions
}

/** Milliseconds a spell lasted beyond the plan of its reason; 0 for none. */
export function overPlan({ state, reason, fromMs, toMs }: Spell, reasons: readonly Reason[]): number {
  const plannedMs = state === 'notReady' ? reasons.find((r) => r.name === reason)?.plannedMs : null
  return plannedMs == null ? 0 : Math.max(0, toMs - fromMs - plannedMs)
}

/** How many agents are on shift at an instant, each with their sessions. */
export const onShiftAt = (agents: readonly (readonly Pick<Session, 'fromMs' | 'toMs'>[])[], atMs: EpochMs): number =>
  agents.filter((sessions) => sessions.some((s) => s.fromMs <= atMs && s.toMs > atMs)).length

export interface TimeSums {
  readonly onShiftMs: number
  readonly byState: Readonly<Partial<Record<Spell['state'], number>>>
  /** Time not ready, by reason. */
  readonly byReason: Readonly<Record<string, number>>
  readonly unpaidMs: number
  /** Of each reason with a plan, what it lasted beyond its plan, spell by spell. */
  readonly overPlanMs: number
  /** How many spells did. */
  readonly overPlanCount: number
}

/** Milliseconds of all spells together. Reasons the set-up does not know (any more) count as paid and without a plan. */
export function timeSums(spells: readonly Spell[], reasons: readonly Reason[]): TimeSums {
  const byState: Partial<Record<Spell['state'], number>> = {}
  const byReason: Record<string, number> = {}
  let [onShiftMs, unpaidMs, overPlanMs, overPlanCount] = [0, 0, 0, 0]
  for (const { state, reason, fromMs, toMs } of spells) {
    const ms = toMs - fromMs
    onShiftMs += ms
    byState[state] = (byState[state] ?? 0) + ms
    if (state !== 'notReady' || reason === null) continue
    byReason[reason] = (byReason[reason] ?? 0) + ms
    if (reasons.find((r) => r.name === reason)?.paid === false) unpaidMs += ms
    const over = overPlan({ state, reason, fromMs, toMs }, reasons)
    if (over === 0) continue
    overPlanMs += over
    overPlanCount++
  }
  return { onShiftMs, byState, byReason, unpaidMs, overPlanMs, overPlanCount }
}
