'use client'
import { Page } from '@/parts/frame'
import { FloorScreen } from '@/screens/floor-view'

export default function FloorPage() {
  return (
    <Page title="Floor" place="floor" fills>
      <FloorScreen />
    </Page>
  )
}
