'use client'
import { use } from 'react'
import { PageFrame } from '@/desk'
import { OneCall } from '@/results'

export default function CallPage({ params }: { params: Promise<{ callId: string }> }) {
  const { callId } = use(params)
  return <PageFrame here="results">{(view) => <OneCall callId={callId} names={view} />}</PageFrame>
}
