// Preview: an agent is shown a record, and calls it or skips it. The record goes back as soon as the agent is not free for it any more.
import type { Agent } from '@/core/agents'
import type { CallEvent, Failure } from '@/core/calls'
import type { AttemptResult, Preview, RecordEvent } from '@/core/campaigns'
import { deviceOutside } from '@/core/ids'
import { forbidden } from '@/core/rules/do-not-call'
import { refuse } from '@/core/rules/rule'
import { busy, idleOf } from '@/core/rules/shift'
import { dialRecord } from '@/core/rules/talk'
import { type Draft, type Due, emit } from '@/core/state'
import { get, values } from '@/core/table'
import { MINUTE } from '@/core/time'
import { mayNotBeCalledNow, notRunning, over, running } from './attempt'
import type { Of, Ruling } from './commands'
import { stands } from './promise'

/** Refused: campaignNotRunning, agentNotFree, numberBusy, outsideHours; a number on the do-not-call list is an event of its record. */
export function offerRecord(draft: Draft, { campaignId, agentId, record }: Of<'offerRecord'>): Ruling {
  const campaign = running(draft.state, campaignId)
  if (campaign === undefined) return notRunning(draft.state, campaignId)
  const agent = idleOf(draft.state, campaignId).find((a) => a.id === agentId && a.shift?.leaving === null)
  if (agent === undefined) return refuse({ reason: 'agentNotFree' })
  const refused = mayNotBeCalledNow(draft, campaign, record)
  if (refused !== null) return refused
  const { recordId, number, person } = record
  if (forbidden(draft.state, number, person) !== null) return emit(draft, null, { kind: 'recordBarred', campaignId, recordId, number })
  const dueAtMs = campaign.previewLimitMs === null ? null : draft.atMs + campaign.previewLimitMs
  return emit(draft, null, { kind: 'recordOffered', campaignId, agentId, record, dueAtMs, callbackId: null })
}

/** The agent's line rings out to the person. Refused: nothingShown, campaignNotRunning, numberBusy, outsideHours, and while another call is on. */
export function callRecord(draft: Draft, agent: Agent): Ruling {
  const preview = get(draft.state.previews, agent.id)
  if (preview === undefined) return refuse({ reason: 'nothingShown' })
  const { campaignId, record } = preview
  const campaign = running(draft.state, campaignId)
  if (campaign === undefined) return notRunning(draft.state, campaignId)
  const refused = busy(draft.state, agent) ?? mayNotBeCalledNow(draft, campaign, record)
  if (refused !== null) return refused
  // It was put on the list while the agent was reading.
  if (forbidden(draft.state, record.number, record.person) !== null) {
    emit(draft, null, { kind: 'recordBarred', campaignId, recordId: record.recordId, number: record.number })
    return giveBack(draft, preview, 'barred')
  }
  const callId = dialRecord(draft, agent, campaignId, record)
  const callback = preview.callbackId === null ? undefined : get(draft.state.callbacks, preview.callbackId)
  if (callback !== undefined)
    emit(draft, draft.state.seq, { kind: 'callbackDialled', callbackId: callback.id, byAgentId: agent.id, callId, attempt: callback.attempt })
  return giveBack(draft, preview, 'called')
}

/** A promise that is not kept now is kept a little later. */
const PUT_OFF_MS = 15 * MINUTE

/** Refused: nothingShown, whyMissing. */
export function skipRecord(draft: Draft, agent: Agent, { why }: Of<'skipRecord'>): Ruling {
  const preview = get(draft.state.previews, agent.id)
  if (preview === undefined) return refuse({ reason: 'nothingShown' })
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  giveBack(draft, preview, 'skipped', why.trim())
  const callback = preview.callbackId === null ? undefined : get(draft.state.callbacks, preview.callbackId)
  if (callback !== undefined) {
    const { id: callbackId, timeZone } = callback
    emit(draft, draft.state.seq, { kind: 'callbackMoved', callbackId, byAgentId: agent.id, dueAtMs: draft.atMs + PUT_OFF_MS, timeZone, why: why.trim() })
  }
  return null
}

export function previewDue(draft: Draft, { agentId }: Extract<Due, { kind: 'preview' }>): void {
  const preview = get(draft.state.previews, agentId)
  if (preview !== undefined) giveBack(draft, preview, 'timeOver')
}

/** Records that nobody can decide about any more. */
export function takeBackPreviews(draft: Draft): void {
  // The order of a table says nothing.
  for (const preview of values(draft.state.previews).sort((a, b) => (a.agentId < b.agentId ? -1 : 1))) {
    const agent = get(draft.state.agents, preview.agentId)
    if (running(draft.state, preview.campaignId) === undefined) giveBack(draft, preview, 'paused')
    else if (!stands(draft.state, preview, draft.atMs)) giveBack(draft, preview, 'promiseGone')
    else if (agent?.shift?.leaving != null) giveBack(draft, preview, 'notReady')
    else if (agent?.state.name !== 'ready')
      giveBack(draft, preview, agent?.state.name === 'ringing' || agent?.state.name === 'onCall' ? 'queueCall' : 'notReady')
  }
}

function giveBack(
  draft: Draft,
  { campaignId, agentId, record }: Preview,
  because: Extract<RecordEvent, { kind: 'recordReturned' }>['because'],
  why = '',
): null {
  const causedBy = draft.entries.length === 0 ? null : draft.state.seq
  return emit(draft, causedBy, { kind: 'recordReturned', campaignId, recordId: record.recordId, agentId, because, why })
}

type Reported = Extract<CallEvent, { kind: 'connectionEstablished' | 'connectionFailed' | 'connectionCleared' }>

/** What became of a try with its agent on the line is what became of the far end. */
export function farEndDecided(draft: Draft, _seq: number, event: Reported): void {
  if (draft.state.attempts.size === 0) return
  const attempt = values(draft.state.attempts).find((a) => a.callId === event.callId)
  if (attempt === undefined) return
  const isFar = event.deviceId === deviceOutside(event.callId, 1)
  if (event.kind === 'connectionEstablished') {
    if (isFar) over(draft, attempt, 'live')
  } else if (event.kind === 'connectionFailed') {
    if (isFar) over(draft, attempt, OF_FAILURE[event.failure])
  }
  // The agent hung up while it rang: long enough, and it was in vain.
  else if (get(draft.state.calls, event.callId) === undefined) over(draft, attempt, draft.atMs - attempt.madeAtMs >= LONG_ENOUGH_MS ? 'noAnswer' : 'cancelled')
}

const LONG_ENOUGH_MS = 15_000
const OF_FAILURE: Readonly<Record<Failure, AttemptResult>> = {
  busy: 'busy',
  noAnswer: 'noAnswer',
  refused: 'refused',
  invalid: 'invalid',
  machine: 'machine',
  unreachable: 'invalid',
}
