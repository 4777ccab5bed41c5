'use client'
import { Page } from '@/parts/frame'
import { ScriptsScreen } from '@/screens/scripts'

export default function ScriptsPage() {
  return (
    <Page title="Scripts" place="set-up">
      {(view) => <ScriptsScreen view={view} />}
    </Page>
  )
}
