// Why a script does not go on, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type ScriptRefusal =
  | { readonly reason: 'noScript' }
  | { readonly reason: 'unknownField'; readonly field: string }
  | { readonly reason: 'answerWrongKind'; readonly field: string; readonly label: string; readonly expected: string }
  | { readonly reason: 'answerMissing'; readonly field: string; readonly label: string }
  | { readonly reason: 'noWayOn'; readonly page: string }
  | { readonly reason: 'pageNotSeen' }
  | { readonly reason: 'lastPage' }
  | { readonly reason: 'firstPage' }

export const SCRIPT_WORDS: WordsOf<ScriptRefusal> = {
  noScript: () => ({ says: 'This call runs no script.', next: 'Write what you learn in the notes.' }),
  unknownField: (refusal) => ({ says: `The script has no question "${refusal.field}".`, next: 'Answer the questions on the page.' }),
  answerWrongKind: (refusal) => ({ says: `“${refusal.label}” needs ${refusal.expected}.`, next: 'Correct it and carry on; what you typed is still there.' }),
  answerMissing: (refusal) => ({ says: `Answer “${refusal.label}” first.`, next: 'The next page depends on it.' }),
  noWayOn: (refusal) => ({ says: `With these answers nothing follows “${refusal.page}”.`, next: 'Code the call all the same, and tell the set-up owner.' }),
  pageNotSeen: () => ({ says: 'That page was not open yet on this call.', next: 'Choose one of the pages seen, or go on with Next page.' }),
  lastPage: () => ({ says: 'This is the last page of the script.', next: 'Choose an outcome.' }),
  firstPage: () => ({ says: 'This is the first page of the script.', next: 'Go on to the next page.' }),
}
