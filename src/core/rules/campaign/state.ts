// A campaign is started, paused and finished: by a supervisor, or by itself when its target is reached or its list has nobody left.
import type { CampaignEvent, CampaignState } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'
import { barred } from '@/core/rules/rights'
import { type Rule, refuse } from '@/core/rules/rule'
import { checkSetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'
import type { RulingRefusal } from './refusals'

type Ask = Of<'startCampaign' | 'pauseCampaign' | 'finishCampaign'>

/** Refused: noSuchAccount, notEntitled, targetUnknown, campaignStateUnchanged; campaignUnsound with the first error of the checker. */
export const changeState =
  (to: CampaignState): Rule<Ask, RulingRefusal> =>
  (draft, { agentId, campaignId }) => {
    const refused = barred(draft.state, agentId, 'supervision')
    if (refused !== null) return refused
    const campaign = draft.state.setUp.campaigns.find((c) => c.id === campaignId && !c.retired)
    const run = get(draft.state.campaigns, campaignId)
    if (campaign === undefined || run === undefined) return refuse({ reason: 'targetUnknown' })
    if (run.state === to || (to === 'paused' && run.state !== 'running')) return refuse({ reason: 'campaignStateUnchanged', state: run.state })
    if (to === 'running') {
      const unsound = checkSetUp(draft.state.setUp).find((f) => f.grade === 'error' && f.place === `Campaign ${campaign.name}`)
      if (unsound !== undefined) return refuse({ reason: 'campaignUnsound', says: unsound.says, cure: unsound.cure })
    }
    return emit(draft, null, { kind: 'campaignStateChanged', campaignId, to, byAgentId: agentId, because: 'asked' })
  }

/** Refused: noSuchAccount, notEntitled, targetUnknown, nothingNamed when it would be everybody. */
export function putBackRecords(draft: Draft, { agentId, campaignId, which }: Of<'putBackRecords'>): Ruling {
  const refused = barred(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  if (!draft.state.setUp.campaigns.some((c) => c.id === campaignId && !c.retired)) return refuse({ reason: 'targetUnknown' })
  if (Object.values(which).every((by) => by === null)) return refuse({ reason: 'nothingNamed' })
  return emit(draft, null, { kind: 'recordsPutBack', campaignId, byAgentId: agentId, which })
}

/** Everybody of the list stands at an end. */
export function listDone(draft: Draft, { campaignId }: Of<'listDone'>): Ruling {
  finish(draft, campaignId, 'listDone')
  return null
}

export function finish(draft: Draft, campaignId: CampaignId, because: CampaignEvent['because']): void {
  if (get(draft.state.campaigns, campaignId)?.state !== 'running') return
  emit(draft, draft.entries.length === 0 ? null : draft.state.seq, { kind: 'campaignStateChanged', campaignId, to: 'finished', byAgentId: null, because })
}

/** So many conversions as were wanted. */
export function keepTarget(draft: Draft, campaignId: CampaignId): void {
  const target = draft.state.setUp.campaigns.find((c) => c.id === campaignId)?.target ?? null
  if (target !== null && (get(draft.state.campaigns, campaignId)?.conversions ?? 0) >= target) finish(draft, campaignId, 'target')
}
