'use client'
import { use } from 'react'
import { OneCall, ResultsFrame } from '@/results'

export default function CallPage({ params }: { params: Promise<{ callId: string }> }) {
  const { callId } = use(params)
  return <ResultsFrame>{(view) => <OneCall callId={callId} names={view} />}</ResultsFrame>
}
