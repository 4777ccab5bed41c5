'use client'
import { Page } from '@/frame'
import { LogScreen } from '@/log'

export default function LogPage() {
  return (
    <Page title="Log of calls" place="people" fills>
      <LogScreen />
    </Page>
  )
}
