'use client'
// To whom a piece is handed on, and who is asked in: colleagues on shift, whoever is ready first, and queues that take the channel.
import { useState } from 'react'
import { folded } from '@/core/people'
import { StateMark } from '@/parts/frame'
import { Button, More, Popover, Problem, TextField } from '@/parts/ui'
import { stateWords } from '@/parts/words'
import type { ThreadView } from '@/services/exchange/protocol'
import { useAllSeen, useCommand, useFloor } from '@/services/exchange/react'
import { tellDraft } from './use-written-draft'

/** More are found by typing. */
const SHOWN = 8

export function Colleagues({ thread, me }: { thread: ThreadView; me: string }) {
  const [open, setOpen] = useState(false)
  return (
    <Popover label="Hand on or ask in" open={open} onOpenChange={setOpen} className="w-[26rem]" trigger={<Button className="!h-7">Hand on or ask in…</Button>}>
      {open && <Choices thread={thread} me={me} onDone={() => setOpen(false)} />}
    </Popover>
  )
}

function Choices({ thread, me, onDone }: { thread: ThreadView; me: string; onDone: () => void }) {
  const command = useCommand()
  const floor = useFloor()
  const seen = useAllSeen(({ seats, centre }) => ({ seats, centre }))
  const [typed, setTyped] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  if (seen === null) return null
  const words = folded(typed)
  const seats = seen.seats
    .filter((s) => s.id !== me && s.state !== 'signedOut' && folded(s.name).includes(words))
    .toSorted((a, b) => Number(b.state === 'ready') - Number(a.state === 'ready') || a.name.localeCompare(b.name))
  const queues = seen.centre.queues.filter((q) => q.writes.some((w) => w.channel === thread.channel) && folded(q.name).includes(words))
  const give = async (ask: Parameters<typeof command>[0]) => {
    await tellDraft(floor, thread.id)
    const reply = await command(ask)
    if (reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <>
      <TextField label="Who, or which queue" type="search" autoComplete="off" value={typed} onChange={(e) => setTyped(e.target.value)} />
      {problem !== null && <Problem>{problem}</Problem>}
      <ul className="mt-2 divide-y divide-line">
        {seats.slice(0, SHOWN).map((s) => (
          <li key={s.id} className="flex items-center gap-2 py-1">
            <StateMark state={s.state} />
            <span className="min-w-0 flex-1 truncate">
              <strong>{s.name}</strong> <span className="text-soft">{stateWords(s.state, s.reason)}</span>
            </span>
            <Button
              className="!h-7"
              aria-label={thread.askedIn.includes(s.id) ? undefined : `Ask in ${s.name}`}
              onClick={() => void give({ kind: 'askIn', threadId: thread.id, toAgentId: s.id })}
              disabled={thread.askedIn.includes(s.id)}
            >
              {thread.askedIn.includes(s.id) ? 'Reads along' : 'Ask in'}
            </Button>
            <Button
              className="!h-7"
              aria-label={`Hand on to ${s.name}`}
              onClick={() => void give({ kind: 'handThreadOn', threadId: thread.id, to: { kind: 'agent', agentId: s.id } })}
            >
              Hand on
            </Button>
          </li>
        ))}
        {queues.map((q) => (
          <li key={q.id} className="flex items-center gap-2 py-1">
            <span className="min-w-0 flex-1 truncate">
              <strong>{q.name}</strong> <span className="text-soft">queue</span>
            </span>
            <Button
              className="!h-7"
              aria-label={`Hand on to ${q.name}`}
              onClick={() => void give({ kind: 'handThreadOn', threadId: thread.id, to: { kind: 'queue', queueId: q.id } })}
            >
              Hand on
            </Button>
          </li>
        ))}
      </ul>
      <More of={seats.length} shown={SHOWN} what="type a name" />
      {seats.length + queues.length === 0 && <p className="mt-2 text-soft">Nobody on shift and no queue is called that.</p>}
    </>
  )
}
