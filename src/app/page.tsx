'use client'
import { Desk } from '@/desk'
import { useFloorView } from '@/exchange/react'
import { StartFrame, StartShift } from '@/start'

export default function DeskPage() {
  const view = useFloorView()
  if (view?.me) return <Desk view={view} me={view.me} />
  return <StartFrame view={view}>{view !== null && <StartShift centre={view.centre} seats={view.seats} queues={view.queues} />}</StartFrame>
}
