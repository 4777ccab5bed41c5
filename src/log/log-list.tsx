'use client'
// The list of the log: only rows in view are drawn. One Tab stop; arrows move, Enter calls back.
import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { type KeyboardEvent, useEffect, useId, useRef } from 'react'
import { formatClock } from '@/core/time'
import type { LogRow } from '@/history/client'
import { inZone } from '@/ui'
import { callerWords, numberWords } from '@/words'
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

const ROW_PX = 36

/** The mark before the words, so that colour says nothing alone. */
const MARKS = { in: '→', out: '←', missed: '×' } as const

export function LogList({ rows, frontKey, onFront, seenMs, timeZone, empty }: Props) {
  const scroller = useRef<HTMLDivElement>(null)
  const id = useId()
  const { callBack } = useCallBack()
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => ROW_PX, overscan: 12 })
  const at = rows.findIndex((r) => keyOf(r) === frontKey)
  const [first] = rows
  // biome-ignore lint/correctness/useExhaustiveDependencies: another one in front is brought into view; a list that changes stays where it is
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at)
  }, [frontKey])
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? ROW_PX) / ROW_PX) - 1)
    const moves: Readonly<Record<string, number>> = {
      ...{ ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: rows.length - 1, PageDown: at + page, PageUp: at - page },
    }
    const to = moves[event.key]
    const row = rows[to === undefined ? at : Math.max(0, Math.min(rows.length - 1, to))]
    if (row === undefined) return
    if (to !== undefined) onFront(keyOf(row))
    else if (event.key === 'Enter') void callBack(row)
    else return
    event.preventDefault()
  }
  if (rows.length === 0) return <p className="mt-4 flex-1 font-serif text-[17px] text-soft leading-7">{empty}</p>
  return (
    <div
      ref={scroller}
      role="listbox"
      aria-label="Calls"
      aria-activedescendant={at < 0 ? undefined : `${id}-${at}`}
      tabIndex={0}
      onKeyDown={onKeyDown}
      onFocus={() => at < 0 && first !== undefined && onFront(keyOf(first))}
      className="min-h-40 flex-1 overflow-auto border-line-strong border-t -outline-offset-2"
    >
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]
          if (row === undefined) return null
          const unseen = row.way === 'missed' && row.atMs > seenMs
          return (
            <div
              key={keyOf(row)}
              id={`${id}-${index}`}
              role="option"
              aria-selected={keyOf(row) === frontKey}
              aria-setsize={rows.length}
              aria-posinset={index + 1}
              tabIndex={-1}
              onPointerDown={() => onFront(keyOf(row))}
              onDoubleClick={() => void callBack(row)}
              style={{ height: ROW_PX, transform: `translateY(${start}px)` }}
              className={clsx(
                'absolute inset-x-0 grid cursor-pointer grid-cols-[104px_72px_minmax(0,1fr)_minmax(0,1fr)] md:grid-cols-[140px_88px_minmax(0,1.2fr)_160px_minmax(0,0.9fr)_minmax(0,1.1fr)] items-center gap-3 border-line border-b border-l-4 px-2',
                keyOf(row) === frontKey ? 'border-l-ink bg-green-wash' : 'border-l-transparent',
              )}
            >
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
                {howWords(row) ??
                  (row.talkMs > 0 ? <span className="tabular">{formatClock(row.talkMs)}</span> : <span className="text-soft">not answered</span>)}
                {row.takenBy !== null && row.way === 'missed' && <span className="text-soft"> · {row.takenBy} took it</span>}
              </span>
            </div>
          )
        })}
      </div>
    </div>
  )
}
