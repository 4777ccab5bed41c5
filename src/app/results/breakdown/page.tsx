'use client'
import { Suspense } from 'react'
import { Page } from '@/frame'
import { Breakdown } from '@/results'

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
