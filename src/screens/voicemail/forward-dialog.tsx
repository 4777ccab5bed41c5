'use client'
// Sending a message on to a colleague or a queue, with a word about it.
import { type FormEvent, useState } from 'react'
import { type Box, boxKey, LONGEST_NOTE } from '@/core/voicemail'
import { Button, Dialog, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import type { CentreView, MessageView, SeatView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { fromWords } from './words'

interface Props {
  readonly message: MessageView
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly onClose: () => void
}

export function ForwardDialog({ message, centre, seats, onClose }: Props) {
  const command = useCommand()
  const [to, setTo] = useState('')
  const [note, setNote, forget] = useDraft(`forward ${message.id}`, '')
  const [problem, setProblem] = useState<string | null>(null)
  const boxes: readonly { readonly box: Box; readonly name: string }[] = [
    ...seats.map((s) => ({ box: { kind: 'agent', agentId: s.id } as const, name: s.name })),
    ...centre.queues.filter((q) => q.takesMessages).map((q) => ({ box: { kind: 'queue', queueId: q.id } as const, name: q.name })),
  ].filter(({ box }) => boxKey(box) !== boxKey(message.box))
  const send = async (event: FormEvent) => {
    event.preventDefault()
    const chosen = boxes.find(({ box }) => boxKey(box) === to)
    if (chosen === undefined) return setProblem('Nobody is chosen. Choose a colleague or a queue.')
    const reply = await command({ kind: 'forwardMessage', messageId: message.id, to: chosen.box, note })
    if (!reply.ok) return setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    forget()
    onClose()
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Forward the message of ${fromWords(message)}`}
      description="It goes to their mailbox as well. With a queue it is work: somebody calls back and codes it."
    >
      <form onSubmit={(event) => void send(event)} className="space-y-3">
        <SelectField
          label="To"
          value={to}
          onChange={(e) => {
            setTo(e.target.value)
            setProblem(null)
          }}
        >
          <option value="">Choose…</option>
          <optgroup label="Queues">
            {boxes.map(({ box, name }) => box.kind === 'queue' && <Option key={boxKey(box)} value={boxKey(box)} name={name} />)}
          </optgroup>
          <optgroup label="Colleagues">
            {boxes.map(({ box, name }) => box.kind === 'agent' && <Option key={boxKey(box)} value={boxKey(box)} name={name} />)}
          </optgroup>
        </SelectField>
        <TextField label="Note" value={note} maxLength={LONGEST_NOTE} onChange={(e) => setNote(e.target.value)} autoComplete="off" />
        {problem !== null && <Problem of={to === '' ? 'To' : 'Note'}>{problem}</Problem>}
        <div className="flex justify-end">
          <Button tone="primary" type="submit">
            Forward
          </Button>
        </div>
      </form>
    </Dialog>
  )
}

const Option = ({ value, name }: { value: string; name: string }) => <option value={value}>{name}</option>
