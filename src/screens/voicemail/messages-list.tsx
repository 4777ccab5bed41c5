'use client'
// The messages of one mailbox, or of all of them. Enter calls back.
import clsx from 'clsx'
import { formatClock } from '@/core/time'
import { inZone, RowList } from '@/parts/ui'
import type { MessageView } from '@/services/exchange/protocol'
import { arrivedAtMs, fromWords, saidIn, standsWords } from './words'

interface Props {
  readonly messages: readonly MessageView[]
  readonly frontId: string | null
  readonly onFront: (id: string) => void
  readonly onEnter: (message: MessageView) => void
  readonly timeZone: string
  readonly empty: string
}

export function MessagesList({ messages, frontId, onFront, onEnter, timeZone, empty }: Props) {
  return (
    <RowList
      label="Messages"
      rows={messages}
      keyOf={(m) => m.id}
      nameOf={fromWords}
      frontKey={frontId}
      onFront={onFront}
      onEnter={onEnter}
      columns="pl-2 grid-cols-[8rem_minmax(0,1fr)_3rem] md:grid-cols-[8.5rem_minmax(0,0.9fr)_minmax(0,0.7fr)_3rem_minmax(0,1.5fr)]"
      empty={empty}
    >
      {(message) => {
        const isNew = !message.heard && message.deletedAtMs === null
        const stands = standsWords(message)
        return (
          <>
            <span className="tabular whitespace-nowrap text-soft text-xs">{inZone(arrivedAtMs(message), timeZone, 'EEE d MMM, HH:mm')}</span>
            <span className={clsx('min-w-0 truncate', isNew ? 'font-bold' : 'font-semibold', message.deletedAtMs !== null && 'line-through')}>
              {isNew && (
                <span aria-hidden className="mr-1.5 text-brass-text">
                  ●
                </span>
              )}
              {fromWords(message)}
              {isNew && <span className="sr-only">, not heard</span>}
            </span>
            <span className="hidden min-w-0 truncate text-soft md:block" title={message.boxName}>
              {message.box.kind === 'queue' ? message.boxName : 'Yours'}
            </span>
            <span className="tabular text-right text-soft">{formatClock(message.lastsMs)}</span>
            <span className="hidden min-w-0 truncate md:block" title={saidIn(message)}>
              {stands !== null && message.box.kind === 'queue' && <span className="font-semibold text-brass-text">{stands} · </span>}
              <span className="text-soft">{saidIn(message) || 'no words are known'}</span>
            </span>
          </>
        )
      }}
    </RowList>
  )
}
