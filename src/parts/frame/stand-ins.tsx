'use client'
// The stand-ins panel: what plays the outside world, plainly marked as such, and steered as a trainer would.
import { useState } from 'react'
import { WRITTEN_CHANNELS, type Written } from '@/core/channels'
import type { Box } from '@/core/voicemail'
import { Button, Choice, Dialog, Problem, SelectField } from '@/parts/ui'
import { CHANNEL_WORDS } from '@/parts/words'
import type { FloorView } from '@/services/exchange/protocol'
import { useFloor, useFloorView } from '@/services/exchange/react'

interface Props {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

const WORLDS = [
  { value: 'quiet', label: 'Quiet', means: 'Nothing happens unless you cause it. Colleagues go home.' },
  { value: 'ordinary', label: 'Ordinary day', means: 'Eleven colleagues and about ninety calls an hour.' },
  { value: 'storm', label: 'Storm day', means: 'A gale closes two routes in a minute and the Disruption queue fills.' },
] as const

const ANSWERS = [
  ['person', 'A person'],
  ['busy', 'Busy'],
  ['noAnswer', 'No answer'],
  ['machine', 'Answering machine'],
  ['refused', 'Refused'],
] as const

const PATIENCE = [
  ['', 'As people are (some minutes)'],
  ['3600000', 'Waits as long as it takes'],
  ['5000', 'Gives up after 5 seconds'],
  ['20000', 'Gives up after 20 seconds'],
  ['keeps', 'Keeps their place after 2 seconds'],
] as const
const KEEPS_PLACE_MS = 2_000
const STAYS = [
  ['', 'Until their business is done'],
  ['5000', 'Hangs up after 5 seconds'],
  ['30000', 'Hangs up after 30 seconds'],
] as const

export function StandIns({ open, onOpenChange }: Props) {
  const view = useFloorView()
  const floor = useFloor()
  if (view === null) return null
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Stand-ins"
      description="Callers, colleagues and the telephone network are played by stand-ins. They use the same commands as everyone."
    >
      <h3 className="font-semibold">World</h3>
      <Choice label="World" value={view.floor.pace} options={WORLDS} onChange={(value) => void floor?.ask({ kind: 'setPace', pace: value })} />
      <ACaller view={view} onDone={() => onOpenChange(false)} />
      <NumbersDialled />
      {view.centre.campaigns.length > 0 && <PeopleOfLists as={view.floor.listAnswers} campaigns={view.centre.campaigns.filter((c) => !c.retired)} />}
    </Dialog>
  )
}

function ACaller({ view, onDone }: { view: FloorView; onDone: () => void }) {
  const floor = useFloor()
  const { centre, me, account } = view
  // Whoever is rung gets a caller of a queue they serve.
  const [queueId, setQueueId] = useState(me?.queueIds[0] ?? centre.queues[0]?.id ?? '')
  const [caller, setCaller] = useState('')
  const [patience, setPatience] = useState('')
  const [stays, setStays] = useState('')
  const [channel, setChannel] = useState<Written>('chat')
  const [problem, setProblem] = useState<string | null>(null)
  const queue = centre.queues.find((q) => q.id === queueId)
  const call = async (kind: 'ringMe' | 'callerIntoQueue') => {
    if (floor === null || queue === undefined) return
    const reply = await floor.ask({
      kind,
      queueId: queue.id,
      customerId: caller === '' ? null : caller,
      patienceMs: patience === '' || patience === 'keeps' ? null : Number(patience),
      staysMs: stays === '' ? null : Number(stays),
      keepsPlaceMs: patience === 'keeps' ? KEEPS_PLACE_MS : null,
    })
    if (reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  const leaveMessage = async (box: Box) => {
    const reply = await floor?.ask({ kind: 'leaveMessage', box })
    if (reply === undefined || reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  const write = async (toMe: boolean) => {
    if (queue === undefined) return
    const patienceMs = patience === '' || patience === 'keeps' ? null : Number(patience)
    const reply = await floor?.ask({
      kind: 'writer',
      channel,
      queueId: queue.id,
      customerId: caller === '' ? null : caller,
      patienceMs,
      keepsPlaceMs: patience === 'keeps' ? KEEPS_PLACE_MS : null,
      toMe,
    })
    if (reply === undefined || reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  const colleague = async () => {
    const reply = await floor?.ask({ kind: 'colleagueCalls' })
    if (reply === undefined || reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <section aria-label="A caller" className="mt-5 border-line border-t pt-4">
      <h3 className="font-semibold">A caller</h3>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <SelectField label="Queue" value={queueId} onChange={(e) => setQueueId(e.target.value as typeof queueId)}>
          {centre.queues.map((q) => (
            <option key={q.id} value={q.id}>
              {q.name}
            </option>
          ))}
        </SelectField>
        <SelectField label="Caller" value={caller} onChange={(e) => setCaller(e.target.value)}>
          <option value="">Whoever calls</option>
          {centre.people.slice(0, 30).map((p) => (
            <option key={p.id} value={p.id}>
              {p.name} ({p.group})
            </option>
          ))}
        </SelectField>
        <SelectField label="Patience" value={patience} onChange={(e) => setPatience(e.target.value)}>
          {PATIENCE.map(([value, label]) => (
            <option key={label} value={value}>
              {label}
            </option>
          ))}
        </SelectField>
        <SelectField label="Stays" value={stays} onChange={(e) => setStays(e.target.value)}>
          {STAYS.map(([value, label]) => (
            <option key={label} value={value}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button tone="primary" onClick={() => void call('ringMe')}>
          Ring me
        </Button>
        <Button onClick={() => void call('callerIntoQueue')}>A caller into the queue</Button>
        <Button onClick={() => void colleague()}>A colleague calls me</Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button onClick={() => void leaveMessage({ kind: 'agent', agentId: account.id })}>Leave me a message</Button>
        <Button
          aria-disabled={queue?.takesMessages !== true || undefined}
          title={queue?.takesMessages === true ? undefined : `${queue?.name} takes no messages; Set-up can change that.`}
          onClick={() => queue?.takesMessages === true && void leaveMessage({ kind: 'queue', queueId: queue.id })}
        >
          Leave the queue a message
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="Or writes a"
          className="w-32"
          value={channel}
          onChange={(e) => setChannel(WRITTEN_CHANNELS.find((c) => c === e.target.value) ?? 'chat')}
        >
          {WRITTEN_CHANNELS.map((c) => (
            <option key={c} value={c}>
              {CHANNEL_WORDS[c]}
            </option>
          ))}
        </SelectField>
        <Button onClick={() => void write(true)}>Write to me</Button>
        <Button onClick={() => void write(false)}>Write to the queue</Button>
      </div>
      <p className="mt-2 text-soft">The first rings at this desk, the second at whoever is longest ready.</p>
      {problem !== null && <Problem>{problem}</Problem>}
    </section>
  )
}

const PICK_UP = [
  ['person', 'People, at once'],
  ['machine', 'Machines'],
  ['busy', 'Busy lines'],
  ['noAnswer', 'Nobody'],
  ['invalid', 'Numbers not in use'],
  ['refused', 'People who refuse the call'],
] as const

/** Whom the dialer meets, for trying a campaign out. */
function PeopleOfLists({ as, campaigns }: { as: FloorView['floor']['listAnswers']; campaigns: FloorView['centre']['campaigns'] }) {
  const floor = useFloor()
  const [problem, setProblem] = useState<string | null>(null)
  const [said, setSaid] = useState('')
  const ringBack = async ({ id, name }: (typeof campaigns)[number]) => {
    const reply = await floor?.ask({ kind: 'ringBack', campaignId: id })
    setProblem(reply === undefined || reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    setSaid(reply?.ok === true ? `Somebody ${name} could not reach rings back.` : '')
  }
  return (
    <section aria-label="People of campaigns" className="mt-5 border-line border-t pt-4">
      <SelectField
        label="Campaigns reach"
        className="w-60"
        value={as ?? ''}
        onChange={(e) => void floor?.ask({ kind: 'listAnswers', as: PICK_UP.find(([value]) => value === e.target.value)?.[0] ?? null })}
      >
        <option value="">Whoever is there, by hour and place</option>
        {PICK_UP.map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </SelectField>
      {/* Above the buttons: what lies below them is out of view. */}
      <p role="status" className="mt-1 text-soft">
        {said}
      </p>
      {problem !== null && <Problem>{problem}</Problem>}
      <div className="mt-2 flex flex-wrap gap-2">
        {campaigns.map((campaign) => (
          <Button key={campaign.id} onClick={() => void ringBack(campaign)}>
            Somebody rings {campaign.name} back
          </Button>
        ))}
      </div>
    </section>
  )
}

function NumbersDialled() {
  const floor = useFloor()
  const [answersAs, setAnswersAs] = useState<(typeof ANSWERS)[number][0] | ''>('')
  const [said, setSaid] = useState('')
  const nextAnswer = async (as: (typeof ANSWERS)[number][0]) => {
    setAnswersAs(as)
    await floor?.ask({ kind: 'nextAnswer', as })
    setSaid('The next number you dial answers so.')
  }
  return (
    <section aria-label="Numbers you dial" className="mt-5 border-line border-t pt-4">
      <SelectField
        label="Next call answers as"
        className="w-60"
        value={answersAs}
        onChange={(e) => void nextAnswer(e.target.value as (typeof ANSWERS)[number][0])}
      >
        <option value="" disabled>
          As chance has it
        </option>
        {ANSWERS.map(([as, label]) => (
          <option key={as} value={as}>
            {label}
          </option>
        ))}
      </SelectField>
      <p role="status" className="mt-1 text-soft text-xs">
        {said}
      </p>
    </section>
  )
}
