'use client'
// Callbacks as a table, by their time; what is missed first. A row opens to move it, hand it over or give it up.
import clsx from 'clsx'
import { Fragment, useState } from 'react'
import type { CallbackId } from '@/core/ids'
import type { CallbackView, CentreView, MeView, SeatView } from '@/exchange/protocol'
import { Button, inZone, nameIn, TableHead, useNowMs, zoneWords } from '@/ui'
import { useNumberWords } from '@/words'
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
  if (ordered.length === 0) return <p className="mt-4 font-serif text-[17px] text-soft leading-7">{empty}</p>
  const mayCall = (c: CallbackView) => me !== null && c.dialledBy === null && (c.ownerId === null || c.ownerId === me.id)
  return (
    <table aria-label="Callbacks" className="mt-3 w-full table-fixed">
      <TableHead headings={HEADINGS} />
      <tbody>
        {ordered.map((callback) => (
          <Fragment key={callback.id}>
            <tr className={clsx('border-line align-top', open === callback.id ? '' : 'border-b')}>
              <td className="py-2 pr-3">
                <DueWords callback={callback} nowMs={now} timeZone={centre.timeZone} />
              </td>
              <th scope="row" className="py-2 pr-3 text-left">
                {callback.name ?? 'Not known by name'}
                <span className="tabular block font-normal text-soft">{written(callback.number)}</span>
              </th>
              <td className="py-2 pr-3">
                {centre.queues.find((q) => q.id === callback.queueId)?.name ?? 'Dialled by hand'}
                <span className="block text-soft">{callback.why === 'retry' ? `try ${callback.attempt} of ${callback.atMost}` : 'agreed'}</span>
              </td>
              <td className="py-2 pr-3">
                {callback.note === '' ? (
                  <span className="text-soft">no notes</span>
                ) : (
                  <span title={callback.note} className="line-clamp-3 break-words">
                    {callback.note}
                  </span>
                )}
              </td>
              <td className="py-2 pr-3">{ownerWords(callback, seats, me)}</td>
              <td className="py-1.5 text-right">
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
              </td>
            </tr>
            {open === callback.id && me !== null && (
              <tr className="border-line border-b">
                <td colSpan={6} className="pb-3">
                  <ChangeCallback me={me} seats={seats} callback={callback} give={give} onDone={() => setOpen(null)} />
                </td>
              </tr>
            )}
          </Fragment>
        ))}
      </tbody>
    </table>
  )
}

const HEADINGS = [
  ['Due', 'w-[164px]'],
  ['Whom', 'w-[176px]'],
  ['About', 'w-[124px]'],
  ['Notes', ''],
  ['Whose', 'w-[130px]'],
  ['', 'w-[152px]'],
] as const

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
