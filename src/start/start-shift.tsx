'use client'
// Start of shift: who you are, what you serve, and the sound path as a step of its own that proves itself. One sign-in; a
// refusal says which field and why. Whoever is on shift at another desk moves their seat here.
import { type FormEvent, useRef, useState } from 'react'
import type { AgentCommand } from '@/core/floor'
import type { FloorView, SeatView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { PATH_WORDS, SoundPathStep } from '@/sound-path'
import { Button, PinField, Problem, SelectField } from '@/ui'
import { QueueChoice } from './queue-choice'
import { lastChoice, rememberChoice } from './remembered'

type Trouble = { readonly at: 'agent' | 'pin' | 'queues' | 'form'; readonly says: string }
type Path = 'computer' | 'handset' | 'ownPhone'

const FIELD_OF_REASON: Readonly<Record<string, Trouble['at']>> = {
  wrongAgentOrPin: 'pin',
  seatTaken: 'agent',
  noQueueTicked: 'queues',
  queueNotYours: 'queues',
}

export function StartShift({ view }: { view: FloorView }) {
  const { centre, seats, queues } = view
  const command = useCommand()
  const agents = seats.filter((s) => s.role === 'agent')
  const [agentId, setAgentId] = useState('')
  const [pin, setPin] = useState('')
  const [ticked, setTicked] = useState<readonly string[]>([])
  const [path, setPath] = useState<Path>('computer')
  const [computer, setComputer] = useState<'unchecked' | 'works' | 'failed'>('unchecked')
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const [starting, setStarting] = useState(false)
  const form = useRef<HTMLFormElement>(null)
  const seat = agents.find((s) => s.id === agentId)
  const moves = seat?.taken === 'desk'
  const sound = view.sound?.agentId === agentId ? view.sound : null
  const proof = {
    computer,
    handset: sound === null || sound.handset === 'absent' ? 'unchecked' : 'works',
    ownPhone: sound?.phone?.state === 'connected' ? 'works' : 'unchecked',
  }[path]

  const fail = (next: Trouble) => {
    setTrouble(next)
    const target = { agent: 'select', pin: 'input[name=pin]', queues: 'fieldset input:not(:disabled)', form: 'button[type=submit]' }[next.at]
    form.current?.querySelector<HTMLElement>(target)?.focus()
  }

  const chooseAgent = (id: string) => {
    setAgentId(id)
    setTrouble(null)
    const next = agents.find((s) => s.id === id)
    const last = lastChoice(id)
    // What they chose last time, as far as the account still allows it; a new name starts with every queue it serves.
    const again = next?.queueIds.filter((q) => last?.queueIds.includes(q)) ?? []
    setTicked(again.length > 0 ? again : (next?.queueIds ?? []))
    if (last !== null) setPath(last.path)
  }

  const start = async (soundPath: Path | 'none') => {
    if (seat === undefined) return fail({ at: 'agent', says: 'No agent is chosen. Choose your name.' })
    if (pin === '') return fail({ at: 'pin', says: 'The PIN is missing. Type the digits you were given.' })
    setStarting(true)
    const asked: AgentCommand = moves
      ? { kind: 'moveSeat', agentId: seat.id, pin }
      : { kind: 'startShift', agentId: seat.id, pin, queueIds: seat.queueIds.filter((id) => ticked.includes(id)), seat: 'desk', soundPath }
    const reply = await command(asked)
    setStarting(false)
    if (!reply.ok) return fail({ at: FIELD_OF_REASON[reply.refusal.reason] ?? 'form', says: `${reply.refusal.says} ${reply.refusal.next}` })
    if (!moves) rememberChoice(seat.id, { queueIds: [...ticked], path })
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    // A device that is not there carries nothing: it has to prove itself, or the shift begins without sound and says so.
    if (!moves && path !== 'computer' && proof !== 'works' && seat !== undefined && pin !== '')
      return fail({ at: 'form', says: `${PATH_WORDS[path]} is not connected yet. Check sound at the right, take this computer, or start without sound.` })
    void start(path)
  }

  const problemAt = (at: Trouble['at']) => (trouble?.at === at ? trouble.says : null)

  return (
    <main className="mx-auto grid w-full max-w-[1080px] grid-cols-1 gap-x-12 px-6 py-8 md:grid-cols-[1fr_380px]">
      <form ref={form} onSubmit={submit} noValidate>
        <h1 className="font-semibold text-2xl">Start your shift</h1>
        <p className="mt-1 text-soft">{centre.name} contact centre. Sign in once; everything else can be changed while you work.</p>
        {view.seatMoved !== null && <MovedAway moved={view.seatMoved} />}

        <div className="mt-5 grid grid-cols-[1fr_160px] gap-4">
          <SelectField label="Agent" value={agentId} onChange={(e) => chooseAgent(e.target.value)} problem={problemAt('agent')}>
            <option value="">Choose your name</option>
            {agents.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
                {TAKEN[s.taken ?? 'free']}
              </option>
            ))}
          </SelectField>
          <PinField
            value={pin}
            onChange={(next) => {
              setPin(next)
              setTrouble(null)
            }}
          />
        </div>
        {problemAt('pin') && <Problem>{problemAt('pin')}</Problem>}

        {moves ? (
          <AtAnotherDesk seat={seat} />
        ) : (
          <>
            <QueueChoice
              centre={centre}
              queues={queues}
              seat={seat}
              ticked={ticked}
              problem={problemAt('queues')}
              onTick={(next) => {
                setTrouble(null)
                setTicked(next)
              }}
            />
            <fieldset className="mt-5">
              <legend className="font-semibold">Campaign</legend>
              <p className="mt-1 text-soft">No outbound campaign is open to this account.</p>
            </fieldset>
          </>
        )}

        <div className="mt-6 flex items-center gap-4">
          <Button type="submit" tone="primary" size="large" disabled={starting}>
            {moves ? 'Move seat here' : starting ? 'Starting…' : 'Start shift'}
          </Button>
          {!moves && (
            <Button size="large" disabled={starting} onClick={() => void start('none')}>
              Start without sound
            </Button>
          )}
          {seat !== undefined && !moves && <span className="text-soft">You begin not ready: nothing rings until you press Go ready.</span>}
        </div>
        {problemAt('form') && <Problem>{problemAt('form')}</Problem>}
      </form>

      <aside className="mt-8 space-y-6 border-line md:mt-0 md:border-l md:pl-8">
        <section aria-label="Sound">
          <h2 className="font-semibold">Sound</h2>
          <p className="mb-2 text-soft">
            {proof === 'works' ? 'Checked.' : proof === 'failed' ? 'Does not work yet.' : 'Not checked yet.'} It can be changed at any time under Sound.
          </p>
          <SoundPathStep agentId={seat?.id ?? null} sound={sound} path={path} onPath={setPath} onProof={(works) => setComputer(works ? 'works' : 'failed')} />
        </section>
        <section aria-label="Demo accounts" className="border-line border-t pt-4">
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

const TAKEN = { free: '', standIn: ' (played by the stand-ins)', desk: ' (on shift at a desk)' } as const

/** Shown because this is a demonstration: a real centre hands PINs out in person. */
const DEMO = [
  ['Eluned Tarnow', '2417'],
  ['Kester Oddersey', '3108'],
  ['Sunniva Merrowby', '5526'],
] as const

function MovedAway({ moved }: { moved: NonNullable<FloorView['seatMoved']> }) {
  const at = new Date(moved.atMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return (
    <p role="status" className="mt-3 border-brass border-l-4 bg-brass-wash px-3 py-2">
      The seat of {moved.name} is in another tab since {at}. The shift and its calls go on there. With the PIN it can be moved back here.
    </p>
  )
}

function AtAnotherDesk({ seat }: { seat: SeatView }) {
  return (
    <p className="mt-5 border-brass border-l-4 bg-brass-wash px-3 py-2">
      <strong>{seat.name}</strong> is on shift at another desk. Your PIN moves the seat here, with its call and what it owes; the other tab is told.
    </p>
  )
}
