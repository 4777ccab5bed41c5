'use client'
import { Page } from '@/frame'
import { Tomorrow } from '@/tomorrow'

export default function TomorrowPage() {
  return (
    <Page title="Tomorrow" place="floor">
      <Tomorrow />
    </Page>
  )
}
