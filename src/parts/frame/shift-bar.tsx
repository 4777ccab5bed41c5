'use client'
// The shift bar: state in words with its clock and the one button that changes it, what is served, who waits, and sound. What must not be forgotten (a
// diversion, sound that is lost or missing) stands in a line of its own for as long as it lasts.
import clsx from 'clsx'
import { format } from 'date-fns'
import { useRouter } from 'next/navigation'
import { memo, type ReactNode } from 'react'
import { Button, Clock, Menu, MenuItem, nameIn } from '@/parts/ui'
import { diversionWords } from '@/parts/words'
import type { CentreView, MeView, QueueView } from '@/services/exchange/protocol'
import { useAllSeen, useSeen } from '@/services/exchange/react'
import { useMissedCount } from './missed'
import type { OnShift } from './on-shift'
import { OwedMenu } from './owed-menu'
import { closeSmallWindow, openSmallWindow, useSmallWindow, useSmallWindowProblem } from './small-window'
import { SoundMenu } from './sound-menu'
import { StatePart } from './state-part'

export function ShiftBar({ shift }: { shift: OnShift }) {
  const { me, due, give, setCoding, notReadyOpen, setNotReadyOpen, sound, volumes } = shift
  return (
    <section aria-label="Shift" className="border-line-strong border-b bg-raised">
      <div className="flex min-h-11 flex-wrap items-center gap-x-3 px-4">
        <StatePart me={me} give={give} notReadyOpen={notReadyOpen} setNotReadyOpen={setNotReadyOpen} />
        <OwedMenu me={me} onCode={setCoding} />
        <DueCallbacks count={due} />
        <Unheard />
        <Missed id={me.id} sinceMs={me.shiftStartedAtMs} />
        <div className="ml-auto flex min-w-0 flex-wrap items-center gap-x-3">
          {me.campaignId !== null && <Campaign id={me.campaignId} />}
          {me.queueIds.length > 0 && <Queues served={me.queueIds} />}
          <SmallWindowButton />
          <SoundMenu me={me} give={give} sound={sound} volumes={volumes} />
        </div>
      </div>
      <Lasting me={me} give={give} />
    </section>
  )
}

function DueCallbacks({ count }: { count: number }) {
  const router = useRouter()
  if (count === 0) return null
  return (
    <Button tone="brass" className="!px-2" onClick={() => router.push('/callbacks')}>
      {count === 1 ? '1 callback due' : `${count} callbacks due`}
    </Button>
  )
}

/** All of a call in a window above other programs. */
const SmallWindowButton = memo(function SmallWindowButton() {
  const open = useSmallWindow()
  const problem = useSmallWindowProblem()
  return (
    <Button
      tone="quiet"
      className="!hidden lg:!inline-flex !px-1"
      title={problem ?? 'Your call in a small window above others'}
      onClick={() => (open === null ? void openSmallWindow() : closeSmallWindow())}
    >
      {open === null ? 'Small window' : 'Close small window'}
    </Button>
  )
})

/** Messages of one's own that nobody has listened to. */
const Unheard = memo(function Unheard() {
  const router = useRouter()
  const count = useSeen((view) => view.voicemail.unheard) ?? 0
  if (count === 0) return null
  return (
    <Button className="!px-2" onClick={() => router.push('/voicemail')}>
      {count === 1 ? '1 message' : `${count} messages`}
    </Button>
  )
})

/** Calls that passed the agent by and were not looked at yet. */
const Missed = memo(function Missed({ id, sinceMs }: { id: string; sinceMs: number }) {
  const router = useRouter()
  const count = useMissedCount(id, sinceMs)
  if (count === 0) return null
  return (
    <Button className="!px-2" onClick={() => router.push('/log')}>
      {count === 1 ? '1 missed call' : `${count} missed calls`}
    </Button>
  )
})

/** What is worked besides queues: by its name, and said when it stands still. */
function Campaign({ id }: { id: NonNullable<MeView['campaignId']> }) {
  const name = useSeen((view) => nameIn(view.centre.campaigns, id))
  const state = useSeen((view) => view.campaigns.find((c) => c.id === id)?.state)
  return (
    <span className="max-w-48 truncate" title={name ?? ''}>
      {name}
      {state !== undefined && state !== 'running' && <span className="font-semibold text-brass-text"> · {state}</span>}
    </span>
  )
}

const Queues = memo(function Queues({ served }: { served: MeView['queueIds'] }) {
  const queues = useAllSeen((view) => view.queues.filter((q) => served.includes(q.id))) ?? []
  const about = useSeen((view) => view.centre.queues) ?? []
  return (
    <>
      <Waiting queues={queues} />
      <Served queues={queues} about={about} />
    </>
  )
})

/** Reasons an agent may give; the floor gives some itself. */
export const chosenReasons = (centre: CentreView): readonly string[] => centre.notReadyReasons.filter((r) => !r.givenByFloor).map((r) => r.name)

function Lasting({ me, give }: Pick<OnShift, 'me' | 'give'>) {
  const { soundLost, soundPath, diversion, deskWasLost } = me
  return (
    <>
      {soundLost !== null && (
        <Line tone="loss" label="Sound lost">
          <span>
            <strong>Your sound is lost</strong> for <Clock sinceMs={soundLost.sinceMs} />: {soundLost.why} Whoever you were talking with hears music. It is
            tried again by itself; another path is under Sound.
          </span>
        </Line>
      )}
      {deskWasLost !== null && (
        <Line tone="loss" label="Desk was lost">
          <span>
            <strong>
              Your desk was lost from <span className="tabular">{format(deskWasLost.fromMs, 'HH:mm:ss')}</span> to{' '}
              <span className="tabular">{format(deskWasLost.toMs, 'HH:mm:ss')}</span>.
            </strong>{' '}
            Whoever you were talking with went to the head of the queue, and what you had in hand went back to its line.{' '}
            {deskWasLost.endedShift && 'Nobody sat there any more, so that shift ended by itself then. '}You are not ready; go ready when you can work.
          </span>
        </Line>
      )}
      {soundPath === 'none' && (
        <Line tone="brass" label="No sound">
          <span>
            <strong>You work without sound:</strong> nobody hears you, and you hear nobody. Take a path under Sound when you can.
          </span>
        </Line>
      )}
      {diversion !== null && (
        <Line tone="brass" label="Diversion">
          <span>{diversionWords(diversion)}</span>
          <Button className="!h-6" onClick={() => void give({ kind: 'setDiversion', to: null })}>
            End diversion
          </Button>
        </Line>
      )}
    </>
  )
}

function Line({ tone, label, children }: { tone: 'loss' | 'brass'; label: string; children: ReactNode }) {
  const look = tone === 'loss' ? 'border-red bg-red-wash text-red' : 'border-brass bg-brass-wash text-brass-text'
  return (
    <section role={tone === 'loss' ? 'alert' : undefined} aria-label={label} className={clsx('flex min-h-8 items-center gap-3 border-l-4 px-4 py-0.5', look)}>
      {children}
    </section>
  )
}

/** Calls waiting in what is served, and for how long: short, so that it is never cut. */
function Waiting({ queues }: { queues: readonly QueueView[] }) {
  const waiting = queues.reduce((sum, q) => sum + q.waiting, 0)
  const since = queues.map((q) => q.longestSinceMs).filter((ms) => ms !== null)
  return (
    <span className={clsx('whitespace-nowrap', waiting > 0 ? 'font-semibold text-brass-text' : 'text-soft')}>
      {waiting === 0 ? 'nobody waiting' : `${waiting} waiting`}
      {since.length > 0 && (
        <>
          , longest <Clock sinceMs={Math.min(...since)} />
        </>
      )}
    </span>
  )
}

/** What is served: one by its name, more of them as a number that opens. */
function Served({ queues, about }: { queues: readonly QueueView[]; about: CentreView['queues'] }) {
  const [only] = queues
  if (queues.length === 1 && only !== undefined) return <span className="max-w-40 truncate text-soft">{nameIn(about, only.id)}</span>
  return (
    <Menu
      label="What you serve"
      align="end"
      trigger={
        <Button tone="quiet" className="!px-1">
          {queues.length} queues
        </Button>
      }
    >
      {queues.map((q) => (
        <MenuItem key={q.id} onSelect={() => {}}>
          <span className="flex justify-between gap-8">
            <span className="max-w-72 truncate">{nameIn(about, q.id)}</span>
            <span className={q.waiting > 0 ? 'font-semibold text-brass-text' : 'text-soft'}>{q.waiting === 0 ? 'nobody waiting' : `${q.waiting} waiting`}</span>
          </span>
        </MenuItem>
      ))}
    </Menu>
  )
}
