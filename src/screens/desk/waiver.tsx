'use client'
// A supervisor's word for one call to somebody on the do-not-call list: who, their PIN, and the reason that is kept.
import { type FormEvent, useState } from 'react'
import { toAgentId } from '@/core/ids'
import { AccountFields, Button, Dialog, Problem, TextField } from '@/parts/ui'
import type { SeatView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

interface Props {
  readonly seats: readonly SeatView[]
  readonly typed: string
  readonly says: string
  readonly onDone: () => void
}

export function WaiverButton({ seats, typed, says, onDone }: Props) {
  const command = useCommand()
  const supervisors = seats.filter((s) => s.role === 'supervisor')
  const [open, setOpen] = useState(false)
  const [who, setWho] = useState(supervisors[0]?.id ?? '')
  const [pin, setPin] = useState('')
  const [why, setWhy] = useState('')
  const [problem, setProblem] = useState<{ readonly says: string; readonly of: string } | null>(null)
  const allow = async (event: FormEvent) => {
    event.preventDefault()
    const agentId = toAgentId(who)
    const reply = await command({ kind: 'makeCall', typed, customer: null, waiver: { agentId, why } }, { agentId, pin })
    setPin('')
    if (!reply.ok) return setProblem({ says: `${reply.refusal.says} ${reply.refusal.next}`, of: reply.refusal.reason === 'whyMissing' ? 'Reason' : 'PIN' })
    setOpen(false)
    onDone()
  }
  return (
    <>
      <Button tone="loss" onClick={() => setOpen(true)}>
        Ask a supervisor
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="Let this one call be made" description={says}>
        <form className="space-y-3" onSubmit={(e) => void allow(e)}>
          <AccountFields label="Supervisor" accounts={supervisors} accountId={who} onAccount={setWho} pin={pin} onPin={setPin} />
          <TextField label="Reason" value={why} hint="It is kept with the call. The entry stays on the list." onChange={(e) => setWhy(e.target.value)} />
          {problem !== null && <Problem of={problem.of}>{problem.says}</Problem>}
          <Button type="submit" tone="primary" disabled={supervisors.length === 0}>
            Call once
          </Button>
        </form>
      </Dialog>
    </>
  )
}
