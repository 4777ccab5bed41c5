'use client'
// The list of the log. Enter calls back.
import clsx from 'clsx'
import { formatClock } from '@/core/time'
import { inZone, RowList } from '@/parts/ui'
import { callerWords, numberWords } from '@/parts/words'
import type { LogRow } from '@/services/history/client'
import { howWords, keyOf, ofWords, wayWords } from './log-words'
import { useCallBack } from './use-call-back'

interface Props {
  readonly rows: readonly LogRow[]
  readonly frontKey: string | null
  readonly onFront: (key: string) => void
  readonly seenMs: number
  readonly timeZone: string
  readonly empty: string
}

/** The mark before the words, so that colour says nothing alone. */
const MARKS = { in: '→', out: '←', missed: '×' } as const
const COLUMNS = 'pl-2 grid-cols-[8rem_4.5rem_minmax(0,1fr)_minmax(0,1fr)] md:grid-cols-[8.5rem_5.5rem_minmax(0,1.2fr)_10rem_minmax(0,0.9fr)_minmax(0,1.1fr)]'

export function LogList({ seenMs, timeZone, ...list }: Props) {
  const { callBack } = useCallBack()
  return (
    <RowList
      label="Calls"
      {...list}
      keyOf={keyOf}
      nameOf={(row) => callerWords(row.name, row.number, 'Withheld number')}
      onEnter={(row) => void callBack(row)}
      columns={COLUMNS}
    >
      {(row) => {
        const unseen = row.way === 'missed' && row.atMs > seenMs
        return (
          <>
            <span className="tabular whitespace-nowrap text-soft text-xs">{inZone(row.atMs, timeZone, 'EEE d MMM, HH:mm')}</span>
            <span className={clsx('truncate', row.way === 'missed' && 'font-semibold text-red')}>
              <span aria-hidden className="mr-1.5 inline-block w-3">
                {MARKS[row.way]}
              </span>
              {wayWords(row)}
              {unseen && <span className="sr-only">, not seen yet</span>}
            </span>
            <span className={clsx('min-w-0 truncate', unseen ? 'font-bold' : 'font-semibold')} title={row.name ?? undefined}>
              {callerWords(row.name, row.number, 'Withheld number')}
            </span>
            <span className="tabular hidden min-w-0 truncate text-soft md:block">{row.name !== null && row.number !== null && numberWords(row.number)}</span>
            <span className="hidden min-w-0 truncate text-soft md:block">{ofWords(row)}</span>
            <span className="min-w-0 truncate">
              {howWords(row) ?? (row.talkMs > 0 ? <span className="tabular">{formatClock(row.talkMs)}</span> : <span className="text-soft">not answered</span>)}
              {row.takenBy !== null && row.way === 'missed' && <span className="text-soft"> · {row.takenBy} took it</span>}
            </span>
          </>
        )
      }}
    </RowList>
  )
}
