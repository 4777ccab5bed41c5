'use client'
// One call of the log: what it was, and what can be done about it.
import Link from 'next/link'
import { useState } from 'react'
import { formatClock } from '@/core/time'
import { ShownNumberMenu } from '@/parts/frame'
import { Button, inZone } from '@/parts/ui'
import { callerWords, numberWords, outcomeLabel, resultWords } from '@/parts/words'
import { AddPerson } from '@/screens/people'
import type { AccountView, CentreView, SeatView } from '@/services/exchange/protocol'
import type { LogRow } from '@/services/history/client'
import { howWords, ofWords, wayWords } from './log-words'
import { useCallBack } from './use-call-back'

interface Props {
  readonly row: LogRow
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly account: AccountView
}

export function LogEntry({ row, centre, account }: Props) {
  const { whyNot, callBack, trouble } = useCallBack()
  const [adding, setAdding] = useState(false)
  const why = whyNot(row)
  const facts: readonly (readonly [string, string | null])[] = [
    ['When', inZone(row.atMs, centre.timeZone, 'EEE d MMM yyyy, HH:mm')],
    ['Line', ofWords(row)],
    ['Number', row.number === null ? null : numberWords(row.number)],
    ['Rang', row.ringMs > 0 ? formatClock(row.ringMs) : null],
    ['Talked', row.talkMs > 0 ? formatClock(row.talkMs) : null],
    ['Came of it', howWords(row) ?? (row.direction === 'internal' ? null : row.outcome === null ? resultWords(row.result) : outcomeLabel(centre, row))],
    ['Taken by', row.takenBy],
    ['Recorded', row.recordings.length > 0 ? 'yes' : null],
  ]
  return (
    <article aria-label={callerWords(row.name, row.number, 'Withheld number')} className="px-5 py-5">
      <p className="eyebrow">{wayWords(row)}</p>
      <h2 className="break-words font-semibold text-xl">{callerWords(row.name, row.number, 'Withheld number')}</h2>
      <dl className="mt-3 grid grid-cols-[5.625rem_minmax(0,1fr)] gap-y-1">
        {facts.map(
          ([name, said]) =>
            said !== null && (
              <div key={name} className="contents">
                <dt className="text-soft">{name}</dt>
                <dd className="break-words">{said}</dd>
              </div>
            ),
        )}
      </dl>
      {trouble !== null && (
        <p role="alert" className="mt-2 border-red border-l-4 pl-2 text-red">
          {trouble}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button tone="primary" aria-disabled={why !== null || undefined} title={why ?? undefined} onClick={() => void callBack(row)}>
          {row.way === 'out' ? 'Call again' : 'Call back'}
        </Button>
        {row.number !== null && row.direction !== 'internal' && <ShownNumberMenu />}
        {row.number !== null && row.direction !== 'internal' && <Button onClick={() => setAdding(true)}>Add to people</Button>}
        {row.how === 'voicemail' && row.way === 'missed' && (
          <Link href={`/voicemail?call=${encodeURIComponent(row.callId)}`} className="inline-flex h-8 items-center underline underline-offset-4">
            To the message
          </Link>
        )}
        {row.direction !== 'internal' && (
          <Link href={`/results?call=${row.callId}`} className="inline-flex h-8 items-center underline underline-offset-4">
            Open the call
          </Link>
        )}
      </div>
      {adding && (
        <AddPerson
          account={account}
          begins={{ name: row.name ?? '', numbers: [{ kind: 'work', number: row.number ?? '' }] }}
          onClose={() => setAdding(false)}
        />
      )}
    </article>
  )
}
