'use client'
import { Page } from '@/parts/frame'
import { ConferencesScreen } from '@/screens/conferences'

export default function ConferencesPage() {
  return (
    <Page title="Conferences" place="people" fills>
      <ConferencesScreen />
    </Page>
  )
}
