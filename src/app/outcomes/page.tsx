'use client'
import { Page } from '@/frame'
import { OutcomesScreen } from '@/outcomes'

export default function OutcomesPage() {
  return (
    <Page title="Outcomes" place="set-up">
      {(view) => <OutcomesScreen view={view} />}
    </Page>
  )
}
