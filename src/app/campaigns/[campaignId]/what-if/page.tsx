'use client'
import { useParams } from 'next/navigation'
import { WhatIfScreen } from '@/campaigns'
import { Page } from '@/frame'

export default function WhatIfPage() {
  const { campaignId } = useParams<{ campaignId: string }>()
  return (
    <Page title="What if" place="campaigns">
      <WhatIfScreen key={campaignId} campaignId={campaignId} />
    </Page>
  )
}
