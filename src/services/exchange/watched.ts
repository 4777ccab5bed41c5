// What those who answer for the floor see of everybody on shift, besides what all colleagues see: whom they have on the line, and how long that may last.

import type { Agent, WrapUp } from '@/core/agents'
import { isInternal, isOnLine, type Role } from '@/core/calls'
import { callerLabel } from '@/core/directory'
import { type AgentId, type CallId, type CampaignId, deviceOfAgent, type QueueId } from '@/core/ids'
import { agentName } from '@/core/set-up'
import { type FloorState, partyOfCall } from '@/core/state'
import { get, values } from '@/core/table'
import { behalfOfPart } from '@/core/work'
import { type HelpView, helpOf } from './help-view'

export interface WatchedSeat {
  readonly id: AgentId
  /** Whom they talk with, are rung by or code the call of; null for nobody. */
  readonly with: string | null
  /** The call they are on the line of, which may be listened to; null while they are on none. */
  readonly onCallId: CallId | null
  /** Who has come to that call beside them, and as what. */
  readonly beside: readonly { readonly agentId: AgentId; readonly role: Role }[]
  readonly help: HelpView | null
  /** Since when nothing is heard of their desk; null while it is there. */
  readonly deskLostSinceMs: number | null
  readonly queueId: QueueId | null
  readonly campaignId: CampaignId | null
  /** Since when their caller is on hold and nobody is talked to; null otherwise. */
  readonly heldSinceMs: number | null
  readonly wrapUp: Pick<WrapUp, 'startedAtMs' | 'overMs' | 'limitMs'> | null
  readonly codedCount: number
  readonly owed: number
}

export const watchedSeats = (state: FloorState): readonly WatchedSeat[] =>
  values(state.agents).flatMap((a) => (a.shift === null ? [] : [watchedSeat(state, a)]))

function watchedSeat(state: FloorState, agent: Agent): WatchedSeat {
  const { id, engagements, wrapUps, owed, codedCount } = agent
  const own = engagements.filter((e) => !e.listens)
  const engaged = own.find((e) => e.state !== 'held') ?? own[0] ?? engagements[0]
  const call = engaged === undefined ? undefined : get(state.calls, engaged.callId)
  const wrapUp = agent.state.name === 'wrapUp' ? (wrapUps.at(-1) ?? null) : null
  const work = get(state.work, call?.workId ?? wrapUp?.callId ?? engaged?.callId ?? '')
  const end = call?.connections.find((c) => c.deviceId === deviceOfAgent(id))
  const beside = call?.connections.flatMap((c) =>
    c.beside === deviceOfAgent(id) && c.party.kind === 'agent' ? [{ agentId: c.party.agentId, role: c.role }] : [],
  )
  // Of whoever listens in it says to whom.
  const listensTo = engaged?.listens ? call?.connections.find((c) => c.deviceId === end?.beside)?.party : undefined
  const label =
    listensTo?.kind === 'agent'
      ? agentName(state.setUp, listensTo.agentId)
      : call === undefined
        ? work === undefined
          ? null
          : callerLabel(work)
        : isInternal(call)
          ? partyOfCall(state, call.id, id)
          : callerLabel(call)
  return {
    id,
    onCallId: end !== undefined && isOnLine(end) ? (call?.id ?? null) : null,
    beside: beside ?? [],
    help: helpOf(state, agent),
    deskLostSinceMs: agent.shift?.deskLost?.sinceMs ?? null,
    with: call === undefined && wrapUp === null ? null : label,
    ...(work === undefined ? { queueId: null, campaignId: null } : behalfOfPart(work, id)),
    heldSinceMs: engaged?.state === 'held' ? (end?.sinceMs ?? null) : null,
    wrapUp: wrapUp === null ? null : { startedAtMs: wrapUp.startedAtMs, overMs: wrapUp.overMs, limitMs: wrapUp.limitMs },
    codedCount,
    owed: owed.length,
  }
}
