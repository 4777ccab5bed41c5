'use client'
import { Page } from '@/frame'
import { ReplayScreen } from '@/replay'

export default function ReplayPage() {
  return (
    <Page title="Replay" place="floor" fills>
      <ReplayScreen />
    </Page>
  )
}
