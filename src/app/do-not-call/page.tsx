'use client'
import { Page } from '@/parts/frame'
import { DoNotCallScreen } from '@/screens/do-not-call'

export default function DoNotCallPage() {
  return (
    <Page title="Do-not-call list" place="callbacks">
      {(view) => <DoNotCallScreen view={view} />}
    </Page>
  )
}
