'use client'
import { Clock } from '@/parts/ui'
// Calls anybody can take: parked ones by slot, and what has been ringing at a colleague.
import { useSeen } from '@/services/exchange/react'
import { ActionButton } from './action-button'
import { useBoard } from './board-context'

export function ParkedStrip() {
  const parked = useSeen((view) => view.parked) ?? []
  const { me } = useBoard()
  if (parked.length === 0) return null
  return (
    <section aria-label="Parked" className="flex flex-wrap items-center gap-x-6 gap-y-1 border-line border-t py-1.5">
      <h2 className="eyebrow">Parked</h2>
      <ul className="contents">
        {parked.map((call) => (
          <li key={call.callId} className="flex items-center gap-2">
            <span aria-hidden className="tabular flex size-6 items-center justify-center rounded-sm border-2 border-brass bg-brass-wash font-semibold">
              {call.slot}
            </span>
            <span>
              <span className="sr-only">Slot {call.slot}: </span>
              <strong>{call.label}</strong> <Clock sinceMs={call.sinceMs} />
              {call.byName !== null && <span className="text-soft"> by {call.byName === me.name ? 'you' : call.byName}</span>}
            </span>
            <ActionButton command={{ kind: 'pickUp', callId: call.callId }} name={`Pick up ${call.label}`}>
              Pick up
            </ActionButton>
          </li>
        ))}
      </ul>
    </section>
  )
}
