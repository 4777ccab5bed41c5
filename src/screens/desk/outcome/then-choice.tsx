'use client'
// What the agent does next, in the same gesture as the outcome.
import { useId } from 'react'
import type { Then } from '@/core/outcomes'

export function ThenChoice({ then, reasons, onChange }: { then: Then; reasons: readonly string[]; onChange: (then: Then) => void }) {
  const id = useId()
  return (
    <fieldset className="flex items-center gap-2">
      <legend className="sr-only">Then</legend>
      <span aria-hidden className="font-semibold">
        Then
      </span>
      <label className="flex min-h-6 items-center gap-1">
        <input type="radio" name={`${id}-then`} className="accent-green" checked={then.state === 'ready'} onChange={() => onChange({ state: 'ready' })} />
        Ready
      </label>
      <label className="flex min-h-6 items-center gap-1">
        <input
          type="radio"
          name={`${id}-then`}
          className="accent-green"
          checked={then.state === 'notReady'}
          onChange={() => onChange({ state: 'notReady', reason: reasons[0] ?? '' })}
        />
        Not ready
      </label>
      {then.state === 'notReady' && (
        <select
          aria-label="Reason"
          value={then.reason}
          onChange={(e) => onChange({ state: 'notReady', reason: e.target.value })}
          className="h-8 w-24 rounded-sm border border-line-strong bg-raised px-1"
        >
          {reasons.map((reason) => (
            <option key={reason}>{reason}</option>
          ))}
        </select>
      )}
    </fieldset>
  )
}
