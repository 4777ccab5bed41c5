'use client'
import { useParams } from 'next/navigation'
import { Page } from '@/parts/frame'
import { CampaignScreen } from '@/screens/campaigns'

export default function CampaignPage() {
  const { campaignId } = useParams<{ campaignId: string }>()
  return (
    <Page title="Campaign" place="campaigns">
      <CampaignScreen key={campaignId} campaignId={campaignId} />
    </Page>
  )
}
