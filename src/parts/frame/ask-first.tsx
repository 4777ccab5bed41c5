'use client'
// A short question to a colleague before they are called: written in place, answered there with one key.
import { type FormEvent, useId, useState } from 'react'
import type { AgentId } from '@/core/ids'
import { Button, Popover, Problem } from '@/parts/ui'
import { useCommand } from '@/services/exchange/react'

interface Props {
  readonly toAgentId: AgentId
  readonly name: string
  readonly className?: string
}

const USUAL = 'Have you a minute for me?'

export function AskFirst({ toAgentId, name, className }: Props) {
  const command = useCommand()
  const [open, setOpen] = useState(false)
  const [text, setText] = useState(USUAL)
  const [problem, setProblem] = useState<string | null>(null)
  const id = useId()
  const send = async (event: FormEvent) => {
    event.preventDefault()
    const reply = await command({ kind: 'askFirst', toAgentId, text })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    if (!reply.ok) return
    setOpen(false)
    setText(USUAL)
  }
  return (
    <Popover
      label={`Ask ${name} first`}
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button className={className} aria-label={`Ask first: ${name}`}>
          Ask first
        </Button>
      }
    >
      <form onSubmit={(event) => void send(event)}>
        <label htmlFor={id} className="font-semibold">
          Question to {name}
        </label>
        <input
          id={id}
          value={text}
          maxLength={140}
          autoComplete="off"
          onChange={(e) => setText(e.target.value)}
          aria-invalid={problem !== null || undefined}
          className="mt-1 h-8 w-full rounded-sm border border-line-strong bg-paper px-2 aria-invalid:border-2 aria-invalid:border-red"
        />
        <p className="mt-1 text-soft">They answer with one key: now, in 5 minutes, or no.</p>
        {problem !== null && <Problem of="focused">{problem}</Problem>}
        <Button type="submit" tone="primary" className="mt-2">
          Send
        </Button>
      </form>
    </Popover>
  )
}
