'use client'
import { Page } from '@/frame'
import { SheetsScreen } from '@/sheets'

export default function SheetsPage() {
  return (
    <Page title="Review sheets" place="set-up">
      {(view) => <SheetsScreen view={view} />}
    </Page>
  )
}
