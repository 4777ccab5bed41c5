// Why a message is not sent, and what is said of it.
import type { WordsOf } from '@/core/refusal'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'

export type CircleRefusal =
  | { readonly reason: 'messageEmpty' }
  | { readonly reason: 'messageTooLong'; readonly length: number; readonly longest: number }
  | { readonly reason: 'writesToThemselves' }
  | { readonly reason: 'nobodyReads'; readonly who: string }
  | { readonly reason: 'notAmongThem' }

/** All that may come of a rule of this room. */
export type RulingRefusal = CircleRefusal | AnyRefusal | RightsRefusal

export const CIRCLE_WORDS: WordsOf<CircleRefusal> = {
  messageEmpty: () => ({ says: 'Nothing is written.', next: 'Write something first.' }),
  messageTooLong: ({ length, longest }) => ({
    says: `That is ${length.toLocaleString('en-GB')} characters, and ${longest.toLocaleString('en-GB')} can be sent at once.`,
    next: 'Send it in parts.',
  }),
  writesToThemselves: () => ({ says: 'That is yourself.', next: 'Choose a colleague, a team or a queue.' }),
  nobodyReads: ({ who }) => ({ says: `Nobody but you is in ${who} now.`, next: 'Choose somebody else, or write to one of them by name.' }),
  notAmongThem: () => ({ says: 'That conversation is not yours.', next: 'Choose one of your own.' }),
}
