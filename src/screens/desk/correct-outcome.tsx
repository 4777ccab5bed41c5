'use client'
// Another code for a call that is coded: the agent's own on this shift, or any call by a supervisor. Who may is asked by the floor.
import { type FormEvent, useState } from 'react'
import { toCallId } from '@/core/ids'
import type { CallRecord } from '@/core/ledger'
import { codesFor } from '@/core/outcomes'
import { Button, Dialog, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import { callerWords, outcomeLabel, outcomeSetOfRecord } from '@/parts/words'
import type { CentreView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

interface Props {
  readonly record: CallRecord
  readonly centre: CentreView
  readonly label: string
}

export function CorrectOutcome({ record, centre, label }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button
        tone="quiet"
        className="!h-6 -ml-1 !px-1"
        onClick={() => setOpen(true)}
        aria-label={`${label} ${callerWords(record.customer, record.number, 'the call')}`}
      >
        {label}
      </Button>
      {open && <Correction record={record} centre={centre} onClose={() => setOpen(false)} />}
    </>
  )
}

function Correction({ record, centre, onClose }: Omit<Props, 'label'> & { onClose: () => void }) {
  const command = useCommand()
  const set = outcomeSetOfRecord(centre, record)
  const codes = set === undefined ? [] : codesFor(set, record.direction !== 'inbound').filter((c) => c.code !== record.outcome)
  const [code, setCode] = useState(codes[0]?.code ?? '')
  const [why, setWhy, forget] = useDraft(`correction ${record.callId}`, '')
  const [problem, setProblem] = useState<string | null>(null)
  const save = async (event: FormEvent) => {
    event.preventDefault()
    const reply = await command({
      kind: 'correctOutcome',
      callId: toCallId(record.callId),
      queueId: record.queueId,
      campaignId: record.campaignId,
      direction: record.direction,
      code,
      was: record.outcome,
      why,
    })
    if (!reply.ok) return setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    forget()
    onClose()
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Correct the outcome: ${callerWords(record.customer, record.number, 'withheld number')}`}
      description={`It is “${outcomeLabel(centre, record)}”. That code, who gave it and when stay in the ledger. Callbacks, tasks and do-not-call entries that followed from it stand, and are changed in their lists.`}
    >
      <form className="space-y-3" onSubmit={(e) => void save(e)}>
        <SelectField label="New outcome" value={code} onChange={(e) => setCode(e.target.value)}>
          {codes.map((c) => (
            <option key={c.code} value={c.code}>
              {c.label}
            </option>
          ))}
        </SelectField>
        <TextField label="Reason" value={why} onChange={(e) => setWhy(e.target.value)} />
        {problem !== null && <Problem of="Reason">{problem}</Problem>}
        <Button type="submit" tone="primary" disabled={codes.length === 0}>
          Save correction
        </Button>
      </form>
    </Dialog>
  )
}
