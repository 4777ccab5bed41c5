// What an agent has in hand by channel, and whether one more may be offered to them.
import type { Agent } from '@/core/agents'
import { type Channel, EMPTY_HANDS, type Load, roomFor } from '@/core/channels'
import type { AgentId } from '@/core/ids'
import { agentSetUp, type SetUp } from '@/core/set-up'
import { get } from '@/core/table'
import type { FloorState } from './floor-state'

/** What they may carry at once: their account's own, or the centre's. */
export const loadsOf = (setUp: SetUp, agentId: AgentId): readonly Load[] => agentSetUp(setUp, agentId).carries ?? setUp.carries

/** What they carry: a call they are on or that rings, what is offered to them and in their hands, and what they wrap up. Listening in is none. */
export function inHandOf(state: Pick<FloorState, 'work'>, { engagements, threads, wrapUps }: Agent): Load {
  const load: Record<Channel, number> = { ...EMPTY_HANDS }
  if (engagements.some((e) => !e.listens)) load.call = 1
  for (const { channel } of threads) load[channel]++
  for (const { callId } of wrapUps) {
    const channel = get(state.work, callId)?.channel ?? 'call'
    load[channel] = channel === 'call' ? 1 : load[channel] + 1
  }
  return load
}

/** How many more of the channel may be offered to them now; 0 for none, and for whoever is not ready. */
export function roomOf(state: Pick<FloorState, 'work' | 'setUp'>, agent: Agent, channel: Channel): number {
  if (agent.shift === null || !agent.availability.ready || agent.shift.leaving !== null) return 0
  return roomFor(loadsOf(state.setUp, agent.id), inHandOf(state, agent), channel)
}

/** Whether a waiting call may ring at them: they are ready, or write, and may be interrupted by it. */
export function isFreeForCall({ setUp }: Pick<FloorState, 'setUp'>, agent: Agent): boolean {
  const { name } = agent.state
  if (name !== 'ready' && name !== 'writing') return false
  if (agent.wrapUps.length > 0) return false
  const load: Record<Channel, number> = { ...EMPTY_HANDS }
  for (const { channel } of agent.threads) load[channel]++
  return roomFor(loadsOf(setUp, agent.id), load, 'call') > 0
}
