'use client'
// The message a call is about: in place of the page that is read while nobody is on the line, and beside it afterwards.
import type { MessageId } from '@/core/ids'
import { formatClock } from '@/core/time'
import { inZone } from '@/parts/ui'
import { useSeen } from '@/services/exchange/react'
import { MessagePlayer } from './message-player'
import { useMessages } from './use-messages'
import { arrivedAtMs } from './words'

export function MessageInHand({ messageId, isPage = false }: { messageId: MessageId; isPage?: boolean }) {
  const page = useMessages()
  const timeZone = useSeen((view) => view.centre.timeZone) ?? 'UTC'
  const message = page?.messages.find((m) => m.id === messageId)
  return (
    <section aria-label="Message" className={isPage ? 'min-h-0 overflow-auto bg-raised px-8 py-6' : 'mt-3 border-line border-t pt-2'}>
      {isPage && (
        <div className="flex items-baseline justify-between gap-4">
          <h2 className="font-semibold text-lg">Message</h2>
          {message !== undefined && (
            <p className="text-soft text-xs">
              left {inZone(arrivedAtMs(message), timeZone, 'EEE d MMM, HH:mm')} · <span className="tabular">{formatClock(message.lastsMs)}</span>
            </p>
          )}
        </div>
      )}
      {page !== null && message === undefined && <p className="text-soft">The message is there no more.</p>}
      {message !== undefined && message.forwarded !== null && message.forwarded.note !== '' && (
        <p className="my-2 border-brass border-l-4 pl-2">
          {message.forwardedBy}: {message.forwarded.note}
        </p>
      )}
      {message !== undefined && <MessagePlayer message={message} />}
    </section>
  )
}
