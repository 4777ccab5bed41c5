// Why what is written is refused, and what is said of it.
import type { Written } from '@/core/channels'
import type { NumberRefusal } from '@/core/directory'
import type { WordsOf } from '@/core/refusal'
import type { DoNotCallRefusal } from '@/core/rules/do-not-call'
import type { DoorRefusal } from '@/core/rules/door'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'
import type { RulingRefusal as CallingRefusal } from '@/core/rules/talk'

export type WritingRefusal =
  | { readonly reason: 'noSuchThread' }
  | { readonly reason: 'notYourThread'; readonly with: string }
  | { readonly reason: 'notOfferedToYou' }
  | { readonly reason: 'nothingWritten' }
  | { readonly reason: 'textTooLong'; readonly length: number; readonly longest: number }
  | { readonly reason: 'channelNotTaken'; readonly queue: string; readonly channel: Written }
  | { readonly reason: 'queueIsClosed'; readonly queue: string; readonly says: string }
  | { readonly reason: 'chatCannotWait' }
  | { readonly reason: 'theyHaveGone'; readonly with: string }
  | { readonly reason: 'textOnItsWay'; readonly with: string }
  | { readonly reason: 'timeIsPast' }
  | { readonly reason: 'noNumberToRing'; readonly with: string }
  | { readonly reason: 'notParked' }
  | { readonly reason: 'noRoomThere'; readonly name: string }
  | { readonly reason: 'notThere'; readonly name: string }
  | { readonly reason: 'yoursAlready' }
  | { readonly reason: 'isThereAlready' }
  | { readonly reason: 'notAskedIn'; readonly name: string }
  | { readonly reason: 'chatsBeginThere' }
  | { readonly reason: 'notAMailAddress'; readonly typed: string }
  | { readonly reason: 'queueNotServed'; readonly queue: string }

/** All that may come of a rule of this room. */
export type RulingRefusal = WritingRefusal | CallingRefusal | AnyRefusal | DoorRefusal | RightsRefusal | DoNotCallRefusal | NumberRefusal

export const CHANNEL_PLURALS: Readonly<Record<Written, string>> = { chat: 'chats', mail: 'mails', text: 'texts' }

export const WRITING_WORDS: WordsOf<WritingRefusal> = {
  noSuchThread: () => ({ says: 'That conversation is over.', next: 'Look at what you have in hand.' }),
  notYourThread: (refusal) => ({ says: `${refusal.with} is in somebody else’s hands.`, next: 'Ask whoever has it to hand it on.' }),
  notOfferedToYou: () => ({ says: 'It is no longer offered to you.', next: 'Wait for the next one.' }),
  nothingWritten: () => ({ says: 'Nothing is written.', next: 'Write something first.' }),
  textTooLong: ({ length, longest }) => ({
    says: `That is ${length.toLocaleString('en-GB')} characters, and ${longest.toLocaleString('en-GB')} can be sent at once.`,
    next: 'Send it in parts.',
  }),
  channelNotTaken: ({ queue, channel }) => ({ says: `${queue} takes no ${CHANNEL_PLURALS[channel]}.`, next: 'Choose a queue that does.' }),
  queueIsClosed: ({ queue, says }) => ({ says: `${queue} is closed: “${says}”`, next: 'Write a mail, or come back during opening hours.' }),
  chatCannotWait: () => ({ says: 'Somebody sits in front of that chat.', next: 'Hand it on, or end it and agree on a callback.' }),
  theyHaveGone: (refusal) => ({ says: `${refusal.with} has left the chat and wants to be called.`, next: 'Call them.' }),
  textOnItsWay: (refusal) => ({
    says: `Your text to ${refusal.with} is still being sent.`,
    next: 'Wait until it is delivered, two minutes at the most, then end it.',
  }),
  timeIsPast: () => ({ says: 'That time is past.', next: 'Choose a later one.' }),
  noNumberToRing: (refusal) => ({ says: `No number of ${refusal.with} is known.`, next: 'Ask for it, and dial it in the dial line.' }),
  notParked: () => ({ says: 'It is not parked.', next: 'Look at what you have in hand.' }),
  noRoomThere: ({ name }) => ({
    says: `${name} has as much in hand as they may carry, or is not ready.`,
    next: 'Hand it to the queue, or choose somebody else.',
  }),
  notThere: ({ name }) => ({ says: `${name} is not on shift.`, next: 'Choose somebody who is.' }),
  yoursAlready: () => ({ says: 'It is in your hands already.', next: 'Choose a colleague, or a queue.' }),
  isThereAlready: () => ({ says: 'It is there already.', next: 'Choose another queue, or somebody else.' }),
  notAskedIn: ({ name }) => ({ says: `${name} has not been asked in.`, next: 'Nothing needs to be done.' }),
  chatsBeginThere: () => ({ says: 'Nobody can be written to by chat first.', next: 'Write a text or a mail, or call.' }),
  notAMailAddress: ({ typed }) => ({ says: `“${typed}” is not a mail address.`, next: 'Write one such as name@example.com.' }),
  queueNotServed: ({ queue }) => ({ says: `You do not serve ${queue} on this shift.`, next: 'Choose one of your queues.' }),
}
