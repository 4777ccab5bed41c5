// Why a review is not taken, and what is said of it.
import type { WordsOf } from '@/core/refusal'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'

export type ReviewRefusal =
  | { readonly reason: 'noSuchSheet' }
  | { readonly reason: 'reviewUnanswered'; readonly question: string }
  | { readonly reason: 'noSuchReview' }
  | { readonly reason: 'reviewsThemselves' }
  | { readonly reason: 'disagreesWithoutWords' }

/** All that may come of a rule of this room. */
export type RulingRefusal = ReviewRefusal | AnyRefusal | RightsRefusal

export const REVIEW_WORDS: WordsOf<ReviewRefusal> = {
  noSuchSheet: () => ({ says: 'That sheet is not in use any more.', next: 'Choose another one.' }),
  reviewUnanswered: ({ question }) => ({ says: `“${question}” is not answered.`, next: 'Answer every question of the sheet.' }),
  noSuchReview: () => ({ says: 'That review was withdrawn.', next: 'Nothing to do.' }),
  reviewsThemselves: () => ({ says: 'Nobody reviews their own call.', next: 'Ask another supervisor.' }),
  disagreesWithoutWords: () => ({ says: 'You do not agree, and say not why.', next: 'Write in a few words what you see otherwise.' }),
}
