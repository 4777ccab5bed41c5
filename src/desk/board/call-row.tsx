'use client'
// One line of the board: my plate, the cords, the other parties' plates, and the actions of the call. While an action is
// pointed at, the cords are drawn as they will be.
import { useState } from 'react'
import { type Connection, isOnLine } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import type { CallView } from '@/exchange/protocol'
import { Button, Clock } from '@/ui'
import { useBoard } from './board-context'
import { ConsultActions, LiveActions, type Panel, RingingActions } from './call-actions'
import { Cords } from './cord'
import { cordOf } from './cord-form'
import { isMine, nameOf, othersOn } from './describe'
import { Keypad } from './keypad'
import { PartyPlate } from './party-plate'
import { Picker } from './picker'
import { Plate } from './plate'
import { UndoStrip } from './undo-strip'

/** More other parties than this are folded into a counted stack until it is opened. */
const UNFOLDED = 3

interface Props {
  readonly view: CallView
  /** The same call as an action that is pointed at would make it. */
  readonly after: CallView | undefined
  readonly contact: Contact | undefined
  /** Who is on the line that this one consults about. */
  readonly firstName: string
  readonly panel: Panel
  readonly onPanel: (panel: Panel) => void
  /** Opens the picker on the first line, to ask somebody else instead. */
  readonly onTryNext: () => void
}

export function CallRow({ view, after, contact, firstName, panel, onPanel, onTryNext }: Props) {
  const { me, seats, centre } = useBoard()
  const [open, setOpen] = useState(false)
  const { call } = view
  const mine = call.connections.find((c) => isMine(c, me.id))
  const others = othersOn(view, me.id)
  const folds = others.length > UNFOLDED
  const shown = folds && !open ? others.slice(0, UNFOLDED - 1) : others
  const second = call.consultFor !== null
  if (mine === undefined) return null
  const removing = call.clearing?.what === 'remove' ? call.connections.find((c) => c.deviceId === call.clearing?.deviceId) : undefined
  return (
    <li className="grid grid-cols-[190px_150px_minmax(220px,1fr)_auto] items-center py-2" data-line={second ? 'consult' : 'call'}>
      <Plate
        name="You"
        kind={mineKind(mine, me.muted, call.recording !== null)}
        clock={<MyClock mine={mine} view={view} contact={contact} />}
        tone={second ? 'second' : 'plain'}
      />
      <Line view={after ?? view} shown={shown} folded={folds && !open} muted={me.muted} second={second} preview={after !== undefined} />
      <div className={open && folds ? 'grid grid-cols-2 gap-2' : 'flex min-w-0 flex-col gap-2'}>
        {others.length === 0 && <WaitingPlate view={view} contact={contact} />}
        {shown.map((c) => (
          <PartyPlate key={c.deviceId} view={view} connection={c} contact={contact} />
        ))}
        {folds && (
          <Button onClick={() => setOpen(!open)} aria-expanded={open} className="!h-[68px] justify-start px-3">
            {open ? 'Fold them together' : stackWords(others.slice(UNFOLDED - 1), { me, seats, centre })}
          </Button>
        )}
      </div>
      <div className="pl-5">
        {call.clearing !== null ? (
          <UndoStrip call={call} about={removing === undefined ? '' : nameOf(removing.party, { me, seats, centre })} />
        ) : mine.state === 'alerting' ? (
          <RingingActions view={view} onPanel={onPanel} silenced={contact?.ringSilenced ?? false} />
        ) : second ? (
          <ConsultActions view={view} mine={mine} firstName={firstName} onTryNext={onTryNext} />
        ) : (
          <LiveActions view={view} mine={mine} panel={panel} onPanel={onPanel} />
        )}
      </div>
      {panel === 'keypad' && (
        <Keypad callId={call.id} received={others.flatMap((c) => (c.received === '' ? [] : [c.received]))} onClose={() => onPanel(null)} />
      )}
      {panel !== null && panel !== 'keypad' && <Picker callId={call.id} use={panel} onClose={() => onPanel(null)} />}
    </li>
  )
}

function stackWords(folded: readonly Connection[], names: Parameters<typeof nameOf>[1]): string {
  const first = folded[0]
  const online = folded.filter(isOnLine).length
  const name = first === undefined ? '' : nameOf(first.party, names)
  return `${name} and ${folded.length - 1} more · ${online === folded.length ? 'all on the line' : `${online} on the line`} · open`
}

interface LineProps {
  readonly view: CallView
  readonly shown: readonly Connection[]
  readonly folded: boolean
  readonly muted: boolean
  readonly second: boolean
  readonly preview: boolean
}

/** One cord for each plate that is shown, and one for the stack: drawn as for its first member. */
function Line({ view, shown, folded, muted, second, preview }: LineProps) {
  const { me } = useBoard()
  const mine = view.call.connections.find((c) => isMine(c, me.id))
  const others = othersOn(view, me.id)
  const now = shown.map((c) => others.find((o) => o.deviceId === c.deviceId))
  const cords = now.map((c) => (c === undefined ? NONE : cordOf(view, mine, c, muted)))
  if (folded) {
    const next = others.find((o) => !shown.some((s) => s.deviceId === o.deviceId))
    cords.push(next === undefined ? NONE : cordOf(view, mine, next, muted))
  }
  // Somebody comes whose plate is not there yet, or a queue has the line: a dotted cord says that it rings.
  if (cords.length === 0) cords.push({ ...NONE, form: mine === undefined ? 'none' : 'ringing' })
  return <Cords cords={cords} second={second} preview={preview} />
}

const NONE = { form: 'none', mutedHere: false, mutedThere: false } as const

function WaitingPlate({ view: { call }, contact }: { view: CallView; contact: Contact | undefined }) {
  const { me, seats, centre } = useBoard()
  const queue = call.connections.find((c) => c.party.kind === 'queue')
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
  return <Plate name={contact?.customer?.name ?? contact?.number ?? 'Number'} kind="Outside" clock="dialling" tone="waiting" />
}

const ENDPOINTS = { computer: '', handset: ' · on the desk handset', ownPhone: ' · on your own phone' } as const
const mineKind = (mine: Connection, muted: boolean, recording: boolean): string =>
  `Agent${muted ? ' · muted' : ''}${recording ? ' · recording' : ''}${ENDPOINTS[mine.endpoint]}`

/** Two clocks, named: with you since you took or dialled it, and in all since the caller came in. */
function MyClock({ mine, view: { call }, contact }: { mine: Connection; view: CallView; contact: Contact | undefined }) {
  if (mine.state === 'alerting') return <span>ringing here</span>
  if (call.consultFor !== null)
    return (
      <span>
        {mine.state === 'held' ? 'consult on hold ' : 'consulting '}
        <Clock sinceMs={call.offeredAtMs} className="text-ink" />
      </span>
    )
  return (
    <span className="whitespace-nowrap">
      with you <Clock sinceMs={contact?.handledSinceMs ?? call.offeredAtMs} className="text-ink" /> · in all{' '}
      <Clock sinceMs={call.offeredAtMs} className="text-ink" />
    </span>
  )
}
