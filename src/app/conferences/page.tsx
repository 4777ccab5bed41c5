'use client'
import { ConferencesScreen } from '@/conferences'
import { Page } from '@/frame'

export default function ConferencesPage() {
  return (
    <Page title="Conferences" place="people" fills>
      <ConferencesScreen />
    </Page>
  )
}
