'use client'
import { Progress } from '@/parts/ui'
// How far the demo's past days have come, or why they could not be had. Nothing once they are there.
import { useHistoryApi, useHistoryOpening } from '@/services/history/react'

export function HistoryProgress() {
  // Whoever waits for past days has them fetched.
  useHistoryApi()
  const { progress, opening } = useHistoryOpening()
  if (opening !== null) return opening.ok ? null : <p className="mt-4 border-red border-l-4 pl-2 text-red">{opening.says}</p>
  if (progress === null || progress.done === progress.days) return null
  return (
    <div className="mt-4">
      <Progress label={`Past days are being simulated: ${progress.done} of ${progress.days}`} done={progress.done} of={progress.days} />
    </div>
  )
}
