'use client'
import { Page } from '@/frame'
import { SetUpScreen } from '@/set-up'

export default function SetUpPage() {
  return (
    <Page title="Set-up" place="set-up">
      {(view) => <SetUpScreen view={view} />}
    </Page>
  )
}
