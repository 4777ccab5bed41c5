'use client'
// The emergency services can be called before a shift begins: one without queues begins by it.
import { type FormEvent, useRef, useState } from 'react'
import { Button, TextField } from '@/parts/ui'
import { useCommand } from '@/services/exchange/react'

export function EmergencyCall() {
  const command = useCommand()
  const [typed, setTyped] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const form = useRef<HTMLFormElement>(null)
  const call = async (event: FormEvent) => {
    event.preventDefault()
    const reply = await command({ kind: 'callEmergency', typed })
    if (reply.ok) return
    setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    form.current?.querySelector('input')?.focus()
  }
  return (
    <section aria-label="Emergency" className="mt-6 border-line border-t pt-4">
      <h2 className="font-semibold">Emergency</h2>
      <p className="mb-2 text-soft">The emergency services can be called without a shift. Whoever supervises is told at once.</p>
      <form ref={form} noValidate className="space-y-2" onSubmit={(e) => void call(e)}>
        <TextField
          label="Their number"
          inputMode="tel"
          autoComplete="off"
          value={typed}
          problem={problem}
          onChange={(e) => {
            setTyped(e.target.value)
            setProblem(null)
          }}
        />
        <Button type="submit">Call them</Button>
      </form>
    </section>
  )
}
