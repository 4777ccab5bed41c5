// Whoever was reached is joined to the line of an agent who is there. What is left over waits until its time is over; an agent who asked to leave goes as soon
// as nobody is on the way to them.
import type { Agent } from '@/core/agents'
import { type Attempt, customerOf } from '@/core/campaigns'
import { openScript, recordPage } from '@/core/rules/closing'
import { idleOf, isAwaited } from '@/core/rules/shift'
import { campaignSetUp } from '@/core/set-up'
import { type Draft, emit, nextCallId, recordingIdFor } from '@/core/state'
import { values } from '@/core/table'
import { over } from './attempt'

/** Everybody who waits, the longest first, to whoever has been idle longest. */
export function putThroughWaiting(draft: Draft): void {
  if (draft.state.attempts.size === 0) return
  const waiting = values(draft.state.attempts)
    .filter((a) => a.state === 'waiting')
    .sort((a, b) => a.sinceMs - b.sinceMs || (a.id < b.id ? -1 : 1))
  for (const attempt of waiting) {
    const [agent] = idleOf(draft.state, attempt.campaignId)
    if (agent !== undefined) putThrough(draft, attempt, agent)
  }
}

function putThrough(draft: Draft, attempt: Attempt, agent: Agent): void {
  const { campaignId, record } = attempt
  const callId = nextCallId(draft.state)
  const leaving = agent.shift?.leaving ?? null
  const causedBy = draft.state.seq
  emit(draft, causedBy, { kind: 'callPutThrough', callId, agentId: agent.id, number: record.number, customer: customerOf(record) })
  const put = draft.state.seq
  // A machine that is an agent's to hear is no person who was reached.
  over(draft, attempt, attempt.isPerson ? 'live' : 'machine', { callId, agentId: agent.id })
  if (leaving !== null) emit(draft, put, { kind: 'agentNotReady', agentId: agent.id, reason: leaving })
  openScript(draft, put, { callId })
  if (campaignSetUp(draft.state.setUp, campaignId).records)
    emit(draft, put, { kind: 'recordingChanged', callId, recordingId: recordingIdFor(draft.state, callId), to: 'on', byAgentId: null })
  recordPage(draft, put, { callId })
}

/** Who asked to leave goes when nobody is on the way to them any more. */
export function letLeave(draft: Draft): void {
  for (const agent of values(draft.state.agents)) {
    const reason = agent.shift?.leaving ?? null
    if (reason !== null && !isAwaited(draft.state, agent)) emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId: agent.id, reason })
  }
}
