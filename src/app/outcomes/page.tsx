'use client'
import { Page } from '@/parts/frame'
import { OutcomesScreen } from '@/screens/outcomes'

export default function OutcomesPage() {
  return (
    <Page title="Outcomes" place="set-up">
      {(view) => <OutcomesScreen view={view} />}
    </Page>
  )
}
