'use client'
import { Page } from '@/parts/frame'
import { CallbacksScreen } from '@/screens/callbacks'

export default function CallbacksPage() {
  return (
    <Page title="Callbacks" place="callbacks">
      {(view) => <CallbacksScreen view={view} />}
    </Page>
  )
}
