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
    const known = reasons.find((r) => r.name === reason)
    if (known?.paid === false) unpaidMs += ms
    const over = known?.plannedMs == null ? 0 : ms - known.plannedMs
    if (over <= 0) continue
    overPlanMs += over
    overPlanCount++
  }
  return { onShiftMs, byState, byReason, unpaidMs, overPlanMs, overPlanCount }
}
