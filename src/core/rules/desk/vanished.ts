// A desk that vanished: its tab was closed, crashed, or is cut off. Nobody rings there, and whoever was talked to is not left with nobody: for some seconds
// they hear music, because most desks come back; then they go to the head of their queue, what is written goes back to its line, and after a while the shift
// that nobody sits at ends.
import { type Agent, canBeReached } from '@/core/agents'
import { agentConnection, onLine, services } from '@/core/calls'
import type { CallId } from '@/core/ids'
import { endShiftOwing, isOverOwed } from '@/core/rules/shift'
import { passRing, toHead } from '@/core/rules/talk'
import { DESK_LOST, queueSetUp } from '@/core/set-up'
import { type Draft, type Due, emit } from '@/core/state'
import { get, must } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Only where a person sits, and once until the desk is back. */
export function reportDeskLost(draft: Draft, { agentId }: Of<'reportDeskLost'>): Ruling {
  const agent = get(draft.state.agents, agentId)
  if (agent?.shift?.seat !== 'desk' || agent.shift.deskLost !== null) return null
  emit(draft, null, { kind: 'deskLost', agentId })
  if (agent.availability.ready) emit(draft, null, { kind: 'agentNotReady', agentId, reason: DESK_LOST })
  for (const { callId, state } of agent.engagements) {
    const call = get(draft.state.calls, callId)
    const mine = call && agentConnection(call, agentId)
    if (call === undefined || mine === undefined) continue
    if (state === 'alerting') passRing(draft, call, mine, 'failed')
    // A telephone of their own has not vanished with the desk.
    else if (state === 'connected' && agent.shift.soundPath === 'computer') {
      const held = services.hold(call, agentId)
      if (held.ok) emit(draft, null, ...held.events)
    }
  }
  for (const { threadId, state } of agent.threads) if (state === 'offered') emit(draft, null, { kind: 'threadPassed', threadId, agentId, because: 'left' })
  return null
}

/** Before anything went on without them everything is as it was; after that they find what is left. */
export function reportDeskBack(draft: Draft, { agentId }: Of<'reportDeskBack'>): Ruling {
  const lost = get(draft.state.agents, agentId)?.shift?.deskLost ?? null
  if (lost === null) return null
  emit(draft, null, { kind: 'deskBack', agentId })
  const held = lost.heldCallId === null ? undefined : get(draft.state.calls, lost.heldCallId)
  const back = held && agentConnection(held, agentId)?.state === 'held' ? services.retrieve(held, agentId) : undefined
  const agent = get(draft.state.agents, agentId)
  const hearsAnother = agent?.engagements.some((e) => e.state === 'connected' || e.state === 'initiated') ?? false
  if (back?.ok && !hearsAnother) emit(draft, null, ...back.events)
  if (lost.wasReady && lost.givenUpAtMs === null && agent?.availability.reason === DESK_LOST && canBeReached(agent) && !isOverOwed(draft.state, agentId))
    emit(draft, null, { kind: 'agentReady', agentId })
  return null
}

/** The desk has not come back in time. */
export function deskDue(draft: Draft, { agentId }: Extract<Due, { kind: 'desk' }>): void {
  const agent = get(draft.state.agents, agentId)
  const lost = agent?.shift?.deskLost ?? null
  if (agent === undefined || lost === null) return
  if (lost.givenUpAtMs === null) giveUp(draft, agent)
  // Somebody the dialer has on the way is there for a moment yet: it is asked again.
  else if (endShiftOwing(draft, agent) !== null) emit(draft, null, { kind: 'deskGivenUp', agentId })
}

const SORRY = 'The line to the person you were talking with was lost. You are the next one; please stay on the line.'

function giveUp(draft: Draft, agent: Agent): void {
  const { id: agentId } = agent
  emit(draft, null, { kind: 'deskGivenUp', agentId })
  for (const { callId, listens } of agent.engagements) {
    const call = get(draft.state.calls, callId)
    const mine = call && agentConnection(call, agentId)
    if (call === undefined || mine === undefined) continue
    if (talksElsewhere(agent, mine.state)) continue
    const others = onLine(call).filter((c) => c !== mine)
    if (!listens && others.length > 0 && others.every((c) => c.party.kind === 'outside')) {
      if (get(draft.state.work, callId) !== undefined) emit(draft, null, { kind: 'callerTold', callId, text: SORRY, expectedWaitMs: null })
      emit(draft, null, { kind: 'connectionCleared', callId, deviceId: mine.deviceId, cause: 'failed' })
      if (others.length === 1) backInLine(draft, callId)
      continue
    }
    const cleared = services.clearConnection(call, mine.deviceId, 'failed')
    if (cleared.ok) emit(draft, null, ...cleared.events)
  }
  for (const { threadId, state } of agent.threads) {
    emit(draft, null, { kind: 'threadPassed', threadId, agentId, because: 'left' })
    if (state === 'open') emit(draft, draft.state.seq, { kind: 'outcomeOwed', agentId, callId: threadId, because: 'leftForLater' })
  }
}

/** Alone on the line they go to the head of their queue, and where it wants that, at once to its agents of any level as well. */
function backInLine(draft: Draft, callId: CallId): void {
  toHead(draft, must(draft.state.calls, callId), null)
  const queueId = get(draft.state.calls, callId)?.queueId ?? null
  if (queueId !== null && queueSetUp(draft.state.setUp, queueId).deskLostTo === 'anyLevel')
    emit(draft, null, { kind: 'callOverflowed', callId, offer: { queueId, anyLevel: true } })
}

/** Who talks through a telephone of their own goes on talking. */
const talksElsewhere = ({ shift }: Agent, state: string): boolean => shift !== null && shift.soundPath !== 'computer' && state === 'connected'
