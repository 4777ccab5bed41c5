'use client'
// Callbacks as a table, by their time; what is missed first. A row opens to move it, hand it over or give it up.
import clsx from 'clsx'
import { useState } from 'react'
import type { CallbackId } from '@/core/ids'
import { Button, type Column, inZone, nameIn, Table, useNowMs, zoneWords } from '@/parts/ui'
import { NumberLinks, useNumberWords } from '@/parts/words'
import type { CallbackView, CentreView, MeView, SeatView } from '@/services/exchange/protocol'
import { ChangeCallback } from './change-callback'
import type { GiveProps } from './give'

interface Props extends GiveProps {
  readonly centre: CentreView
  readonly callbacks: readonly CallbackView[]
  readonly empty: string
}

export function CallbackTable({ me, seats, give, centre, callbacks, empty }: Props) {
  const now = useNowMs()
  const written = useNumberWords()
  const [open, setOpen] = useState<CallbackId | null>(null)
  const ordered = callbacks.toSorted((a, b) => Number(b.escalatedAtMs !== null) - Number(a.escalatedAtMs !== null) || a.dueAtMs - b.dueAtMs)
  if (ordered.length === 0) return <p className="mt-4 font-serif text-[1.0625rem] text-soft leading-7">{empty}</p>
  const queueName = (c: CallbackView) => centre.queues.find((q) => q.id === c.queueId)?.name ?? null
  const mayCall = (c: CallbackView) => me !== null && c.dialledBy === null && (c.ownerId === null || c.ownerId === me.id)
  const columns: readonly Column<CallbackView>[] = [
    {
      id: 'due',
      heading: 'Due',
      width: 'w-[11.875rem]',
      cell: (callback) => <DueWords callback={callback} nowMs={now} timeZone={centre.timeZone} />,
      sortBy: (callback) => callback.dueAtMs,
    },
    {
      id: 'whom',
      heading: 'Whom',
      width: 'w-[11rem]',
      isName: true,
      sortBy: (callback) => callback.name,
      cell: (callback) => (
        <>
          {callback.name ?? 'Not known by name'}
          <span className="tabular block font-normal text-soft">{written(callback.number)}</span>
        </>
      ),
    },
    {
      id: 'about',
      heading: 'About',
      width: 'w-[7.75rem]',
      sortBy: (callback) => queueName(callback),
      cell: (callback) => (
        <>
          {queueName(callback) ?? 'Dialled by hand'}
          <span className="block text-soft">{callback.why === 'retry' ? `try ${callback.attempt} of ${callback.atMost}` : 'agreed'}</span>
        </>
      ),
    },
    {
      id: 'notes',
      heading: 'Notes',
      cell: ({ note }) =>
        note === '' ? (
          <span className="text-soft">no notes</span>
        ) : (
          <span title={note} className="line-clamp-3 break-words">
            <NumberLinks text={note} />
          </span>
        ),
    },
    {
      id: 'whose',
      heading: 'Owner',
      width: 'w-[8.125rem]',
      cell: (callback) => ownerWords(callback, seats, me),
      sortBy: ({ ownerId }) => (ownerId === null ? null : nameIn(seats, ownerId)),
    },
    {
      id: 'acts',
      heading: '',
      width: 'w-[9.5rem]',
      align: 'right',
      cell: (callback) => (
        <>
          <Button
            tone="primary"
            aria-label={`Call ${callback.name ?? written(callback.number)}`}
            disabled={!mayCall(callback)}
            onClick={() => me !== null && void give({ kind: 'makeCall', typed: '', customer: null, callbackId: callback.id })}
          >
            Call
          </Button>{' '}
          <Button
            aria-expanded={open === callback.id}
            aria-label={`Change ${callback.name ?? written(callback.number)}`}
            disabled={!mayCall(callback)}
            onClick={() => setOpen(open === callback.id ? null : callback.id)}
          >
            Change
          </Button>
        </>
      ),
    },
  ]
  return (
    <Table
      label="Callbacks"
      className="mt-3"
      columns={columns}
      rows={ordered}
      keyOf={(callback) => callback.id}
      below={(callback) =>
        open === callback.id && me !== null ? <ChangeCallback me={me} seats={seats} callback={callback} give={give} onDone={() => setOpen(null)} /> : null
      }
    />
  )
}

/** When it is due, here and, where it differs, there; missed and due ones by word, form and colour. */
function DueWords({ callback, nowMs, timeZone }: { callback: CallbackView; nowMs: number; timeZone: string }) {
  const { dueAtMs, escalatedAtMs, timeZone: theirs } = callback
  const state = escalatedAtMs !== null ? 'missed' : dueAtMs <= nowMs ? 'due' : null
  return (
    <>
      {state !== null && (
        <span
          className={clsx(
            'mr-2 border px-1 font-semibold',
            state === 'missed' ? 'border-red bg-red-wash text-red' : 'border-brass bg-brass-wash text-brass-text',
          )}
        >
          {state}
        </span>
      )}
      <span className="tabular">{inZone(dueAtMs, timeZone, 'd MMM HH:mm')}</span>
      {theirs !== timeZone && (
        <span className="block text-soft">
          {inZone(dueAtMs, theirs, 'EEE HH:mm')} in {zoneWords(theirs)}
        </span>
      )}
    </>
  )
}

function ownerWords({ ownerId, dialledBy }: CallbackView, seats: readonly SeatView[], me: MeView | null) {
  const name = (id: string) => (id === me?.id ? 'you' : nameIn(seats, id))
  if (dialledBy !== null) return <span className="text-green">being called by {name(dialledBy)}</span>
  return ownerId === null ? 'anybody’s' : name(ownerId) === 'you' ? 'yours' : name(ownerId)
}
