// Colleagues away from the desk: how long, and what they let the others know.
import { createChance, seedFor } from '@/core/chance'
import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { MINUTE, SECOND } from '@/core/time'
import type { Act } from './act'

const AWAY_NOTES = ['Back soon.', 'Out for some air.', 'In the back room if it burns.', 'With the trainer.'] as const

/** Two in three leave a note when they go, and half of those name somebody who covers. */
export function breakNote(seed: number, setUp: SetUp, plays: ReadonlySet<AgentId>, { agentId, untilMs }: Extract<Act, { kind: 'note' }>): AgentCommand[] {
  const chance = createChance(seedFor(seed, `note ${agentId} ${untilMs}`))
  if (chance.next() > 2 / 3) return []
  const others = setUp.agents.filter((a) => plays.has(a.id) && a.id !== agentId)
  const coverId = chance.next() < 0.5 && others.length > 0 ? chance.pick(others).id : null
  return [{ kind: 'setNote', agentId, text: chance.pick(AWAY_NOTES), untilMs, coverId }]
}

export const BREAKS: Readonly<Record<string, number>> = { Break: 12 * MINUTE, Lunch: 30 * MINUTE, Training: 20 * MINUTE }
/** Back to work after a ring they missed. */
export const BACK_AFTER_MISSED_MS = 20 * SECOND

export const KINDS_OF_BREAK = [
  { weight: 5, item: 'Break' },
  { weight: 3, item: 'Lunch' },
  { weight: 1, item: 'Training' },
]
