'use client'
import { Page } from '@/frame'
import { ScriptsScreen } from '@/scripts'

export default function ScriptsPage() {
  return (
    <Page title="Scripts" place="set-up">
      {(view) => <ScriptsScreen view={view} />}
    </Page>
  )
}
