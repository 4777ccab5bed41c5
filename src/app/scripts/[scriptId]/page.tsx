'use client'
import { useParams } from 'next/navigation'
import { Page } from '@/frame'
import { AuthorScreen } from '@/scripts'

export default function AuthorPage() {
  const { scriptId } = useParams<{ scriptId: string }>()
  return (
    <Page title="Script" place="set-up" fills>
      {(view) => <AuthorScreen key={scriptId} view={view} scriptId={scriptId} />}
    </Page>
  )
}
