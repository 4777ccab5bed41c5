// Why colleagues are not asked or called, and what is said of it.
import type { WordsOf } from '@/core/refusal'
import type { AnyRefusal } from '@/core/rules/rule'
import type { ShiftRefusal } from '@/core/rules/shift'
import type { RulingRefusal as Reaching } from '@/core/rules/talk'

export type ColleagueRefusal =
  | { readonly reason: 'questionEmpty' }
  | { readonly reason: 'noSuchQuestion' }
  | { readonly reason: 'alreadyWished'; readonly name: string }
  | { readonly reason: 'nothingWished' }
  | { readonly reason: 'takesNoQuestions'; readonly name: string }

/** All that may come of a rule of this room. */
export type RulingRefusal = ColleagueRefusal | AnyRefusal | ShiftRefusal | Reaching

export const COLLEAGUE_WORDS: WordsOf<ColleagueRefusal> = {
  questionEmpty: () => ({ says: 'Nothing is asked.', next: 'Write in a few words what it is about.' }),
  noSuchQuestion: () => ({ says: 'That question was withdrawn, or is answered already.', next: 'Call your colleague if it still matters.' }),
  alreadyWished: (refusal) => ({ says: `It will ring at both of you as soon as ${refusal.name} and you are free.`, next: 'Wait for it, or drop it.' }),
  nothingWished: () => ({ says: 'No such call is arranged any more.', next: 'Call your colleague, or arrange it anew.' }),
  takesNoQuestions: (refusal) => ({ says: `${refusal.name} does not want to be disturbed.`, next: 'Leave a message, or ask somebody else.' }),
}
