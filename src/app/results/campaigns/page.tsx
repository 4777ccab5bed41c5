'use client'
import { Suspense } from 'react'
import { Page } from '@/parts/frame'
import { CampaignResults } from '@/screens/results'

export default function CampaignResultsPage() {
  return (
    <Page title="Results of campaigns" place="results">
      {(view) => (
        <Suspense>
          <CampaignResults view={view} />
        </Suspense>
      )}
    </Page>
  )
}
