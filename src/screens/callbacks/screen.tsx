'use client'
// Callbacks and follow-up tasks: mine, the team's, what is missed first; each one press from being made.
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Ask } from '@/core/floor'
import { Button, PlaceLink, Problem, saveFile } from '@/parts/ui'
import type { FloorView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { CallbackTable } from './callback-table'
import { TaskTable } from './task-table'

type Whose = 'mine' | 'team' | 'all'

const LISTS: readonly { readonly value: Whose; readonly label: string }[] = [
  { value: 'mine', label: 'Mine' },
  { value: 'team', label: 'The team’s' },
  { value: 'all', label: 'Everybody’s' },
]

export function CallbacksScreen({ view }: { view: FloorView }) {
  const { me, callbacks, centre, seats } = view
  const command = useCommand()
  const router = useRouter()
  const [whose, setWhose] = useState<Whose>(me === null ? 'all' : 'mine')
  const [problem, setProblem] = useState<string | null>(null)
  const of = {
    mine: callbacks.filter((c) => c.ownerId === me?.id),
    team: callbacks.filter((c) => c.ownerId === null),
    all: callbacks,
  }
  const give = async (asked: Ask): Promise<boolean> => {
    const reply = await command(asked)
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    if (reply.ok && asked.kind === 'makeCall') router.push('/')
    return reply.ok
  }
  const save = async () => {
    // The writer of calendars is large and seldom needed.
    const { toICalendar } = await import('@/core/formats')
    const callbacks = of[whose].map((c) => ({
      uid: `${c.id}@callbacks.example.com`,
      atMs: c.dueAtMs,
      durationMs: 10 * 60_000,
      title: `Call ${c.name ?? c.number}`,
      text: [c.number, centre.queues.find((q) => q.id === c.queueId)?.name, c.note].filter((t) => t).join('\n'),
    }))
    const tasks = view.tasks
      .filter((t) => whose === 'all' || t.assigneeId === (whose === 'mine' ? me?.id : null))
      .map((t) => ({ uid: `${t.taskId}@tasks.example.com`, atMs: t.dueAtMs, durationMs: 15 * 60_000, title: t.title, text: t.text }))
    saveFile('callbacks.ics', toICalendar('Callbacks', [...callbacks, ...tasks], Date.now()), 'text/calendar')
  }
  return (
    <>
      <nav aria-label="Under Callbacks" className="flex gap-4 border-line border-b bg-raised px-6">
        <PlaceLink href="/callbacks" isHere className="-mb-px py-1.5">
          Callbacks and tasks
        </PlaceLink>
        <PlaceLink href="/do-not-call" isHere={false} className="-mb-px py-1.5">
          Do-not-call list
        </PlaceLink>
      </nav>
      <main className="mx-auto max-w-[77.5rem] px-6 py-5">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="font-semibold text-2xl">Callbacks</h1>
          <fieldset aria-label="Owner" className="flex flex-wrap gap-1">
            {LISTS.map(({ value, label }) => (
              <Button
                key={value}
                aria-pressed={whose === value}
                disabled={value === 'mine' && me === null}
                className={whose === value ? '!border-ink !bg-ink !text-on-fill' : ''}
                onClick={() => setWhose(value)}
              >
                {label} <span className="tabular font-normal">{of[value].length}</span>
              </Button>
            ))}
          </fieldset>
          <Button className="ml-auto" disabled={of[whose].length + view.tasks.length === 0} onClick={() => void save()}>
            Save as calendar (.ics)
          </Button>
        </div>
        {me === null && <p className="mt-2 text-soft">You are not on shift: callbacks can be read and saved, and made once your shift has started.</p>}
        {problem !== null && <Problem className="mt-2">{problem}</Problem>}
        <CallbackTable me={me} centre={centre} seats={seats} callbacks={of[whose]} empty={EMPTY[whose]} give={give} />
        <TaskTable me={me} seats={seats} tasks={view.tasks} timeZone={centre.timeZone} give={give} />
      </main>
    </>
  )
}

const EMPTY: Record<Whose, string> = {
  mine: 'No callbacks of yours. An outcome such as “Callback agreed” puts one here.',
  team: 'No callbacks for anyone in the team.',
  all: 'No callbacks.',
}
