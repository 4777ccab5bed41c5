'use client'
// Everybody of the centre with what they do at this moment, as their work says it; their note, and who covers for them.
import clsx from 'clsx'
import { format } from 'date-fns'
import { ColleagueActions, StateMark } from '@/parts/frame'
import { Button, Clock } from '@/parts/ui'
import { diversionShort, stateWords } from '@/parts/words'
import type { MeView, SeatView } from '@/services/exchange/protocol'
import { useCommand, useSeen } from '@/services/exchange/react'
import { inOrder } from './presence'

interface Props {
  readonly me: MeView
  /** Puts somebody into the dial line. */
  readonly onChoose: (name: string) => void
}

export function People({ me, onChoose }: Props) {
  const seats = useSeen((view) => view.seats) ?? []
  const others = seats.filter((s) => s.id !== me.id && s.role === 'agent').toSorted(inOrder)
  const on = others.filter((s) => s.state !== 'signedOut')
  const off = others.filter((s) => s.state === 'signedOut')
  return (
    <section aria-label="People" className="mt-4 max-w-[47.5rem]">
      <h2 className="font-semibold text-lg">People</h2>
      {on.length === 0 && <p className="mt-1 text-soft">Nobody is on shift but you.</p>}
      <ul className="mt-1 divide-y divide-line border-line not-empty:border-y">
        {[...on, ...off.filter((s) => s.note !== null || s.diversion !== null)].map((seat) => (
          <Person key={seat.id} me={me} seat={seat} seats={seats} onChoose={onChoose} />
        ))}
      </ul>
      {off.length > 0 && <p className="mt-2 text-soft">Off shift: {off.map((s) => s.name).join(', ')}</p>}
    </section>
  )
}

function Person({ me, seat, seats, onChoose }: Props & { seat: SeatView; seats: readonly SeatView[] }) {
  const cover = seat.note === null ? undefined : seats.find((s) => s.id === seat.note?.coverId)
  return (
    <li className="grid grid-cols-[10rem_10.625rem_3.25rem_minmax(0,1fr)_auto] items-center gap-x-3 py-0.5">
      <span className="truncate font-semibold">{seat.name}</span>
      <span className="flex min-w-0 items-center gap-2">
        <StateMark state={seat.state} />
        <span className={clsx('truncate', seat.state === 'ready' && 'font-semibold text-green')}>{stateWords(seat.state, seat.reason)}</span>
      </span>
      <span className="text-soft">{seat.state !== 'signedOut' && <Clock sinceMs={seat.sinceMs} />}</span>
      <span className="flex min-w-0 flex-wrap items-center gap-x-2 text-soft">
        {seat.doNotDisturb && <span className="border border-line-strong px-1">do not disturb</span>}
        {seat.diversion !== null && <span className="border border-line-strong px-1">{diversionShort(seat.diversion)}</span>}
        {seat.note !== null && (
          <span className="min-w-0 break-words text-ink">
            “{seat.note.text}”{seat.note.untilMs !== null && <span className="text-soft"> until {format(seat.note.untilMs, 'HH:mm')}</span>}
          </span>
        )}
        {cover !== undefined && (
          <Button tone="quiet" className="!h-6 !px-0" onClick={() => onChoose(cover.name)}>
            {cover.name} covers
          </Button>
        )}
        {mayPickUp(me, seat) && seat.ringing !== null && <PickUp ringing={seat.ringing} />}
      </span>
      <ColleagueActions me={me} seat={seat} />
    </li>
  )
}

/** A call that rings at a colleague is anybody's who serves its queue. */
const mayPickUp = (me: MeView, { ringing }: SeatView): boolean => ringing !== null && (ringing.queueId === null || me.queueIds.includes(ringing.queueId))

function PickUp({ ringing }: { ringing: NonNullable<SeatView['ringing']> }) {
  const command = useCommand()
  return (
    <Button aria-label={`Pick up ${ringing.label}`} className="!h-6" onClick={() => void command({ kind: 'pickUp', callId: ringing.callId })}>
      Pick up
    </Button>
  )
}
