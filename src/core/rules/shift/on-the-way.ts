// Who of a campaign is free, and who the dialer has on the way to them.
import type { Agent } from '@/core/agents'
import type { Attempt } from '@/core/campaigns'
import type { AgentId, CampaignId } from '@/core/ids'
import { type FloorState, readyAgents } from '@/core/state'
import { get } from '@/core/table'

/** Ready, with nothing in hand, longest first; who is about to leave comes last. */
export function idleOf(state: FloorState, campaignId: CampaignId): readonly Agent[] {
  const idle: Agent[] = []
  for (const id of readyAgents(state)) {
    const agent = get(state.agents, id)
    if (agent?.shift?.campaignId === campaignId && agent.state.name === 'ready' && agent.threads.length === 0 && get(state.previews, id) === undefined)
      idle.push(agent)
  }
  const leaves = (a: Agent) => (a.shift?.leaving === null ? 0 : 1)
  return idle.sort((a, b) => leaves(a) - leaves(b) || a.state.sinceMs - b.state.sinceMs || (a.id < b.id ? -1 : 1))
}

/**
 * People who may need an agent within moments: whoever has picked up. Where there is one attempt for each idle agent, whoever rings as well: nobody else is
 * there for them.
 */
export function onTheWay(state: FloorState, campaignId: CampaignId): readonly Attempt[] {
  const rings = state.setUp.campaigns.find((c) => c.id === campaignId)?.manner === 'progressive'
  const found: Attempt[] = []
  for (const attempt of state.attempts.values())
    if (
      attempt.campaignId === campaignId &&
      attempt.callId === null &&
      (attempt.state === 'detecting' || attempt.state === 'waiting' || (rings && attempt.state !== 'told'))
    )
      found.push(attempt)
  return found
}

/** Whether somebody is on the way whom nobody could take but this agent. */
export function isAwaited(state: FloorState, agent: Agent): boolean {
  const campaignId = agent.shift?.campaignId ?? null
  if (campaignId === null || agent.state.name !== 'ready') return false
  const others = idleOf(state, campaignId).filter((a) => a.id !== agent.id && a.shift?.leaving === null)
  return onTheWay(state, campaignId).length > others.length
}

/**
 * Whom people are on the way to. `promised`: somebody has picked up, or rings where there is one attempt for each idle agent; they must not find nobody, so a
 * caller of a queue waits the seconds until it is known. `expected`: more ring than that, and pacing reckons with what may come between: a caller goes to
 * somebody else if there is one.
 */
export function awaitedAgents(state: FloorState): { readonly promised: ReadonlySet<AgentId>; readonly expected: ReadonlySet<AgentId> } {
  const [promised, expected] = [new Set<AgentId>(), new Set<AgentId>()]
  if (state.attempts.size > 0)
    for (const { id } of state.setUp.campaigns) {
      let rings = 0
      for (const a of state.attempts.values()) if (a.campaignId === id && a.callId === null && a.state !== 'told') rings++
      const sure = onTheWay(state, id).length
      for (const [i, agent] of idleOf(state, id).slice(0, rings).entries()) (i < sure ? promised : expected).add(agent.id)
    }
  return { promised, expected }
}
