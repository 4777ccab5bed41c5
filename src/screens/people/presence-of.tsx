'use client'
import { Clock } from '@/parts/ui'
import { stateWords } from '@/parts/words'
// What a colleague does at this moment, in words with its clock.
import { useSeen } from '@/services/exchange/react'

export function PresenceOf({ id }: { id: string }) {
  const state = useSeen((view) => view.seats.find((s) => s.id === id)?.state)
  const reason = useSeen((view) => view.seats.find((s) => s.id === id)?.reason ?? null)
  const sinceMs = useSeen((view) => view.seats.find((s) => s.id === id)?.sinceMs ?? 0) ?? 0
  if (state == null) return null
  return (
    <span className={state === 'ready' ? 'font-semibold text-green' : 'text-ink'}>
      {stateWords(state, reason)} {state !== 'signedOut' && <Clock sinceMs={sinceMs} className="font-normal text-soft" />}
    </span>
  )
}
