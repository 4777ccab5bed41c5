'use client'
import { Page } from '@/parts/frame'
import { ReplayScreen } from '@/screens/replay'

export default function ReplayPage() {
  return (
    <Page title="Replay" place="floor" fills>
      <ReplayScreen />
    </Page>
  )
}
