'use client'
import { use } from 'react'
import { Page } from '@/parts/frame'
import { OneCall } from '@/screens/results'

export default function CallPage({ params }: { params: Promise<{ callId: string }> }) {
  const { callId } = use(params)
  return (
    <Page title="One call" place="results">
      {(view) => <OneCall callId={callId} names={view} />}
    </Page>
  )
}
