'use client'
import { Page } from '@/frame'
import { PeopleScreen } from '@/people'

export default function PeoplePage() {
  return (
    <Page title="People" place="people" fills>
      <PeopleScreen />
    </Page>
  )
}
