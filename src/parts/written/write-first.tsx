'use client'
// An agent writes first: a text to a number, or a mail, for one of their queues. It is theirs from then on.
import { type FormEvent, useState } from 'react'
import { Button, Popover, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import type { CentreView, MeView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

export function WriteFirst({ me, centre }: { me: MeView; centre: CentreView }) {
  const [open, setOpen] = useState(false)
  const queues = centre.queues.filter((q) => me.queueIds.includes(q.id) && q.writes.some((w) => w.channel !== 'chat'))
  if (queues.length === 0) return null
  return (
    <Popover
      label="Write to somebody"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button tone="quiet" className="!px-2">
          Write…
        </Button>
      }
    >
      {open && <Letter queues={queues} onDone={() => setOpen(false)} />}
    </Popover>
  )
}

function Letter({ queues, onDone }: { queues: CentreView['queues']; onDone: () => void }) {
  const command = useCommand()
  const [channel, setChannel] = useState<'text' | 'mail'>('text')
  const fitting = queues.filter((q) => q.writes.some((w) => w.channel === channel))
  const [queueId, setQueueId] = useState('')
  const queue = fitting.find((q) => q.id === queueId) ?? fitting[0]
  const [to, setTo, forgetTo] = useDraft('write first to', '')
  const [subject, setSubject, forgetSubject] = useDraft('write first about', '')
  const [text, setText, forgetText] = useDraft('write first', '')
  const [problem, setProblem] = useState<{ readonly says: string; readonly isTo: boolean } | null>(null)
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (queue === undefined) return
    const reply = await command({ kind: 'openThread', channel, queueId: queue.id, to, subject, text })
    if (!reply.ok) {
      const { reason, says, next } = reply.refusal
      return setProblem({ says: `${says} ${next}`, isTo: reason !== 'nothingWritten' && reason !== 'textTooLong' })
    }
    for (const forget of [forgetTo, forgetSubject, forgetText]) forget()
    onDone()
  }
  return (
    <form onSubmit={(event) => void submit(event)} className="space-y-3">
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="As a" value={channel} onChange={(e) => setChannel(e.target.value === 'mail' ? 'mail' : 'text')}>
          <option value="text">Text</option>
          <option value="mail">Mail</option>
        </SelectField>
        <SelectField label="For" value={queue?.id ?? ''} onChange={(e) => setQueueId(e.target.value)}>
          {fitting.map((q) => (
            <option key={q.id} value={q.id}>
              {q.name}
            </option>
          ))}
        </SelectField>
      </div>
      {fitting.length === 0 && <p className="text-soft">None of your queues takes {channel}s.</p>}
      <TextField
        label={channel === 'text' ? 'To the number' : 'To the address'}
        autoComplete="off"
        value={to}
        onChange={(e) => setTo(e.target.value)}
        problem={problem?.isTo === true ? problem.says : null}
      />
      {channel === 'mail' && <TextField label="About" autoComplete="off" value={subject} onChange={(e) => setSubject(e.target.value)} />}
      <label className="block font-semibold">
        What you write
        <textarea
          rows={3}
          dir="auto"
          value={text}
          aria-invalid={problem?.isTo === false || undefined}
          onChange={(e) => setText(e.target.value)}
          className="mt-1 block max-h-48 w-full resize-none rounded-sm border border-line-strong bg-raised px-2 py-1 font-normal [field-sizing:content]"
        />
      </label>
      {problem?.isTo === false && <Problem of="What you write">{problem.says}</Problem>}
      <Button type="submit" tone="primary" disabled={queue === undefined}>
        {channel === 'text' ? 'Send text' : 'Send mail'}
      </Button>
    </form>
  )
}
