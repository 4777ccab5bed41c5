'use client'
import { Page } from '@/parts/frame'
import { CampaignsScreen } from '@/screens/campaigns'

export default function CampaignsPage() {
  return (
    <Page title="Campaigns" place="campaigns">
      <CampaignsScreen />
    </Page>
  )
}
