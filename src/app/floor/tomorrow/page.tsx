'use client'
import { Page } from '@/parts/frame'
import { Tomorrow } from '@/screens/tomorrow'

export default function TomorrowPage() {
  return (
    <Page title="Tomorrow" place="floor">
      <Tomorrow />
    </Page>
  )
}
