'use client'
// A word to one agent, several or all on shift: it stands above their page until they put it away.
import { type FormEvent, useState } from 'react'
import type { AgentId } from '@/core/ids'
import { Button, Dialog, TextField, useDraft } from '@/parts/ui'
import { useActs } from './acts'

interface Props {
  readonly to: readonly { readonly id: AgentId; readonly name: string }[]
  readonly who: string
  readonly onClose: () => void
}

export function SendWord({ to, who, onClose }: Props) {
  const { act } = useActs()
  const [text, setText, forget] = useDraft(`word ${to.map((a) => a.id).join(' ')}`, '')
  const [problem, setProblem] = useState<string | null>(null)
  const leave = () => {
    forget()
    onClose()
  }
  const send = async (event: FormEvent) => {
    event.preventDefault()
    if (text.trim() === '') return setProblem('The message is empty. Write what they should know.')
    const refused = await act({ kind: 'sendWord', agentIds: to.map((a) => a.id), text }, `Said to ${who}: “${text.trim()}”`)
    setProblem(refused)
    if (refused === null) leave()
  }
  return (
    <Dialog open onOpenChange={(next) => !next && onClose()} title={`Message to ${who}`}>
      <form onSubmit={(event) => void send(event)} noValidate>
        <TextField label="Message" value={text} maxLength={240} autoFocus autoComplete="off" problem={problem} onChange={(e) => setText(e.target.value)} />
        <div className="mt-4 flex gap-3">
          <Button type="submit" tone="primary">
            Send
          </Button>
          <Button onClick={leave}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}
