'use client'
import { Suspense } from 'react'
import { Page } from '@/parts/frame'
import { Breakdown } from '@/screens/results'

export default function BreakdownPage() {
  return (
    <Page title="Breakdown" place="results">
      {(view) => (
        <Suspense>
          <Breakdown view={view} />
        </Suspense>
      )}
    </Page>
  )
}
