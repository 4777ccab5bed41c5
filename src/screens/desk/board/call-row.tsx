'use client'
// One line of the board: my plate, the cords, the other parties' plates, and the actions of the call. While an action is
// pointed at, the cords are drawn as they will be.
import clsx from 'clsx'
import { useState } from 'react'
import { type Call, type Connection, isConference, isOnLine, takesPart } from '@/core/calls'
import type { CallId } from '@/core/ids'
import type { Work } from '@/core/work'
import { Speaks } from '@/parts/frame'
import { Button, Clock } from '@/parts/ui'
import { callerWords, isMine, nameOf, othersOn } from '@/parts/words'
import type { CallView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { BesideActions } from './beside-actions'
import { useBoard } from './board-context'
import { ConsultActions, LiveActions, type Panel, RingingActions } from './call-actions'
import { Cords, type Link } from './cord'
import { cordOf, linkOf } from './cord-form'
import { holdsMessage, MessageActions } from './message-actions'
import { PartyPlate } from './party-plate'
import { Plate } from './plate'
import { UndoStrip } from './undo-strip'
import { UntakenActions, untaken } from './untaken-actions'

/** More other parties than this are folded into a counted stack until it is opened. */
const UNFOLDED = 3

/** The caller's line: whoever is brought to it is brought to this call, also from the row of a consult about it. */
export const lineOf = (call: Pick<Call, 'id' | 'consultFor'>): CallId => call.consultFor ?? call.id

interface Props {
  readonly view: CallView
  /** Somebody is being dragged over it. */
  readonly isOver: boolean
  /** The same call as an action that is pointed at would make it. */
  readonly after: CallView | undefined
  readonly work: Work | undefined
  readonly silenced: boolean
  /** Who is on the line that this one consults about. */
  readonly firstName: string
  readonly panel: Panel
  readonly onPanel: (panel: Panel) => void
  /** Somebody is consulted about this line: that line has the actions. */
  readonly consulting: boolean
  /** Opens the picker on the first line, to ask somebody else instead. */
  readonly onTryNext: () => void
}

export function CallRow({ view, isOver, after, work, silenced, firstName, consulting, panel, onPanel, onTryNext }: Props) {
  const { me, seats, centre } = useBoard()
  const [open, setOpen] = useState(false)
  const { call } = view
  const mine = call.connections.find((c) => isMine(c, me.id))
  const others = othersOn(view, me.id)
  const folds = others.length > UNFOLDED
  const shown = folds ? others.slice(0, UNFOLDED - 1) : others
  const stack = folds ? others.slice(UNFOLDED - 1) : []
  /** Who would come onto this line: drawn as a plate that is not there yet. */
  const coming = after === undefined ? [] : comers(after, view, me.id)
  const second = call.consultFor !== null
  if (mine === undefined) return null
  const removing = call.clearing?.what === 'remove' ? call.connections.find((c) => c.deviceId === call.clearing?.deviceId) : undefined
  return (
    <li
      className={clsx(
        isOver && 'outline outline-2 outline-ink outline-dashed -outline-offset-2',
        'grid grid-cols-1 gap-2 py-2 @4xl:grid-cols-[minmax(10rem,13.375rem)_8rem_minmax(15.375rem,1fr)] @4xl:items-center @4xl:gap-0',
        // Where there is no room beside the plates for what can be done, it stands below them.
        '@6xl:grid-cols-[minmax(10rem,13.375rem)_8rem_minmax(15.375rem,1fr)_minmax(15.625rem,max-content)]',
      )}
      data-line={second ? 'consult' : 'call'}
      data-line-of={lineOf(call)}
    >
      <Plate
        name="You"
        kind={takesPart(mine) ? mineKind(mine, me.muted, call.recording !== null) : mine.role === 'whispers' ? 'Whispering' : 'Listening in'}
        clock={<MyClock mine={mine} view={view} work={work} />}
        tone={second ? 'second' : 'plain'}
        {...(isConference(call) ? { speaks: <Speaks deviceId={null} /> } : {})}
      />
      <div className="hidden @4xl:block">
        <Line view={after ?? view} shown={shown} folded={folds} muted={me.muted} second={second} preview={after !== undefined} />
      </div>
      <div className="flex min-w-0 flex-col gap-2">
        {others.length === 0 && <WaitingPlate view={view} work={work} />}
        {shown.map((c) => (
          <PartyPlate key={c.deviceId} view={view} connection={c} work={work} />
        ))}
        {folds && <StackButton stack={stack} open={open} onToggle={() => setOpen(!open)} />}
      </div>
      <div className="relative flex @4xl:col-span-full @4xl:justify-end @4xl:pt-2 @6xl:col-span-1 @6xl:pt-0 @6xl:pl-3">
        {coming.length > 0 && after !== undefined && <Comers coming={coming} after={after} beside={shown.at(-1)} />}
        {call.clearing !== null ? (
          <UndoStrip call={call} about={removing === undefined ? '' : nameOf(removing.party, { me, seats, centre })} />
        ) : !takesPart(mine) ? (
          <BesideActions view={view} mine={mine} />
        ) : mine.state === 'alerting' ? (
          <RingingActions view={view} onPanel={onPanel} silenced={silenced} />
        ) : second ? (
          <ConsultActions view={view} mine={mine} firstName={firstName} onTryNext={onTryNext} />
        ) : holdsMessage(call, mine) ? (
          <MessageActions call={call} />
        ) : untaken(view, mine) !== null ? (
          <UntakenActions callId={call.id} party={untaken(view, mine)} />
        ) : (
          <LiveActions view={view} mine={mine} panel={panel} onPanel={onPanel} consulting={consulting} />
        )}
      </div>
      {open && folds && <OpenStack view={view} stack={stack} work={work} />}
    </li>
  )
}

/** Parties of the call as it would be that are not on it now; a queue counts, because it is where the caller would wait. */
const comers = (after: CallView, now: CallView, agentId: Parameters<typeof isMine>[1]): readonly Connection[] =>
  after.call.connections.filter((c) => !isMine(c, agentId) && !now.call.connections.some((n) => n.deviceId === c.deviceId))

/**
 * Who would come, beside the plates and over the actions: it takes no room and no pointer, so that nothing moves away from
 * under the hand that asks.
 */
function Comers({ coming, after, beside }: { coming: readonly Connection[]; after: CallView; beside: Connection | undefined }) {
  const { me, seats, centre } = useBoard()
  const first = coming[0]
  if (first === undefined) return null
  const form = beside === undefined ? null : linkOf(after, beside, first)
  const more = coming.length > 1 ? ` and ${coming.length - 1} more` : ''
  const clock =
    first.state === 'failed'
      ? 'is busy'
      : first.state === 'connected'
        ? 'would be on this line'
        : first.state === 'queued'
          ? 'would have the caller'
          : 'would ring'
  return (
    <div className="pointer-events-none absolute inset-y-0 left-0 z-10 flex items-center" data-preview="comer">
      <svg aria-hidden width={24} height={20}>
        <path
          d="M 0 10 H 24"
          stroke={form === 'talking' ? 'var(--color-green)' : 'var(--color-brass)'}
          strokeWidth={5}
          strokeDasharray={form === 'talking' ? undefined : '0.1 10'}
          strokeLinecap="round"
        />
      </svg>
      <div className="w-60">
        <Plate name={`${nameOf(first.party, { me, seats, centre })}${more}`} kind="After this" clock={clock} tone="ghost" />
      </div>
    </div>
  )
}

/** Many parties folded into one plate that says how many they are. */
function StackButton({ stack, open, onToggle }: { stack: readonly Connection[]; open: boolean; onToggle: () => void }) {
  const { me, seats, centre } = useBoard()
  const online = stack.filter(isOnLine).length
  const first = stack[0] === undefined ? '' : nameOf(stack[0].party, { me, seats, centre })
  return (
    <Button onClick={onToggle} aria-expanded={open} className="!h-[4.25rem] !justify-start px-3 text-left">
      <span className="min-w-0">
        <span className="block truncate text-base">
          {first} and {stack.length - 1} more
        </span>
        <span className="block font-normal text-soft">
          {online === stack.length ? 'all on the line' : `${online} of ${stack.length} on the line`} · {open ? 'fold together' : 'show them'}
        </span>
      </span>
    </Button>
  )
}

/** The opened stack, below the row and as wide as it: each plate's edge is drawn like its cord. */
function OpenStack({ view, stack, work }: { view: CallView; stack: readonly Connection[]; work: Work | undefined }) {
  const { me } = useBoard()
  const mine = view.call.connections.find((c) => isMine(c, me.id))
  return (
    <ul className="col-span-full mt-2 grid grid-cols-1 gap-2 @2xl:grid-cols-2 @4xl:grid-cols-3 @6xl:grid-cols-4">
      {stack.map((c) => (
        <li key={c.deviceId} className={`border-l-[5px] ${EDGES[cordOf(view, mine, c, me.muted).form]}`}>
          <PartyPlate view={view} connection={c} work={work} />
        </li>
      ))}
    </ul>
  )
}

const EDGES = {
  talking: 'border-solid border-green',
  whisper: 'border-double border-sea',
  toMe: 'border-double border-sea',
  toThem: 'border-double border-sea',
  held: 'border-dashed border-brass',
  ringing: 'border-dotted border-brass',
  apart: 'border-dotted border-line-strong',
  cut: 'border-dashed border-red',
  none: 'border-solid border-transparent',
} as const

interface LineProps {
  readonly view: CallView
  readonly shown: readonly Connection[]
  readonly folded: boolean
  readonly muted: boolean
  readonly second: boolean
  readonly preview: boolean
}

/** One cord for each plate that is shown, one for the stack (drawn as for its first member), and links among the others. */
function Line({ view, shown, folded, muted, second, preview }: LineProps) {
  const { me } = useBoard()
  const mine = view.call.connections.find((c) => isMine(c, me.id))
  const others = othersOn(view, me.id)
  const ends = shown.map((c) => others.find((o) => o.deviceId === c.deviceId))
  const stack = folded ? others.find((o) => !shown.some((s) => s.deviceId === o.deviceId)) : undefined
  if (folded) ends.push(stack)
  const cords = ends.map((c) => (c === undefined ? NONE : cordOf(view, mine, c, muted)))
  // Somebody comes whose plate is not there yet, or a queue has the line: a dotted cord says that it rings.
  if (cords.length === 0) cords.push({ ...NONE, form: mine === undefined ? 'none' : 'ringing' })
  const links = ends.flatMap((c, upper): Link[] => {
    const next = ends[upper + 1]
    const form = c === undefined || next === undefined ? null : linkOf(view, c, next)
    return form === null ? [] : [{ upper, form }]
  })
  return <Cords cords={cords} links={links} second={second} preview={preview} />
}

const NONE = { form: 'none', mutedHere: false, mutedThere: false } as const

function WaitingPlate({ view: { call }, work }: { view: CallView; work: Work | undefined }) {
  const { me, seats, centre } = useBoard()
  const title = useSeen((view) => view.conferences.soon.find((c) => c.id === call.conferenceId)?.title)
  const queue = call.connections.find((c) => c.party.kind === 'queue')
  const queueName = centre.queues.find((q) => q.id === call.queueId)?.name ?? ''
  if (call.conferenceId !== null)
    return (
      <Plate
        name={title ?? 'Conference'}
        kind="Conference"
        tone="waiting"
        clock={
          <>
            you are the first, waiting <Clock sinceMs={call.offeredAtMs} className="text-ink" />
          </>
        }
      />
    )
  if (call.messageId !== null)
    return (
      <Plate
        name={callerWords(call.customer?.name, call.number, 'Withheld number')}
        kind={`Left a message · ${queueName}`}
        tone="waiting"
        clock={
          <>
            waiting <Clock sinceMs={call.offeredAtMs} className="text-ink" />
          </>
        }
      />
    )
  if (call.keptFor !== null && queue !== undefined)
    return (
      <Plate
        name={call.customer?.name ?? call.keptFor}
        kind={`Keeps a place · ${nameOf(queue.party, { me, seats, centre })}`}
        tone="waiting"
        clock={
          <>
            Answer calls {call.keptFor} · waited <Clock sinceMs={call.offeredAtMs} className="text-ink" />
          </>
        }
      />
    )
  if (queue !== undefined)
    return (
      <Plate
        name={nameOf(queue.party, { me, seats, centre })}
        kind="Queue"
        tone="waiting"
        clock={
          <>
            you wait, with music <Clock sinceMs={queue.sinceMs} className="text-ink" />
          </>
        }
      />
    )
  return <Plate name={callerWords(work?.customer?.name, work?.number, 'Number')} kind="Outside" clock="dialling" tone="waiting" />
}

const ENDPOINTS = { computer: '', handset: ' · on the desk handset', ownPhone: ' · on your own phone' } as const
const mineKind = (mine: Connection, muted: boolean, recording: boolean): string =>
  `Agent${muted ? ' · muted' : ''}${recording ? (mine.state === 'held' ? ' · not recorded meanwhile' : ' · recording') : ''}${ENDPOINTS[mine.endpoint]}`

/** Two clocks, named: with you since you took or dialled it, and in all since the caller came in. */
function MyClock({ mine, view: { call }, work }: { mine: Connection; view: CallView; work: Work | undefined }) {
  if (mine.state === 'alerting') return <span>ringing here</span>
  if (!takesPart(mine))
    return (
      <span>
        here for <Clock sinceMs={mine.sinceMs} className="text-ink" />
      </span>
    )
  if (call.consultFor !== null)
    return (
      <span>
        {mine.state === 'held' ? 'consult on hold ' : 'consulting '}
        <Clock sinceMs={call.offeredAtMs} className="text-ink" />
      </span>
    )
  if (call.workId === null)
    return (
      <span>
        internal call <Clock sinceMs={call.offeredAtMs} className="text-ink" />
      </span>
    )
  return (
    <span className="whitespace-nowrap">
      with you <Clock sinceMs={work?.handledSinceMs ?? call.offeredAtMs} className="text-ink" /> · in all{' '}
      <Clock sinceMs={call.offeredAtMs} className="text-ink" />
    </span>
  )
}
