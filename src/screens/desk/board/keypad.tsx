'use client'
// The keypad: keys to press and digits to type, sent as tones that the far end hears. Shows what has been sent.
import { useEffect, useRef, useState } from 'react'
import type { CallId } from '@/core/ids'
import { useSendDigits } from '@/parts/frame'
import { Button, Problem } from '@/parts/ui'

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '*', '0', '#'] as const

export function Keypad({ callId, received, onClose }: { callId: CallId; received: readonly string[]; onClose: () => void }) {
  const sendDigits = useSendDigits()
  const [sent, setSent] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])

  const send = async (digits: string) => {
    const refusal = await sendDigits(callId, digits)
    setProblem(refusal)
    if (refusal === null) setSent((s) => s + digits)
  }
  return (
    <section
      aria-label="Keypad"
      className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-sm @4xl:flex-nowrap border border-ink bg-raised p-3 shadow-lg"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.preventDefault()
        onClose()
      }}
    >
      <div className="grid shrink-0 grid-cols-6 gap-1 @4xl:grid-cols-12">
        {KEYS.map((key) => (
          <Button key={key} className="tabular w-10 px-0 text-base" onClick={() => void send(key)}>
            {key}
          </Button>
        ))}
      </div>
      <label className="flex items-center gap-2 font-semibold">
        Digits
        <input
          ref={field}
          className="tabular h-8 w-40 rounded-sm border border-line-strong bg-paper px-2"
          inputMode="tel"
          // What is typed goes out at once, digit by digit; the field shows what has gone.
          value={sent}
          onChange={(event) => {
            const added = event.target.value.slice(sent.length)
            if (added !== '') void send(added.toUpperCase())
          }}
        />
      </label>
      <p role="status" aria-label="The far end heard" className="text-soft">
        {received.length === 0 ? 'The far end has heard nothing yet.' : received.map((r) => `The far end heard ${r}.`).join(' ')}
      </p>
      {problem !== null && <Problem>{problem}</Problem>}
      <Button tone="quiet" className="ml-auto" onClick={onClose}>
        Close keypad
      </Button>
    </section>
  )
}
