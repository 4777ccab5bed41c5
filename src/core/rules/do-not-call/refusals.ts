// Why the do-not-call list forbids or refuses, and what is said of it.
import type { WordsOf } from '@/core/refusal'
import { type EpochMs, utcDay } from '@/core/time'

export type DoNotCallRefusal =
  | { readonly reason: 'onDoNotCall'; readonly who: string; readonly sinceMs: EpochMs; readonly why: string }
  | { readonly reason: 'alreadyOnList'; readonly who: string }
  | { readonly reason: 'notOnList'; readonly who: string }
  | { readonly reason: 'nobodyNamed' }

export const DO_NOT_CALL_WORDS: WordsOf<DoNotCallRefusal> = {
  onDoNotCall: (refusal) => ({
    says: `${refusal.who} is on the do-not-call list since ${utcDay(refusal.sinceMs)}: ${refusal.why}.`,
    next: 'A supervisor can let this one call be made, with a reason.',
  }),
  alreadyOnList: (refusal) => ({ says: `${refusal.who} is on the list already.`, next: 'Take the line out, or leave it as it is.' }),
  notOnList: (refusal) => ({ says: `${refusal.who} is not on the list any more.`, next: 'Nothing to do.' }),
  nobodyNamed: () => ({ says: 'Nobody is named.', next: 'Enter a number or a person.' }),
}
