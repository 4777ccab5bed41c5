// Chats, mails and texts in words.
import type { Channel } from '@/core/channels'
import type { Thread, ThreadEvent } from '@/core/threads'
import { numberWords } from './number-words'

export const CHANNEL_WORDS: Readonly<Record<Channel, string>> = { call: 'Call', chat: 'Chat', mail: 'Mail', text: 'Text' }

/** Who it is with, as they are known, or as they write. */
export const threadName = ({ customer, channel, address }: Pick<Thread, 'customer' | 'channel' | 'address'>): string =>
  customer?.name ?? (channel === 'text' ? numberWords(address) : address)

interface Names {
  readonly agent: (id: string) => string
  readonly queue: (id: string) => string
}

const PASSED = { declined: 'declined it', missed: 'did not take it in time', left: 'went not ready before taking it' } as const

export function threadEventWords(event: ThreadEvent, { agent, queue }: Names): string {
  switch (event.kind) {
    case 'threadBegan':
      return `${event.customer?.name ?? event.address} wrote to ${queue(event.queueId)}: “${event.text}”`
    case 'threadOpened':
      return `${agent(event.byAgentId)} wrote to ${event.address} for ${queue(event.queueId)}`
    case 'threadOffered':
      return `Offered to ${agent(event.agentId)}`
    case 'threadPassed':
      return `${agent(event.agentId)} ${PASSED[event.because]}; it is waiting again`
    case 'threadTaken':
      return `${agent(event.agentId)} took it`
    case 'threadOverflowed':
      return event.offer.anyLevel ? `Also offered at any level of ${queue(event.offer.queueId)}` : `Also offered to ${queue(event.offer.queueId)}`
    case 'threadWritten':
      return `${event.byAgentId === null ? 'They' : agent(event.byAgentId)}${event.aside ? ', to colleagues only' : ''}: “${event.text}”`
    case 'threadDelivered':
      return event.failure === null ? 'The text was delivered' : `The text was not delivered: ${event.failure}`
    case 'threadTyped':
      return event.on ? 'They began to type' : 'They stopped typing'
    case 'threadHandedOn':
      return `${agent(event.byAgentId)} handed it on to ${event.to.kind === 'agent' ? agent(event.to.agentId) : queue(event.to.queueId)}`
    case 'threadAskedIn':
      return `${agent(event.byAgentId)} asked ${agent(event.agentId)} in`
    case 'threadAskedOut':
      return `${agent(event.agentId)} reads along no more`
    case 'threadParked':
      return `${agent(event.byAgentId)} parked it`
    case 'threadUnparked':
      return event.because === 'due' ? 'Its time had come' : event.because === 'asked' ? 'It was taken up before its time' : 'An answer brought it back'
    case 'threadPlaceKept':
      return `They left the chat and kept their place, to be called on ${numberWords(event.number)}`
    case 'threadCalled':
      return `${agent(event.byAgentId)} rang them instead; it went on in that call`
    case 'threadEnded':
      return event.byAgentId === null ? (event.because === 'cut' ? 'The day ended' : 'They left') : `${agent(event.byAgentId)} ended it`
  }
}
