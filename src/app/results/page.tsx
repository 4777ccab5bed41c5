'use client'
import { Suspense } from 'react'
import { Page } from '@/frame'
import { Results } from '@/results'

export default function ResultsPage() {
  return (
    <Page title="Results" place="results">
      {(view) => (
        <Suspense>
          <Results view={view} />
        </Suspense>
      )}
    </Page>
  )
}
