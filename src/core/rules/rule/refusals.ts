// What rules of several rooms refuse for, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type AnyRefusal =
  | { readonly reason: 'notOnShift' }
  | { readonly reason: 'notYourCall' }
  | { readonly reason: 'targetUnknown' }
  | { readonly reason: 'whyMissing' }

export const ANY_WORDS: WordsOf<AnyRefusal> = {
  notOnShift: () => ({ says: 'You are not on shift.', next: 'Start your shift first.' }),
  notYourCall: () => ({ says: 'That call was handled by somebody else, or it is coded already.', next: 'Look at the board for what is yours.' }),
  targetUnknown: () => ({ says: 'There is nobody and nothing of that name here any more.', next: 'Choose another one from the list.' }),
  whyMissing: () => ({ says: 'No reason is given.', next: 'Write in a few words why; it is kept.' }),
}
