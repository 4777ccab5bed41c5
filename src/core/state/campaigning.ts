// The part of the floor's state that campaigns are: how each runs, who is being called, who looks at whom before they call.
import { type AttemptEvent, type CampaignEvent, countConversion, countResult, createRun, evolveAttempt, inState, type RecordEvent } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'
import { get } from '@/core/table'
import type { EpochMs } from '@/core/time'
import type { OfCampaign } from '@/core/work'
import { setAttemptDue, setPreviewDue } from './due'
import { type Place, put, remove, setFact } from './journal'

export function evolveCampaigning(place: Place, event: AttemptEvent | CampaignEvent | RecordEvent, atMs: EpochMs): void {
  switch (event.kind) {
    case 'campaignStateChanged':
      return put(place, 'campaigns', event.campaignId, inState(runOf(place, event.campaignId), event.to, atMs))
    case 'attemptMade':
      setFact(place, 'attemptCount', place.state.attemptCount + 1)
      if (event.callId !== null) isOfCampaign(place, event.callId, { ...event, rangBackTo: null })
      return changeAttempt(place, event, atMs)
    case 'attemptRings':
    case 'attemptAnswered':
    case 'attemptTakenLive':
    case 'attemptMessagePlayed':
      return changeAttempt(place, event, atMs)
    case 'attemptEnded': {
      const attempt = get(place.state.attempts, event.attemptId)
      if (attempt !== undefined && event.callId !== null) isOfCampaign(place, event.callId, { ...event, record: attempt.record, rangBackTo: null })
      changeAttempt(place, event, atMs)
      return put(place, 'campaigns', event.campaignId, countResult(runOf(place, event.campaignId), event.result, atMs))
    }
    case 'recordOffered': {
      const { agentId, campaignId, record, dueAtMs, callbackId } = event
      put(place, 'previews', agentId, { agentId, campaignId, record, sinceMs: atMs, dueAtMs, callbackId })
      return setPreviewDue(place, agentId, dueAtMs)
    }
    case 'recordReturned':
      remove(place, 'previews', event.agentId)
      return setPreviewDue(place, event.agentId, null)
    case 'recordCoded':
    case 'recordUncoded':
      if (event.conversion)
        put(place, 'campaigns', event.campaignId, countConversion(runOf(place, event.campaignId), event.kind === 'recordCoded' ? 1 : -1, atMs))
      return
    case 'recordMatched': {
      const queueId = get(place.state.work, event.callId)?.queueId ?? null
      return isOfCampaign(place, event.callId, { ...event, attemptId: null, rangBackTo: queueId })
    }
    case 'recordBarred':
    case 'recordReleased':
    case 'recordsPutBack':
      return
  }
}

const runOf = ({ state }: Place, id: CampaignId) => get(state.campaigns, id) ?? createRun(id)

function changeAttempt(place: Place, event: AttemptEvent, atMs: EpochMs): void {
  const id = event.attemptId
  const attempt = evolveAttempt(get(place.state.attempts, id), event, atMs)
  if (attempt === null) remove(place, 'attempts', id)
  else put(place, 'attempts', id, attempt)
  setAttemptDue(place, id, attempt?.dueAtMs ?? null)
}

function isOfCampaign(place: Place, callId: string, { campaignId, attemptId, record, rangBackTo }: OfCampaign): void {
  const work = get(place.state.work, callId)
  if (work !== undefined) put(place, 'work', callId, { ...work, campaign: { campaignId, attemptId, record, rangBackTo } })
}
