'use client'
import { Suspense } from 'react'
import { Page } from '@/frame'
import { Reviews } from '@/results'

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
