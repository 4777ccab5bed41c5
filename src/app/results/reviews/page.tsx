'use client'
import { Suspense } from 'react'
import { Page } from '@/parts/frame'
import { Reviews } from '@/screens/results'

export default function ReviewsPage() {
  return (
    <Page title="Reviews" place="results">
      {(view) => (
        <Suspense>
          <Reviews view={view} />
        </Suspense>
      )}
    </Page>
  )
}
