'use client'
import { Suspense } from 'react'
import { Results, ResultsFrame } from '@/results'

export default function ResultsPage() {
  return (
    <ResultsFrame>
      {(view) => (
        <Suspense>
          <Results centre={view.centre} />
        </Suspense>
      )}
    </ResultsFrame>
  )
}
