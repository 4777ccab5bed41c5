// Where the dialer gets people from.
import type { CalledRecord } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'

export interface RecordSource {
  /** Takes out whoever of the campaign's lists is next; undefined when nobody may be called now, or nobody is at hand yet. */
  next(campaignId: CampaignId, atMs: number): CalledRecord | undefined
  /** They were not called after all. */
  giveBack(campaignId: CampaignId, record: CalledRecord, atMs: number): void
  /** Nobody of the campaign's lists will be called again by the dialer. */
  isDone(campaignId: CampaignId): boolean
}
