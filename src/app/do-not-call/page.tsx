'use client'
import { DoNotCallScreen } from '@/do-not-call'
import { Page } from '@/frame'

export default function DoNotCallPage() {
  return (
    <Page title="Do-not-call list" place="callbacks">
      {(view) => <DoNotCallScreen view={view} />}
    </Page>
  )
}
