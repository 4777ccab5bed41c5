'use client'
import { CallbacksScreen } from '@/callbacks'
import { Page } from '@/frame'

export default function CallbacksPage() {
  return (
    <Page title="Callbacks" place="callbacks">
      {(view) => <CallbacksScreen view={view} />}
    </Page>
  )
}
