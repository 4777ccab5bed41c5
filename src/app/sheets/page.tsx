'use client'
import { Page } from '@/parts/frame'
import { SheetsScreen } from '@/screens/sheets'

export default function SheetsPage() {
  return (
    <Page title="Review sheets" place="set-up">
      {(view) => <SheetsScreen view={view} />}
    </Page>
  )
}
