'use client'
import { useParams } from 'next/navigation'
import { PageFrame } from '@/desk'
import { AuthorScreen } from '@/scripts'

export default function AuthorPage() {
  const { scriptId } = useParams<{ scriptId: string }>()
  return (
    <PageFrame here="set-up" fills>
      {(view) => <AuthorScreen key={scriptId} view={view} scriptId={scriptId} />}
    </PageFrame>
  )
}
