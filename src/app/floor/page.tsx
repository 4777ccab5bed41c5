'use client'
import { FloorScreen } from '@/floor-view'
import { Page } from '@/frame'

export default function FloorPage() {
  return (
    <Page title="Floor" place="floor" fills>
      <FloorScreen />
    </Page>
  )
}
