'use client'
import { Page, useOnShift } from '@/parts/frame'
import { Desk } from '@/screens/desk'
import { StartShift } from '@/screens/start'

export default function DeskPage() {
  const shift = useOnShift()
  return (
    <Page title="Desk" place="desk" fills>
      {shift === null ? (view) => <StartShift view={view} /> : <Desk shift={shift} />}
    </Page>
  )
}
