// Why a call is not coded that way, and what is said of it.
import type { CallRefusal } from '@/core/calls'
import type { NumberRefusal } from '@/core/directory'
import type { WordsOf } from '@/core/refusal'
import type { PromiseRefusal } from '@/core/rules/promises'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'
import type { ShiftRefusal } from '@/core/rules/shift'
import type { ScriptRefusal } from '@/core/scripts'

export type ClosingRefusal =
  | { readonly reason: 'outcomeMissing' }
  | { readonly reason: 'unknownCode'; readonly code: string }
  | { readonly reason: 'answersContradict'; readonly says: string }
  | { readonly reason: 'notesMissing'; readonly label: string }
  | { readonly reason: 'fieldMissing'; readonly label: string; readonly field: string }
  | { readonly reason: 'notYoursToCorrect' }
  | { readonly reason: 'codeUnchanged' }
  | { readonly reason: 'wrapUpHasNoLimit' }
  | { readonly reason: 'alreadyExtended' }
  | { readonly reason: 'outcomeStands' }

/** All that may come of a rule of this room. */
export type RulingRefusal = ClosingRefusal | AnyRefusal | RightsRefusal | PromiseRefusal | ShiftRefusal | ScriptRefusal | NumberRefusal | CallRefusal

export const CLOSING_WORDS: WordsOf<ClosingRefusal> = {
  outcomeMissing: () => ({ says: 'No outcome is chosen.', next: 'Press the key of an outcome, or click one. Your notes are kept.' }),
  unknownCode: (refusal) => ({ says: `“${refusal.code}” is not an outcome of this queue.`, next: 'Choose one from the list.' }),
  answersContradict: (refusal) => ({ says: refusal.says, next: 'Save it all the same, or choose another outcome.' }),
  notesMissing: (refusal) => ({ says: `“${refusal.label}” needs a note.`, next: 'Write in a few words what it is about, then save again.' }),
  fieldMissing: (refusal) => ({ says: `“${refusal.label}” needs the answer to “${refusal.field}”.`, next: 'Answer it in the script, then save again.' }),
  notYoursToCorrect: () => ({ says: 'That call was not coded by you on this shift.', next: 'Ask a supervisor to correct it.' }),
  codeUnchanged: () => ({ says: 'The call is coded so already.', next: 'Choose another outcome, or leave it as it is.' }),
  wrapUpHasNoLimit: () => ({ says: 'This wrap-up cannot be extended.', next: 'Save the outcome, or go ready and code it later where your centre allows it.' }),
  alreadyExtended: () => ({ says: 'This wrap-up was extended once already.', next: 'Save the outcome. What you have written is kept.' }),
  outcomeStands: () => ({ says: 'The outcome can no longer be undone.', next: 'Correct it under Your last calls.' }),
}
