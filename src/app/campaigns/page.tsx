'use client'
import { CampaignsScreen } from '@/campaigns'
import { Page } from '@/frame'

export default function CampaignsPage() {
  return (
    <Page title="Campaigns" place="campaigns">
      <CampaignsScreen />
    </Page>
  )
}
