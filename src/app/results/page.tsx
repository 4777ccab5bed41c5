'use client'
import { Suspense } from 'react'
import { Page } from '@/parts/frame'
import { Results } from '@/screens/results'

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
