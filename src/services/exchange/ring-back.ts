// Somebody of a calling list rings the campaign's number back: before the call is let in it is asked who of the lists they are, as an exchange looks up a number
// before it offers a call. Whom the lists do not know is a caller like any other.
import { customerOf } from '@/core/campaigns'
import type { NetworkCommand } from '@/core/floor'
import type { CampaignId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import type { ListFeed } from './list-feed'
import type { RefusalView } from './protocol'

type Arrives = Extract<NetworkCommand, { kind: 'callArrives' }>

/** The call of whoever was last rung in vain, as it comes in; or why nobody rings back. */
export async function ringBack(state: FloorState, feed: ListFeed, campaignId: CampaignId): Promise<Arrives | RefusalView> {
  const campaign = state.setUp.campaigns.find((c) => c.id === campaignId && !c.retired)
  const queueId = campaign?.ringBackQueueId ?? null
  if (campaign === undefined || queueId === null)
    return {
      reason: 'nobodyAnswers',
      says: `Nobody answers the number of ${campaign?.name ?? 'this campaign'}.`,
      next: 'Its owner can choose a queue for those who ring back, under Campaigns, Edit campaign.',
    }
  const number = feed.missed(campaignId)
  if (number === null)
    return {
      reason: 'nobodyMissed',
      says: `${campaign.name} has rung nobody in vain since this floor was opened.`,
      next: get(state.campaigns, campaignId)?.state === 'running' ? 'Wait until somebody does not answer.' : 'Start the campaign and go ready on it first.',
    }
  const record = await feed.whose(campaignId, number)
  const whose = record === null ? { customer: null } : { customer: customerOf(record), rungBack: { campaignId, record } }
  return { kind: 'callArrives', queueId, number, path: null, ...whose }
}
