'use client'
import { useParams } from 'next/navigation'
import { Page } from '@/parts/frame'
import { WhatIfScreen } from '@/screens/campaigns'

export default function WhatIfPage() {
  const { campaignId } = useParams<{ campaignId: string }>()
  return (
    <Page title="What if" place="campaigns">
      <WhatIfScreen key={campaignId} campaignId={campaignId} />
    </Page>
  )
}
