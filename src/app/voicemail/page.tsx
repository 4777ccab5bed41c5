'use client'
import { Page } from '@/parts/frame'
import { VoicemailScreen } from '@/screens/voicemail'

export default function VoicemailPage() {
  return (
    <Page title="Voicemail" place="people" fills>
      <VoicemailScreen />
    </Page>
  )
}
