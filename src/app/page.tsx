'use client'
import { Desk, PageFrame } from '@/desk'
import { useFloorView } from '@/exchange/react'
import { StartShift } from '@/start'

export default function DeskPage() {
  const view = useFloorView()
  if (view?.me) return <Desk view={view} me={view.me} />
  return <PageFrame here="desk">{(floor) => <StartShift view={floor} />}</PageFrame>
}
