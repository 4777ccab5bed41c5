'use client'
// Start of shift: what you serve, and the sound path as a step of its own that proves itself. Who you are is known already. Whoever is on shift at
// another tab moves their seat here.
import { type FormEvent, useEffect, useRef, useState } from 'react'
import type { CampaignId } from '@/core/ids'
import { PATH_WORDS, SoundPathStep } from '@/parts/sound-path'
import { Button, Problem } from '@/parts/ui'
import type { AccountView, FloorView } from '@/services/exchange/protocol'
import { useCommand, useFloor } from '@/services/exchange/react'
import { CampaignChoice } from './campaign-choice'
import { EmergencyCall } from './emergency-call'
import { QueueChoice } from './queue-choice'
import { lastChoice, rememberChoice } from './remembered'

type Trouble = { readonly at: 'queues' | 'campaign' | 'form'; readonly says: string }
type Path = 'computer' | 'handset' | 'ownPhone'

const FIELD_OF_REASON: Readonly<Record<string, Trouble['at']>> = {
  noQueueTicked: 'queues',
  queueNotYours: 'queues',
  campaignNotYours: 'campaign',
  campaignClosed: 'campaign',
}

export function StartShift({ view }: { view: FloorView }) {
  if (view.account.shift === 'elsewhere') return <AtAnotherTab view={view} />
  if (view.account.shift === 'standIn')
    return (
      <main className="px-6 py-8">
        <h1 className="font-semibold text-2xl">Start your shift</h1>
        <p className="mt-2">
          {view.account.name} is played by the stand-ins at the moment. Open Stand-ins and choose the quiet world, or sign in with a name that is free.
        </p>
      </main>
    )
  return <NewShift view={view} />
}

/** What they chose last time, as far as the account still allows it; whoever is new starts with every queue they serve. */
function firstTicks({ id, queueIds }: AccountView): readonly string[] {
  const again = queueIds.filter((q) => lastChoice(id)?.queueIds.includes(q))
  return again.length > 0 ? again : queueIds
}

function NewShift({ view }: { view: FloorView }) {
  const { account, centre, queues, sound } = view
  const command = useCommand()
  const floor = useFloor()
  const [ticked, setTicked] = useState<readonly string[]>(() => firstTicks(account))
  const [campaignId, setCampaignId] = useState<CampaignId | null>(null)
  const [path, setPath] = useState<Path>(() => lastChoice(account.id)?.path ?? 'computer')
  const [computer, setComputer] = useState<'unchecked' | 'works' | 'failed'>('unchecked')
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const [starting, setStarting] = useState(false)
  const form = useRef<HTMLFormElement>(null)
  const proof = {
    computer,
    handset: sound === null || sound.handset === 'absent' ? 'unchecked' : 'works',
    ownPhone: sound?.phone?.state === 'connected' ? 'works' : 'unchecked',
  }[path]
  useEffect(() => void floor?.ask({ kind: 'soundHere', on: true }), [floor])

  const fail = (next: Trouble) => {
    setTrouble(next)
    form.current
      ?.querySelector<HTMLElement>(
        { queues: 'fieldset input:not(:disabled)', campaign: 'input[name=campaign]:not(:disabled)', form: 'button[type=submit]' }[next.at],
      )
      ?.focus()
  }
  const start = async (soundPath: Path | 'none') => {
    setStarting(true)
    const queueIds = account.queueIds.filter((id) => ticked.includes(id))
    const reply = await command({ kind: 'startShift', queueIds, campaignId, seat: 'desk', soundPath })
    setStarting(false)
    if (!reply.ok) return fail({ at: FIELD_OF_REASON[reply.refusal.reason] ?? 'form', says: `${reply.refusal.says} ${reply.refusal.next}` })
    rememberChoice(account.id, { queueIds: [...ticked], campaignId, path })
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    // A device that is not there carries nothing: it has to prove itself, or the shift begins without sound and says so.
    if (path !== 'computer' && proof !== 'works')
      return fail({ at: 'form', says: `${PATH_WORDS[path]} is not connected yet. Check sound at the right, take this computer, or start without sound.` })
    void start(path)
  }
  const problemAt = (at: Trouble['at']) => (trouble?.at === at ? trouble.says : null)

  return (
    <main className="mx-auto grid w-full max-w-[67.5rem] grid-cols-1 gap-x-12 px-6 py-8 md:grid-cols-[1fr_23.75rem]">
      <form ref={form} onSubmit={submit} noValidate>
        <h1 tabIndex={-1} className="font-semibold text-2xl">
          Start your shift
        </h1>
        <p className="mt-1 text-soft">What you serve can be changed with the next shift, everything else while you work.</p>
        {view.seatMoved !== null && <MovedAway moved={view.seatMoved} />}
        <QueueChoice
          centre={centre}
          queues={queues}
          seats={view.seats}
          seat={account}
          ticked={ticked}
          problem={problemAt('queues')}
          onTick={(next) => {
            setTrouble(null)
            setTicked(next)
          }}
        />
        <CampaignChoice
          centre={centre}
          account={account}
          chosen={campaignId}
          problem={problemAt('campaign')}
          onChoose={(next) => {
            setTrouble(null)
            setCampaignId(next)
          }}
        />
        <div className="mt-6 flex flex-wrap items-center gap-x-4 gap-y-2">
          <Button type="submit" tone="primary" size="large" disabled={starting}>
            {starting ? 'Starting…' : 'Start shift'}
          </Button>
          <Button size="large" disabled={starting} onClick={() => void start('none')}>
            Start without sound
          </Button>
          <span className="text-soft">You begin not ready: nothing rings until you press Go ready.</span>
        </div>
        {problemAt('form') && <Problem>{problemAt('form')}</Problem>}
      </form>

      <aside className="mt-8 border-line md:mt-0 md:border-l md:pl-8">
        <section aria-label="Sound">
          <h2 className="font-semibold">Sound</h2>
          <p className="mb-2 text-soft">
            {proof === 'works' ? 'Checked.' : proof === 'failed' ? 'Does not work yet.' : 'Not checked yet.'} It can be changed at any time under Sound.
          </p>
          <SoundPathStep agentId={account.id} sound={sound} path={path} onPath={setPath} onProof={(works) => setComputer(works ? 'works' : 'failed')} />
        </section>
        <EmergencyCall />
      </aside>
    </main>
  )
}

function MovedAway({ moved }: { moved: NonNullable<FloorView['seatMoved']> }) {
  const at = new Date(moved.atMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return (
    <p role="status" className="mt-3 border-brass border-l-4 bg-brass-wash px-3 py-2">
      Your seat has been in another tab since {at}. The shift and its calls go on there.
    </p>
  )
}

/** The shift is at another tab of this browser: it goes on there, or comes here with its calls and what it owes. */
function AtAnotherTab({ view }: { view: FloorView }) {
  const command = useCommand()
  const [problem, setProblem] = useState<string | null>(null)
  const move = async () => {
    const reply = await command({ kind: 'moveSeat' })
    if (!reply.ok) setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <main className="px-6 py-8">
      <h1 tabIndex={-1} className="font-semibold text-2xl">
        Your shift is at another tab
      </h1>
      {view.seatMoved !== null && <MovedAway moved={view.seatMoved} />}
      <p className="mt-3">Here you can look up callbacks and results. To work at this tab, move your seat: calls and what you owe come with it.</p>
      <Button tone="primary" size="large" className="mt-4" onClick={() => void move()}>
        Move seat here
      </Button>
      {problem !== null && <Problem>{problem}</Problem>}
    </main>
  )
}
