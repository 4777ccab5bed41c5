'use client'
import { useParams } from 'next/navigation'
import { Page } from '@/parts/frame'
import { AuthorScreen } from '@/screens/scripts'

export default function AuthorPage() {
  const { scriptId } = useParams<{ scriptId: string }>()
  return (
    <Page title="Script" place="set-up" fills>
      {(view) => <AuthorScreen key={scriptId} view={view} scriptId={scriptId} />}
    </Page>
  )
}
