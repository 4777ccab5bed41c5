'use client'
// How far the demo's past days have come, or why they could not be had. Nothing once they are there.
import { useHistory } from '@/exchange/react'

export function HistoryProgress() {
  const { progress, opening } = useHistory()
  if (opening !== null) return opening.ok ? null : <p className="mt-4 border-red border-l-4 pl-2 text-red">{opening.says}</p>
  if (progress === null || progress.done === progress.days) return null
  return (
    <div className="mt-4 max-w-96">
      <label htmlFor="history-progress" className="eyebrow">
        Past days are being simulated: {progress.done} of {progress.days}
      </label>
      <progress id="history-progress" className="mt-1 block h-2 w-full accent-green" value={progress.done} max={progress.days} />
    </div>
  )
}
