'use client'
import { PageFrame } from '@/desk'
import { OutcomesScreen } from '@/outcomes'

export default function OutcomesPage() {
  return <PageFrame here="set-up">{(view) => <OutcomesScreen view={view} />}</PageFrame>
}
