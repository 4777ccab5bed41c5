// What those who answer for the floor see of everybody on shift, besides what all colleagues see: whom they have on the line, and how long that may last.

import type { Agent, WrapUp } from '@/core/agents'
import { isInternal } from '@/core/calls'
import { callerLabel } from '@/core/directory'
import type { AgentId, CampaignId, QueueId } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { type FloorState, partyOfCall, revisionOf } from '@/core/state'
import { get, values } from '@/core/table'
import { behalfOfPart } from '@/core/work'

export interface WatchedSeat {
  readonly id: AgentId
  /** Whom they talk with, are rung by or code the call of; null for nobody. */
  readonly with: string | null
  readonly queueId: QueueId | null
  readonly campaignId: CampaignId | null
  /** Since when their caller is on hold and nobody is talked to; null otherwise. */
  readonly heldSinceMs: number | null
  readonly wrapUp: Pick<WrapUp, 'startedAtMs' | 'overMs' | 'limitMs'> | null
  readonly codedCount: number
  readonly owed: number
}

/** The part of an account, looked at anew when something of agents or calls has changed; null of one that does not supervise. */
export function createWatched(state: FloorState): (accountId: AgentId) => readonly WatchedSeat[] | null {
  let revision = ''
  let seats: readonly WatchedSeat[] = []
  return (accountId) => {
    if (unentitled(state, accountId, 'supervision') !== null) return null
    const now = `${revisionOf(state, 'agents')} ${revisionOf(state, 'calls')} ${revisionOf(state, 'work')}`
    if (now !== revision) seats = values(state.agents).flatMap((a) => (a.shift === null ? [] : [watchedSeat(state, a)]))
    revision = now
    return seats
  }
}

function watchedSeat(state: FloorState, agent: Agent): WatchedSeat {
  const { id, engagements, wrapUps, owed, codedCount } = agent
  const engaged = engagements.find((e) => e.state !== 'held') ?? engagements[0]
  const call = engaged === undefined ? undefined : get(state.calls, engaged.callId)
  const wrapUp = agent.state.name === 'wrapUp' ? (wrapUps.at(-1) ?? null) : null
  const work = get(state.work, call?.workId ?? wrapUp?.callId ?? engaged?.callId ?? '')
  const own = call?.connections.find((c) => c.party.kind === 'agent' && c.party.agentId === id)
  const label = call === undefined ? (work === undefined ? null : callerLabel(work)) : isInternal(call) ? partyOfCall(state, call.id, id) : callerLabel(call)
  return {
    id,
    with: call === undefined && wrapUp === null ? null : label,
    ...(work === undefined ? { queueId: null, campaignId: null } : behalfOfPart(work, id)),
    heldSinceMs: engaged?.state === 'held' ? (own?.sinceMs ?? null) : null,
    wrapUp: wrapUp === null ? null : { startedAtMs: wrapUp.startedAtMs, overMs: wrapUp.overMs, limitMs: wrapUp.limitMs },
    codedCount,
    owed: owed.length,
  }
}
