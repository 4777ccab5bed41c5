'use client'
import { Desk } from '@/desk'
import { Page, useOnShift } from '@/frame'
import { StartShift } from '@/start'

export default function DeskPage() {
  const shift = useOnShift()
  return (
    <Page title="Desk" place="desk" fills>
      {shift === null ? (view) => <StartShift view={view} /> : <Desk shift={shift} />}
    </Page>
  )
}
