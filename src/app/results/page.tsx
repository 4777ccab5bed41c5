'use client'
import { Suspense } from 'react'
import { PageFrame } from '@/desk'
import { Results } from '@/results'

export default function ResultsPage() {
  return (
    <PageFrame here="results">
      {(view) => (
        <Suspense>
          <Results centre={view.centre} />
        </Suspense>
      )}
    </PageFrame>
  )
}
