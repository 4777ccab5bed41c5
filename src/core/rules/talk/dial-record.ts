// A try of somebody of a calling list with the agent on the line from the beginning: after a preview, or for a callback that was promised.
import type { Agent } from '@/core/agents'
import { type CalledRecord, customerOf } from '@/core/campaigns'
import type { CallId, CampaignId } from '@/core/ids'
import { campaignSetUp } from '@/core/set-up'
import { type Draft, emit, nextAttemptId, nextCallId } from '@/core/state'

/** Checks nothing. Gives the id of the call. */
export function dialRecord(draft: Draft, { id: agentId }: Agent, campaignId: CampaignId, record: CalledRecord): CallId {
  const callId = nextCallId(draft.state)
  const attemptId = nextAttemptId(draft.state)
  const { ringLimitMs } = campaignSetUp(draft.state.setUp, campaignId)
  const originated = { kind: 'callOriginated', callId, agentId, number: record.number, customer: customerOf(record), ofCampaign: true } as const
  emit(draft, null, { ...originated, queueId: null, extension: null })
  emit(draft, draft.state.seq, { kind: 'attemptMade', attemptId, campaignId, record, callId, agentId, ringLimitMs })
  return callId
}
