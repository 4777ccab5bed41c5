'use client'
import { CallbacksScreen } from '@/callbacks'
import { PageFrame } from '@/desk'

export default function CallbacksPage() {
  return <PageFrame here="callbacks">{(view) => <CallbacksScreen view={view} />}</PageFrame>
}
