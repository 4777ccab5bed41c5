'use client'
import { PageFrame } from '@/desk'
import { DoNotCallScreen } from '@/do-not-call'

export default function DoNotCallPage() {
  return <PageFrame here="set-up">{(view) => <DoNotCallScreen view={view} />}</PageFrame>
}
