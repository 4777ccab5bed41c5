'use client'
// Start of shift: who, which queues, and a sound check of its own. One sign-in; a refusal says which field and why.
import { type FormEvent, useRef, useState } from 'react'
import type { CentreView, QueueView, SeatView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { Button, Clock, Problem, SelectField, TextField } from '@/ui'
import { SoundCheck } from './sound-check'

interface Props {
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly queues: readonly QueueView[]
}

type Trouble = { readonly at: 'agent' | 'pin' | 'queues' | 'form'; readonly says: string }

const FIELD_OF_REASON: Readonly<Record<string, Trouble['at']>> = {
  wrongAgentOrPin: 'pin',
  seatTaken: 'agent',
  noQueueTicked: 'queues',
  queueNotYours: 'queues',
}

export function StartShift({ centre, seats, queues }: Props) {
  const command = useCommand()
  const agents = seats.filter((s) => s.role === 'agent')
  const [agentId, setAgentId] = useState('')
  const [pin, setPin] = useState('')
  const [ticked, setTicked] = useState<readonly string[]>([])
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const [starting, setStarting] = useState(false)
  const form = useRef<HTMLFormElement>(null)
  const seat = agents.find((s) => s.id === agentId)

  const fail = (next: Trouble) => {
    setTrouble(next)
    const target = { agent: 'select', pin: 'input[name=pin]', queues: 'fieldset input:not(:disabled)', form: 'button[type=submit]' }[next.at]
    form.current?.querySelector<HTMLElement>(target)?.focus()
  }

  const chooseAgent = (id: string) => {
    setAgentId(id)
    setTrouble(null)
    // A new name starts with every queue the account serves; most shifts are worked so.
    setTicked(agents.find((s) => s.id === id)?.queueIds ?? [])
  }

  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (seat === undefined) return fail({ at: 'agent', says: 'No agent is chosen. Choose your name.' })
    if (pin === '') return fail({ at: 'pin', says: 'The PIN is missing. Type the digits you were given.' })
    setStarting(true)
    const reply = await command({ kind: 'startShift', agentId: seat.id, pin, queueIds: seat.queueIds.filter((id) => ticked.includes(id)), seat: 'desk' })
    setStarting(false)
    if (!reply.ok) fail({ at: FIELD_OF_REASON[reply.refusal.reason] ?? 'form', says: `${reply.refusal.says} ${reply.refusal.next}` })
  }

  const problemAt = (at: Trouble['at']) => (trouble?.at === at ? trouble.says : null)

  return (
    <main className="mx-auto grid w-full max-w-[980px] grid-cols-1 gap-x-12 px-6 py-10 md:grid-cols-[1fr_320px]">
      <form ref={form} onSubmit={submit} noValidate>
        <h1 className="font-semibold text-2xl">Start your shift</h1>
        <p className="mt-1 text-soft">{centre.name} contact centre. Sign in once; everything else can be changed while you work.</p>

        <div className="mt-6 grid grid-cols-[1fr_160px] gap-4">
          <SelectField label="Agent" value={agentId} onChange={(e) => chooseAgent(e.target.value)} problem={problemAt('agent')}>
            <option value="">Choose your name</option>
            {agents.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
                {s.taken === 'standIn' ? ' (played by the stand-ins)' : s.taken === 'desk' ? ' (on shift at a desk)' : ''}
              </option>
            ))}
          </SelectField>
          <TextField
            label="PIN"
            name="pin"
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            onChange={(e) => {
              setPin(e.target.value)
              setTrouble(null)
            }}
          />
        </div>
        {problemAt('pin') && <Problem>{problemAt('pin')}</Problem>}

        <fieldset className="mt-6" aria-describedby={trouble?.at === 'queues' ? 'queues-problem' : undefined}>
          <legend className="font-semibold">Queues</legend>
          <ul className="mt-1 divide-y divide-line border-line border-y">
            {centre.queues.map((queue) => (
              <QueueRow
                key={queue.id}
                name={queue.name}
                view={queues.find((q) => q.id === queue.id)}
                allowed={seat === undefined || seat.queueIds.includes(queue.id)}
                chosen={seat !== undefined && ticked.includes(queue.id)}
                disabled={seat === undefined}
                onChange={(on) => {
                  setTrouble(null)
                  setTicked(on ? [...ticked, queue.id] : ticked.filter((id) => id !== queue.id))
                }}
              />
            ))}
          </ul>
          {problemAt('queues') && <Problem id="queues-problem">{problemAt('queues')}</Problem>}
        </fieldset>

        <fieldset className="mt-6">
          <legend className="font-semibold">Campaign</legend>
          <p className="mt-1 text-soft">No outbound campaign is open to this account.</p>
        </fieldset>

        <div className="mt-8 flex items-center gap-4">
          <Button type="submit" tone="primary" size="large" disabled={starting}>
            {starting ? 'Starting…' : 'Start shift'}
          </Button>
          {seat !== undefined && <span className="text-soft">You begin not ready: nothing rings until you press Go ready.</span>}
        </div>
        {problemAt('form') && <Problem>{problemAt('form')}</Problem>}
      </form>

      <aside className="mt-10 space-y-6 border-line md:mt-0 md:border-l md:pl-8">
        <SoundCheck />
        <section aria-label="Demo accounts">
          <h2 className="eyebrow">Demo accounts</h2>
          <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-4">
            {DEMO.map(([name, demoPin]) => (
              <div key={name} className="contents">
                <dt>{name}</dt>
                <dd className="tabular">{demoPin}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-2 text-soft text-xs">Three seats are kept free for people; the stand-ins play the other eleven.</p>
        </section>
      </aside>
    </main>
  )
}

/** Shown because this is a demonstration: a real centre hands PINs out in person. */
const DEMO = [
  ['Eluned Tarnow', '2417'],
  ['Kester Oddersey', '3108'],
  ['Sunniva Merrowby', '5526'],
] as const

interface QueueRowProps {
  readonly name: string
  readonly view: QueueView | undefined
  readonly allowed: boolean
  readonly chosen: boolean
  readonly disabled: boolean
  readonly onChange: (on: boolean) => void
}

function QueueRow({ name, view, allowed, chosen, disabled, onChange }: QueueRowProps) {
  return (
    <li>
      <label className={`grid grid-cols-[24px_110px_1fr] items-center py-2 ${allowed ? '' : 'text-soft'}`}>
        <input
          type="checkbox"
          aria-label={name}
          className="size-4 accent-green"
          checked={chosen}
          disabled={disabled || !allowed}
          onChange={(e) => onChange(e.target.checked)}
        />
        <span className="font-semibold">{name}</span>
        {allowed ? (
          <span className="text-soft">
            {view === undefined || view.waiting === 0 ? 'nobody waits' : view.waiting === 1 ? '1 waits' : `${view.waiting} wait`}
            {view?.longestSinceMs != null && (
              <>
                , longest <Clock sinceMs={view.longestSinceMs} />
              </>
            )}
            {view !== undefined && ` · ${view.onShift} on shift, ${view.ready} ready`}
          </span>
        ) : (
          <span>Not on this account. A supervisor can add it.</span>
        )}
      </label>
    </li>
  )
}
