'use client'
// A mail or a text is put aside until a time; then it comes back to whoever parked it.
import { addDays, addHours, format, set } from 'date-fns'
import { type FormEvent, useState } from 'react'
import { Button, Popover, TextField } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { ThreadView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

const FIELD = "yyyy-MM-dd'T'HH:mm"

export function Park({ thread }: { thread: ThreadView }) {
  const [open, setOpen] = useState(false)
  return (
    <Popover label="Park until" open={open} onOpenChange={setOpen} className="w-80" trigger={<Button className="!h-7">Park until…</Button>}>
      {open && <Until thread={thread} onDone={() => setOpen(false)} />}
    </Popover>
  )
}

function Until({ thread, onDone }: { thread: ThreadView; onDone: () => void }) {
  const command = useCommand()
  const [nowMs] = useState(floorNow)
  const tomorrow = set(addDays(nowMs, 1), { hours: 9, minutes: 0, seconds: 0, milliseconds: 0 })
  const [typed, setTyped] = useState(format(tomorrow, FIELD))
  const [problem, setProblem] = useState<string | null>(null)
  const park = async (untilMs: number) => {
    if (Number.isNaN(untilMs)) return setProblem('That is no day and time. Enter both.')
    const reply = await command({ kind: 'parkThread', threadId: thread.id, untilMs })
    if (reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void park(new Date(typed).getTime())
  }
  return (
    <form onSubmit={submit}>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void park(addHours(nowMs, 1).getTime())}>In an hour</Button>
        <Button onClick={() => void park(tomorrow.getTime())}>Tomorrow at 9</Button>
      </div>
      <TextField label="Day and time" type="datetime-local" className="mt-3" value={typed} onChange={(e) => setTyped(e.target.value)} problem={problem} />
      <Button type="submit" tone="primary" className="mt-3">
        Park until then
      </Button>
      {problem === null && <p className="mt-2 text-soft text-xs">It comes back to you then, or at once when they write.</p>}
    </form>
  )
}
