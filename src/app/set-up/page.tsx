'use client'
import { Page } from '@/parts/frame'
import { SetUpScreen } from '@/screens/set-up'

export default function SetUpPage() {
  return (
    <Page title="Set-up" place="set-up">
      {(view) => <SetUpScreen view={view} />}
    </Page>
  )
}
