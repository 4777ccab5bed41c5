'use client'
import { Suspense } from 'react'
import { Page } from '@/frame'
import { Sessions } from '@/results'

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
