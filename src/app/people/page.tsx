'use client'
import { Page } from '@/parts/frame'
import { PeopleScreen } from '@/screens/people'

export default function PeoplePage() {
  return (
    <Page title="People" place="people" fills>
      <PeopleScreen />
    </Page>
  )
}
