'use client'
// What a colleague does at this moment, in words with its clock.
import { useSeen } from '@/exchange/react'
import { Clock } from '@/ui'
import { stateWords } from '@/words'

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
