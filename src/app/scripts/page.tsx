'use client'
import { PageFrame } from '@/desk'
import { ScriptsScreen } from '@/scripts'

export default function ScriptsPage() {
  return <PageFrame here="set-up">{(view) => <ScriptsScreen view={view} />}</PageFrame>
}
