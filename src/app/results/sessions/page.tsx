'use client'
import { Suspense } from 'react'
import { Page } from '@/parts/frame'
import { Sessions } from '@/screens/results'

export default function SessionsPage() {
  return (
    <Page title="Sessions" place="results">
      {(view) => (
        <Suspense>
          <Sessions view={view} />
        </Suspense>
      )}
    </Page>
  )
}
