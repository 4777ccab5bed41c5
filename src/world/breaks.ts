// Colleagues away from the desk: how long, and what they let the others know.
import { createChance, seedFor } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { MISSED_RING } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import type { Scene } from './scene'
import type { Habits } from './stage'

/** Back to work after a ring they missed. */
const BACK_AFTER_MISSED_MS = 20 * SECOND

export const awayMs = ({ breaks }: Habits, reason: string): number =>
  reason === MISSED_RING ? BACK_AFTER_MISSED_MS : (breaks.find((b) => b.reason === reason)?.lastsMs ?? MINUTE)

/** Two in three leave a note when they go, and half of those name somebody who covers. */
export function breakNote({ stage, memory: { seed, plays } }: Scene, { setUp }: FloorState, agentId: AgentId, untilMs: number): AgentCommand[] {
  const chance = createChance(seedFor(seed, `note ${agentId} ${untilMs}`))
  if (chance.next() > 2 / 3) return []
  const others = setUp.agents.filter((a) => plays.has(a.id) && a.id !== agentId)
  const coverId = chance.next() < 0.5 && others.length > 0 ? chance.pick(others).id : null
  return [{ kind: 'setNote', agentId, text: chance.pick(stage.habits.awayNotes), untilMs, coverId }]
}

/** Why somebody who is done with a call is away now; null when it is too soon for a break. */
export function dueBreak({ stage, memory: { seed, lastBreakMs } }: Scene, agentId: AgentId, atMs: number): string | null {
  if (atMs - (lastBreakMs.get(agentId) ?? atMs) < 2 * HOUR) return null
  lastBreakMs.set(agentId, atMs)
  return createChance(seedFor(seed, `break ${agentId} ${atMs}`)).weighted(stage.habits.breaks.map(({ weight, reason }) => ({ weight, item: reason })))
}
