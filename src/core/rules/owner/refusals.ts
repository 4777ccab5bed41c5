// Why the set-up stays as it is, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type OwnerRefusal =
  | { readonly reason: 'setUpUnsound'; readonly place: string; readonly says: string; readonly cure: string }
  | { readonly reason: 'setUpForgets'; readonly what: string }
  | { readonly reason: 'setUpMoved'; readonly by: string | null }
  | { readonly reason: 'worksThere'; readonly name: string; readonly what: string }
  | { readonly reason: 'stormUnchanged' }

export const OWNER_WORDS: WordsOf<OwnerRefusal> = {
  setUpUnsound: (refusal) => ({ says: `${refusal.place}: ${refusal.says}`, next: refusal.cure }),
  setUpForgets: (refusal) => ({ says: `${refusal.what} is missing, and the ledger still speaks of it.`, next: 'Retire it instead of taking it out.' }),
  setUpMoved: (refusal) => ({
    says: `${refusal.by ?? 'Somebody'} has changed the set-up since you began, so yours would undo it.`,
    next: 'Press “Bring my changes over”, look at them, and put them into use again.',
  }),
  worksThere: (refusal) => ({ says: `${refusal.name} is at work, so ${refusal.what} cannot be retired now.`, next: 'Wait until nobody needs it.' }),
  stormUnchanged: () => ({ says: 'The queue is switched that way already.', next: 'Nothing to do.' }),
}
