// What agents serve for the rest of their shift: queues, campaign, levels of skill.
import type { Agent, Levels } from '@/core/agents'
import type { QueueId } from '@/core/ids'
import { barred } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { isAwaited, mayWork } from '@/core/rules/shift'
import { agentName, agentSetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { onShiftAll, tell } from './acts'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

/**
 * Adds queues to what each of the agents serves and takes others away; changes the campaign and the levels of skill where they are given. It lasts for the
 * shift and asks nothing of the account but its right to campaigns. Refused as `onShiftAll` does, targetUnknown of a queue or skill that is not in use,
 * agentServesNothing, personComesTo where the dialer has somebody on the way, agentMayNotWork.
 */
export function assignWork(draft: Draft, command: Of<'assignWork'>): Ruling {
  const { agentId: byAgentId, agentIds, add, drop } = command
  const refused = barred(draft.state, byAgentId, 'supervision')
  if (refused !== null) return refused
  const { setUp } = draft.state
  const inUse = new Set(setUp.queues.flatMap((q) => (q.retired ? [] : [q.id])))
  if (add.some((id) => !inUse.has(id))) return refuse({ reason: 'targetUnknown' })
  if (command.levels?.some((l) => !setUp.skills.some((s) => s.id === l.skillId))) return refuse({ reason: 'targetUnknown' })
  const chosen = onShiftAll(draft, agentIds)
  if (!chosen.ok) return chosen
  const changes: { readonly agent: Agent; readonly queueIds: readonly QueueId[] }[] = []
  for (const agent of chosen.agents) {
    const queueIds = [...(agent.shift?.queueIds ?? []).filter((id) => !drop.includes(id)), ...add.filter((id) => !agent.shift?.queueIds.includes(id))]
    const no = mayChange(draft, agent, queueIds, command)
    if (no !== null) return no
    changes.push({ agent, queueIds })
  }
  for (const { agent, queueIds } of changes) change(draft, agent, queueIds, command)
  return null
}

function mayChange(draft: Draft, agent: Agent, queueIds: readonly QueueId[], command: Of<'assignWork'>): Refused<RulingRefusal> | null {
  const { state } = draft
  const name = agentName(state.setUp, agent.id)
  const campaignId = campaignAfter(agent, command)
  if (queueIds.length === 0 && campaignId === null) return refuse({ reason: 'agentServesNothing', name })
  if (campaignId === (agent.shift?.campaignId ?? null)) return null
  if (isAwaited(state, agent)) return refuse({ reason: 'personComesTo', name })
  const no = campaignId === null ? null : mayWork(state, agent.id, campaignId)
  if (no === null) return null
  const campaign = state.setUp.campaigns.find((c) => c.id === campaignId)?.name ?? 'that campaign'
  return refuse({ reason: 'agentMayNotWork', name, campaign, why: no.refusal.reason === 'campaignClosed' ? 'closed' : 'notTheirs' })
}

const campaignAfter = ({ shift }: Agent, { campaignId }: Of<'assignWork'>) => (campaignId === undefined ? (shift?.campaignId ?? null) : campaignId)

/** The account's levels, or those of this shift so far, with what is named changed. */
function levelsAfter({ state }: Draft, { id, shift }: Agent, { levels }: Of<'assignWork'>): Levels | null {
  if (shift === null || levels === undefined) return shift?.levels ?? null
  const kept = (shift.levels ?? agentSetUp(state.setUp, id).skills).filter((l) => !levels.some((n) => n.skillId === l.skillId))
  return [...kept, ...levels.filter((l) => l.level > 0)]
}

function change(draft: Draft, agent: Agent, queueIds: readonly QueueId[], command: Of<'assignWork'>): void {
  const { shift, id: agentId } = agent
  if (shift === null) return
  const { agentId: byAgentId } = command
  const campaignId = campaignAfter(agent, command)
  const levels = levelsAfter(draft, agent, command)
  const added = queueIds.filter((id) => !shift.queueIds.includes(id))
  const dropped = shift.queueIds.filter((id) => !queueIds.includes(id))
  const moves = campaignId !== shift.campaignId
  if (added.length + dropped.length === 0 && !moves && command.levels === undefined) return
  emit(draft, null, { kind: 'workAssigned', agentId, byAgentId, queueIds, campaignId, levels })
  if (agentId === byAgentId) return
  if (added.length + dropped.length > 0) tell(draft, agentId, byAgentId, { is: 'queues', added, dropped })
  if (moves) tell(draft, agentId, byAgentId, { is: 'campaign', campaignId })
  if (command.levels !== undefined) tell(draft, agentId, byAgentId, { is: 'levels' })
}
