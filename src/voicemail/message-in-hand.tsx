'use client'
// The message a call is about, beside it: heard, and its words.
import type { MessageId } from '@/core/ids'
import { MessagePlayer } from './message-player'
import { useMessages } from './use-messages'

export function MessageInHand({ messageId }: { messageId: MessageId }) {
  const page = useMessages()
  const message = page?.messages.find((m) => m.id === messageId)
  if (page === null) return null
  return (
    <section aria-label="Message" className="mt-3 border-line border-t pt-2">
      {message === undefined ? <p className="text-soft">The message is there no more.</p> : <MessagePlayer message={message} />}
      {message !== undefined && message.forwarded !== null && message.forwarded.note !== '' && (
        <p className="mt-2 border-brass border-l-4 pl-2">
          {message.forwardedBy}: {message.forwarded.note}
        </p>
      )}
    </section>
  )
}
