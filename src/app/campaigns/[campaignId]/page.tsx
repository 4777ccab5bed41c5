'use client'
import { useParams } from 'next/navigation'
import { CampaignScreen } from '@/campaigns'
import { Page } from '@/frame'

export default function CampaignPage() {
  const { campaignId } = useParams<{ campaignId: string }>()
  return (
    <Page title="Campaign" place="campaigns">
      <CampaignScreen key={campaignId} campaignId={campaignId} />
    </Page>
  )
}
