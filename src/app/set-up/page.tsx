'use client'
import { PageFrame } from '@/desk'
import { SetUpScreen } from '@/set-up'

export default function SetUpPage() {
  return <PageFrame here="set-up">{(view) => <SetUpScreen view={view} />}</PageFrame>
}
