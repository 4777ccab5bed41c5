'use client'
import { Page } from '@/parts/frame'
import { LogScreen } from '@/screens/log'

export default function LogPage() {
  return (
    <Page title="Log of calls" place="people" fills>
      <LogScreen />
    </Page>
  )
}
