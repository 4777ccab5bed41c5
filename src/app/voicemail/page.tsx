'use client'
import { Page } from '@/frame'
import { VoicemailScreen } from '@/voicemail'

export default function VoicemailPage() {
  return (
    <Page title="Voicemail" place="people" fills>
      <VoicemailScreen />
    </Page>
  )
}
